import { COLUMN_ALIGNS, COLUMN_WIDTHS, USUAL_COLUMN, type Column, type Columns } from '~/core/lane';

interface Props {
  readonly value: Columns;
  readonly names: Readonly<Record<string, string>>;
  readonly labelId: string;
  readonly onChange: (value: Columns) => void;
}

/** How wide each column of a table is, and where what is in it stands. */
export function ColumnsControl({ value, names, labelId, onChange }: Props) {
  const put = (key: string, part: Partial<Column>) => {
    const next = { ...USUAL_COLUMN, ...value[key], ...part };
    const { [key]: _before, ...others } = value;
    onChange(next.width === 'usual' && next.align === 'usual' ? others : { ...others, [key]: next });
  };
  return (
    <table aria-labelledby={labelId} className="w-full text-[13px]">
      <thead>
        <tr className="text-start text-gravel">
          <th scope="col" className="text-start font-normal">
            Column
          </th>
          <th scope="col" className="text-start font-normal">
            Width
          </th>
          <th scope="col" className="text-start font-normal">
            Alignment
          </th>
        </tr>
      </thead>
      <tbody>
        {Object.entries(names).map(([key, name]) => {
          const column = value[key] ?? USUAL_COLUMN;
          return (
            <tr key={key}>
              <th scope="row" className="py-0.5 pe-2 text-start font-normal">
                {name}
              </th>
              <td className="py-0.5 pe-1">
                <Choice
                  label={`Width of ${name}`}
                  options={COLUMN_WIDTHS}
                  value={column.width}
                  onChange={(width) => put(key, { width })}
                />
              </td>
              <td className="py-0.5">
                <Choice
                  label={`Alignment of ${name}`}
                  options={COLUMN_ALIGNS}
                  value={column.align}
                  onChange={(align) => put(key, { align })}
                />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface ChoiceProps<Key extends string> {
  readonly label: string;
  readonly options: Readonly<Record<Key, string>>;
  readonly value: Key;
  readonly onChange: (value: Key) => void;
}

function Choice<Key extends string>({ label, options, value, onChange }: ChoiceProps<Key>) {
  return (
    <select
      className="field w-full px-1"
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value as Key)}
    >
      {(Object.entries(options) as [Key, string][]).map(([key, text]) => (
        <option key={key} value={key}>
          {text}
        </option>
      ))}
    </select>
  );
}
