interface Props<Field extends string> {
  readonly headings: readonly string[];
  readonly columns: readonly Field[];
  /** What a column can hold. */
  readonly fields: Readonly<Record<Field, { readonly label: string }>>;
  readonly sample: readonly (readonly string[])[];
  readonly onChoose: (column: number, field: Field) => void;
}

/** The columns of a file with what each holds, and its first rows. */
export function MatchedColumns<Field extends string>({ headings, columns, fields, sample, onChoose }: Props<Field>) {
  return (
    <div className="panel overflow-x-auto">
      <table className="tbl">
        <thead>
          <tr>
            {headings.map((heading, i) => (
              <th key={i} className="min-w-36">
                <span className="block truncate text-basalt">{heading || `Column ${i + 1}`}</span>
                <select
                  className="field mt-1 w-full"
                  aria-label={`Column ${heading || i + 1} holds`}
                  value={columns[i]}
                  onChange={(event) => onChoose(i, event.target.value as Field)}
                >
                  {(Object.entries(fields) as [Field, { label: string }][]).map(([key, { label }]) => (
                    <option key={key} value={key}>
                      {label}
                    </option>
                  ))}
                </select>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sample.map((cells, i) => (
            <tr key={i}>
              {headings.map((_, j) => (
                <td key={j}>
                  <span className="line-clamp-2 text-gravel">{cells[j]}</span>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
