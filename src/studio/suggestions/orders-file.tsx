import type { Asking } from '~/contract';
import type { OrdersPreview } from '~/contract/studio/finder';
import { useRef, useState } from 'react';
import { ORDER_FIELDS, type OrderField } from '~/core/formats';
import { ask } from '~/studio/data/api';
import { count, plural } from '~/studio/data/format';
import { MatchedColumns } from '~/studio/fields/matched-columns';
import { Tick } from '~/studio/fields/tick';

export type OrdersForm = Asking<'POST /api/studio/suggestions/orders'>['form'];

interface Props {
  readonly isBusy: boolean;
  readonly onFind: (form: OrdersForm) => void;
}

/** Orders that were made elsewhere, from a file: understood first, then looked through. */
export function OrdersFile({ isBusy, onFind }: Props) {
  const [file, setFile] = useState<File | null>(null);
  const [preview, setPreview] = useState<OrdersPreview | null>(null);
  /** As chosen, also while the answer is on its way. */
  const [columns, setColumns] = useState<readonly OrderField[]>([]);
  const [withOwn, setWithOwn] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const newest = useRef(0);
  async function look(chosen: File, wanted?: readonly OrderField[]): Promise<void> {
    const turn = (newest.current += 1);
    setFile(chosen);
    if (wanted) setColumns(wanted);
    try {
      const options = wanted ? { columns: wanted } : {};
      const seen = await ask('POST /api/studio/suggestions/orders', { form: { file: chosen, options } });
      if (turn !== newest.current) return;
      setPreview(seen);
      setColumns(seen.columns);
      setProblem(null);
    } catch (error) {
      if (turn !== newest.current) return;
      setPreview(null);
      setProblem((error as Error).message);
    }
  }
  return (
    <details className="max-w-[960px]">
      <summary className="font-semibold">From a file of orders made elsewhere</summary>
      <div className="mt-2 flex flex-col gap-3">
        <p className="help">
          A CSV file with a row for each product of each order: the number of the order, the product by SKU or name, and
          best its day. It is looked through and not kept.
        </p>
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          aria-label="Orders file"
          className="field self-start file:me-3 file:rounded-stone file:border-0 file:bg-slab file:px-3 file:py-1"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) void look(chosen);
          }}
        />
        {problem && (
          <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
            {problem}
          </p>
        )}
        {preview && file && (
          <>
            <MatchedColumns
              headings={preview.headings}
              columns={columns}
              fields={ORDER_FIELDS}
              sample={preview.sample}
              onChoose={(column, field) =>
                void look(
                  file,
                  columns.map((own, i) => (i === column ? field : own === field ? 'ignore' : own)),
                )
              }
            />
            {preview.missing.map((message) => (
              <p key={message} role="alert" className="border-s-4 border-brick ps-3 text-brick">
                {message}
              </p>
            ))}
            {preview.missing.length === 0 && (
              <p role="status">
                {plural(preview.orders, 'order', 'orders')} in {plural(preview.rows, 'row', 'rows')}.
                {!preview.hasDays &&
                  ' No column holds days, so what is only of a season cannot be told from what goes together.'}
              </p>
            )}
            {preview.unknownCount > 0 && (
              <details>
                <summary>
                  {preview.unknownCount === 1
                    ? '1 name is not in your catalogue and stays out'
                    : `${count(preview.unknownCount)} names are not in your catalogue and stay out`}
                </summary>
                <ul className="max-h-40 list-disc overflow-auto ps-5">
                  {preview.unknown.map(({ name, rows }) => (
                    <li key={name}>
                      {name} ({plural(rows, 'row', 'rows')})
                    </li>
                  ))}
                </ul>
              </details>
            )}
            {preview.problemCount > 0 && (
              <details>
                <summary>{plural(preview.problemCount, 'row', 'rows')} left out</summary>
                <ul className="max-h-40 overflow-auto">
                  {preview.problems.map(({ row, message }) => (
                    <li key={row}>
                      <strong>Row {row}</strong> {message}
                    </li>
                  ))}
                </ul>
              </details>
            )}
            <div className="flex flex-wrap items-center gap-4">
              <Tick label="Together with the orders of this shop" checked={withOwn} onChange={setWithOwn} />
              <button
                className="btn btn-go"
                disabled={isBusy || preview.orders === 0}
                onClick={() => {
                  onFind({ file, options: { columns, withOwn }, find: '1' });
                }}
              >
                Look through {plural(preview.orders, 'order', 'orders')}
              </button>
            </div>
          </>
        )}
      </div>
    </details>
  );
}
