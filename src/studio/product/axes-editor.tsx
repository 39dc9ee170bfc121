import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import { addAxis, missingCombinations, MOST_VARIANTS, withCombinations, type ProductRecord } from '~/core/catalogue';
import { plural } from '~/studio/data/format';

interface Props {
  readonly record: ProductRecord;
  readonly onChange: (record: ProductRecord) => void;
}

/** What variants differ in, such as size. Renaming keeps their values, and so their stock. */
export function AxesEditor({ record, onChange }: Props) {
  const [fresh, setFresh] = useState('');
  const [values, setValues] = useState('');
  const { axes, variants } = record;
  const isTaken = (name: string) => axes.some((axis) => axis.toLowerCase() === name.toLowerCase());

  function rename(from: string, to: string): void {
    if (to === '' || (to.toLowerCase() !== from.toLowerCase() && isTaken(to))) return;
    onChange({
      ...record,
      axes: axes.map((axis) => (axis === from ? to : axis)),
      variants: variants.map(({ choices: { [from]: value = '', ...choices }, ...variant }) => ({
        ...variant,
        choices: { ...choices, [to]: value },
      })),
    });
  }

  function remove(name: string): void {
    onChange({
      ...record,
      axes: axes.filter((axis) => axis !== name),
      variants: variants.map(({ choices: { [name]: _gone, ...choices }, ...variant }) => ({ ...variant, choices })),
    });
  }

  function add(): void {
    const name = fresh.trim();
    if (name === '' || isTaken(name)) return;
    onChange(addAxis(record, name, list));
    setFresh('');
    setValues('');
  }

  const list = [
    ...new Set(
      values
        .split(/[,;]/)
        .map((value) => value.trim().slice(0, 80))
        .filter(Boolean),
    ),
  ];
  const made = variants.length * Math.max(1, list.length);
  const missing = missingCombinations(record).length;

  return (
    <div className="flex flex-wrap items-center gap-2">
      <span className="font-semibold">Variants differ in</span>
      {axes.map((axis, i) => (
        <span key={i} className="flex items-center">
          <input
            className="field w-28"
            aria-label={`Rename ${axis}`}
            maxLength={LETTERS.axisName}
            defaultValue={axis}
            key={axis}
            onBlur={(event) => rename(axis, event.target.value.trim())}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
          <button
            className="plain size-6 text-gravel hover:text-brick"
            aria-label={`Remove ${axis}`}
            onClick={() => remove(axis)}
          >
            ×
          </button>
        </span>
      ))}
      {axes.length < 4 && (
        <>
          <input
            className="field w-36"
            aria-label="Another difference"
            placeholder="Size, colour …"
            maxLength={LETTERS.axisName}
            value={fresh}
            onChange={(event) => setFresh(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && add()}
          />
          <input
            className="field w-44"
            aria-label="Its values"
            placeholder="Small, large …"
            maxLength={2000}
            value={values}
            onChange={(event) => setValues(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && add()}
          />
          <button
            className="btn"
            disabled={fresh.trim() === '' || isTaken(fresh.trim()) || made > MOST_VARIANTS}
            onClick={add}
          >
            {fresh.trim() !== '' && list.length > 1 ? `Add, ${made} variants` : 'Add'}
          </button>
        </>
      )}
      {missing > 0 && variants.length + missing <= MOST_VARIANTS && (
        <button className="btn" onClick={() => onChange({ ...record, variants: withCombinations(record) })}>
          Make the {plural(missing, 'missing combination', 'missing combinations')}
        </button>
      )}
      {made > MOST_VARIANTS && (
        <p role="alert" className="w-full text-brick">
          That would be {made} variants; {MOST_VARIANTS} is the most. Type fewer values.
        </p>
      )}
      {(missing > 0 || list.length > 1) && <p className="help w-full">New ones have nothing in stock.</p>}
    </div>
  );
}
