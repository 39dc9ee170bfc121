import type { OrdersOptions, OrdersPreview, PairsFound } from '~/contract/studio/finder';
import { basketsOf, find, type Found } from '~/core/finder';
import { ORDER_FIELDS } from '~/core/formats';
import { fail, ok, wordProblem, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { findPairs } from './find-pairs';
import type { OrdersRead } from '~/services/tables/understand-orders';

const TOLD = 50;

async function understand(app: App, bytes: Uint8Array, options: OrdersOptions): Promise<Result<OrdersRead>> {
  const known = await app.pairs.listNames();
  const slugs = new Map(known.flatMap(({ slug, name }) => [[name.toLowerCase(), slug] as const]));
  return app.reading.read({ kind: 'orders', bytes, columns: options.columns ?? null, slugs });
}

/** Understands a file of past orders; looks nothing through yet. */
export async function previewOrders(
  app: App,
  bytes: Uint8Array,
  options: OrdersOptions,
): Promise<Result<OrdersPreview>> {
  const understood = await understand(app, bytes, options);
  if (!understood.ok) return understood;
  const { table, columns, read } = understood.value;
  const missing = (['order', 'product'] as const)
    .filter((field) => !columns.includes(field))
    .map((field) => wordProblem({ code: 'csv-no-column', facts: { field: ORDER_FIELDS[field].label } }));
  return ok({
    headings: table.headings,
    columns,
    missing,
    rows: table.rows,
    sample: table.sample.map((cells) => cells.map((cell) => cell.slice(0, 200))),
    orders: read?.orders ?? 0,
    hasDays: read?.hasDays ?? false,
    unknown: read?.unknown.slice(0, TOLD) ?? [],
    unknownCount: read?.unknown.length ?? 0,
    problems: (read?.problems ?? [])
      .slice(0, TOLD)
      .map(({ row, code, value }) => ({ row, message: wordProblem({ code, facts: { value } }) })),
    problemCount: read?.problems.length ?? 0,
  });
}

/** Looks through the orders of a file for what goes together, alone or with the shop's own; done in slices like its own. */
export async function findInFile(
  app: App,
  bytes: Uint8Array,
  options: OrdersOptions,
): Promise<Result<{ work: Generator<number, Found>; show: (found: Found) => PairsFound }>> {
  const understood = await understand(app, bytes, options);
  if (!understood.ok) return understood;
  const { read } = understood.value;
  if (!read || read.rows.length === 0) return fail('file', 'orders-none');
  const { show } = await findPairs(app);
  // Basket numbers only need to be distinct.
  const own = options.withOwn
    ? (await app.pairs.listBaskets()).map((row) => ({ ...row, basket: row.basket + read.orders }))
    : [];
  return ok({ work: find(basketsOf([...read.rows, ...own])), show });
}
