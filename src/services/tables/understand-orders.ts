import { matchOrderColumns, readOrderRows, type OrderField, type OrderRowsRead } from '~/core/formats';
import { ok, type Result } from '~/core/problems';
import { readTable } from './read-table';
import { headOf, type TableHead } from './understand-catalogue';

const MOST_ROWS = 250_000;
const SAMPLE_ROWS = 5;

export interface OrdersTask {
  readonly kind: 'orders';
  readonly bytes: Uint8Array;
  /** What each column holds; null: as its heading says. */
  readonly columns: readonly OrderField[] | null;
  /** Of products, by their SKUs and names in small letters. */
  readonly slugs: ReadonlyMap<string, string>;
}

export interface OrdersRead {
  readonly table: TableHead;
  readonly columns: readonly OrderField[];
  /** Null where no column names orders, or none products. */
  readonly read: OrderRowsRead | null;
}

/** Understands a file of past orders, in time that grows with its length. Only for the thread that reads tables. */
export function understandOrders(task: OrdersTask): Result<OrdersRead> {
  const found = readTable(task.bytes, { mostRows: MOST_ROWS });
  if (!found.ok) return found;
  const { headings, rows } = found.value;
  const matched = task.columns ?? matchOrderColumns(headings);
  const columns = headings.map((_, i) => matched[i] ?? 'ignore');
  const isReadable = columns.includes('order') && columns.includes('product');
  const read = isReadable ? readOrderRows(rows, columns, (name) => task.slugs.get(name)) : null;
  return ok({ table: headOf(found.value, SAMPLE_ROWS), columns, read });
}
