import type { ProductOption } from '~/core/options';

interface Props {
  readonly option: ProductOption;
  readonly value: string | readonly string[];
  /** Empty: left for the shopper to answer. */
  readonly onChange: (value: string | string[]) => void;
}

const LEFT = 'left to the shopper';

/** An answer to what a product asks, given by the owner for a link. */
export function AnswerField({ option, value, onChange }: Props) {
  const { label } = option;
  const text = typeof value === 'string' ? value : '';
  switch (option.kind) {
    case 'one':
    case 'swatch':
      return (
        <label className="flex flex-col gap-1">
          {label}
          <select className="field" value={text} onChange={(event) => onChange(event.target.value)}>
            <option value="">{LEFT}</option>
            {option.choices.map((choice) => (
              <option key={choice.value} value={choice.value}>
                {choice.label}
              </option>
            ))}
          </select>
        </label>
      );
    case 'many': {
      const chosen = typeof value === 'string' ? [value].filter(Boolean) : value;
      return (
        <fieldset className="flex flex-col gap-1">
          <legend>{label}</legend>
          {option.choices.map((choice) => (
            <label key={choice.value} className="flex items-center gap-2">
              <input
                type="checkbox"
                checked={chosen.includes(choice.value)}
                onChange={(event) =>
                  onChange(
                    event.target.checked ? [...chosen, choice.value] : chosen.filter((other) => other !== choice.value),
                  )
                }
              />
              {choice.label}
            </label>
          ))}
        </fieldset>
      );
    }
    case 'addOn':
      return (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={text === 'yes'}
            onChange={(event) => onChange(event.target.checked ? 'yes' : '')}
          />
          {label}
        </label>
      );
    case 'file':
      return <p className="help">{label}: a file is the shopper’s to give.</p>;
    case 'text':
    case 'number':
    case 'date':
      return (
        <label className="flex flex-col gap-1">
          {label}
          <input
            className="field"
            type={option.kind}
            placeholder={LEFT}
            maxLength={option.kind === 'text' ? option.most : undefined}
            defaultValue={text}
            onBlur={(event) => onChange(event.target.value.trim())}
          />
        </label>
      );
  }
}
