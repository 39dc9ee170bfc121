import {
  findDecimalMark,
  leftOut,
  matchColumns,
  missingColumns,
  planImport,
  readCatalogueRows,
  type ColumnField,
  type FoundMark,
  type ImportPlan,
  type KnownSku,
  type LeftOut,
} from '~/core/formats';
import type { DecimalMark } from '~/core/money';
import { ok, type Result } from '~/core/problems';
import { readTable, type Table } from './read-table';

const MOST_ROWS = 25_000;
const SAMPLE_ROWS = 3;
/** At most so many problems are listed; all are counted. */
const MOST_TOLD = 200;

/** A table without its rows. */
export interface TableHead extends Omit<Table, 'rows'> {
  readonly sample: readonly (readonly string[])[];
  readonly rows: number;
}

export const headOf = ({ rows, ...table }: Table, sampled: number): TableHead => ({
  ...table,
  sample: rows.slice(0, sampled).map(({ cells }) => cells),
  rows: rows.length,
});

export interface CatalogueTask {
  readonly kind: 'catalogue';
  readonly bytes: Uint8Array;
  /** What each column holds; null: as its heading says. */
  readonly columns: readonly ColumnField[] | null;
  /** How prices are written; null: taken from the prices that can be read in only one way. */
  readonly mark: DecimalMark | null;
  /** Decimals of the currency. */
  readonly exponent: number;
  readonly known: ReadonlyMap<string, KnownSku>;
}

/** A catalogue file as far as it is understood. There is no plan while columns or the way prices are written are unclear. */
export interface CatalogueRead {
  readonly table: TableHead;
  readonly columns: readonly ColumnField[];
  readonly missing: readonly ColumnField[];
  /** Rows that are not imported, and why. */
  readonly left: LeftOut;
  readonly unclear: Extract<FoundMark, { mark: null }> | null;
  readonly plan: ImportPlan | null;
}

/** Understands a catalogue file, in time that grows with its length. Only for the thread that reads tables. */
export function understandCatalogue(task: CatalogueTask): Result<CatalogueRead> {
  const { exponent, known } = task;
  const read = readTable(task.bytes, { mostRows: MOST_ROWS });
  if (!read.ok) return read;
  const { headings, rows } = read.value;
  const matched = task.columns ?? matchColumns(headings);
  const columns = headings.map((_, i) => matched[i] ?? 'ignore');
  const missing = missingColumns(columns);
  const left = leftOut(headings, columns, rows);
  const without = { table: headOf(read.value, SAMPLE_ROWS), columns, missing, left, unclear: null, plan: null };
  if (missing.length > 0) return ok(without);
  const found = task.mark ? { mark: task.mark } : findDecimalMark(rows, { columns, exponent });
  if (found.mark === null) return ok({ ...without, unclear: found });
  const { products, problems } = readCatalogueRows(rows, { headings, columns, sums: { exponent, mark: found.mark } });
  const plan = planImport(products, problems, known);
  return ok({ ...without, plan: { ...plan, problems: plan.problems.slice(0, MOST_TOLD) } });
}
