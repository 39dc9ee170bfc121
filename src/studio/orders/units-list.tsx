import type { OrderLine } from '~/core/orders';
import { NumberField } from '~/studio/fields/number-field';

interface Props {
  readonly lines: readonly Pick<OrderLine, 'name' | 'choices'>[];
  /** The most of each line. */
  readonly most: readonly number[];
  readonly units: readonly number[];
  /** What is done with them, as a part of a label: “to refund”. */
  readonly what: string;
  readonly onChange: (units: readonly number[]) => void;
}

/** So many units of each line of an order. */
export function UnitsList({ lines, most, units, what, onChange }: Props) {
  return (
    <>
      {lines.map((line, i) => (
        <li key={i} className="flex items-center gap-3">
          <span className="me-auto">
            {line.name} {line.choices && <span className="text-gravel">{line.choices}</span>}
          </span>
          <NumberField
            label={`Units of ${line.name} ${what}`}
            value={units[i]!}
            min={0}
            max={most[i]!}
            className="w-20"
            onChange={(quantity) => onChange(units.map((old, j) => (j === i ? quantity : old)))}
          />
          <span className="w-16 text-gravel">of {most[i]}</span>
        </li>
      ))}
    </>
  );
}

/** Units by line, as they are asked for. */
export const chosenUnits = (units: readonly number[]) =>
  units.flatMap((quantity, line) => (quantity > 0 ? [{ line, quantity }] : []));
