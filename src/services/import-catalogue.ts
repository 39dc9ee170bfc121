import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { uniqueSlug } from '~/core/catalogue';
import {
  COLUMN_FIELDS,
  matchColumns,
  missingColumns,
  planImport,
  readCatalogueRows,
  type ColumnField,
  type ImportPlan,
} from '~/core/formats';
import { fail, ok, wordProblem, type Problem, type Result } from '~/core/problems';
import { dayIn } from '~/core/time';
import type { ImportedProduct } from '~/data';
import type { App } from './app';
import { liveLane } from './live-lane';
import { readTable, type Table } from './read-table';

const FIELDS = Object.keys(COLUMN_FIELDS) as [ColumnField, ...ColumnField[]];

export const importOptionsSchema = z.strictObject({
  /** What each column holds; without it, matched by the headings. */
  columns: z.array(z.enum(FIELDS)).max(200).optional(),
  decimalMark: z.enum(['comma', 'point']).default('point'),
  /** Write nothing when anything is refused. */
  allOrNothing: z.boolean().default(false),
});
export type ImportOptions = z.infer<typeof importOptionsSchema>;

const PREVIEWED_PROBLEMS = 200;
const PREVIEWED_PRODUCTS = 50;

/** What the owner sees before deciding: how the file was understood and what it would do. */
export interface ImportPreview {
  readonly encoding: string;
  readonly delimiter: string;
  readonly headings: readonly string[];
  readonly columns: readonly ColumnField[];
  readonly sample: readonly (readonly string[])[];
  readonly rows: number;
  /** Problems with the columns; while there are any, there is no plan. */
  readonly columnProblems: readonly string[];
  readonly counts: Pick<
    ImportPlan,
    'productsCreated' | 'productsChanged' | 'variantsCreated' | 'variantsChanged' | 'rowsRefused'
  >;
  readonly problems: readonly { readonly row: number; readonly message: string }[];
  readonly products: readonly {
    readonly name: string;
    readonly isNew: boolean;
    readonly variants: number;
    readonly rows: readonly number[];
  }[];
}

export interface ImportProgress {
  readonly state: 'running' | 'done' | 'failed';
  readonly written: number;
  readonly total: number;
  readonly message: string | null;
}

interface Prepared {
  readonly preview: ImportPreview;
  readonly plan: ImportPlan | null;
}

/** Understands a file and says what it would do; writes nothing. */
export async function previewImport(
  app: App,
  bytes: Uint8Array,
  options: ImportOptions,
): Promise<Result<ImportPreview>> {
  const prepared = await prepare(app, bytes, options);
  return prepared.ok ? ok(prepared.value.preview) : prepared;
}

async function prepare(app: App, bytes: Uint8Array, options: ImportOptions): Promise<Result<Prepared>> {
  const table = await readTable(bytes);
  if (!table.ok) return table;
  const { headings, rows } = table.value;
  const columns = headings.map((_, i) => (options.columns ?? matchColumns(headings))[i] ?? 'ignore');
  const missing = missingColumns(columns);
  if (missing.length > 0) return ok({ preview: toPreview(table.value, columns, null, missing), plan: null });
  const { currency } = await liveLane(app);
  const read = readCatalogueRows(rows, {
    headings,
    columns,
    decimalMark: options.decimalMark,
    exponent: currency.exponent,
  });
  const plan = planImport(read.products, read.problems, await app.imports.knownSkus());
  return ok({ preview: toPreview(table.value, columns, plan, []), plan });
}

function toPreview(
  table: Table,
  columns: readonly ColumnField[],
  plan: ImportPlan | null,
  missing: readonly ColumnField[],
): ImportPreview {
  return {
    encoding: table.encoding,
    delimiter: table.delimiter,
    headings: table.headings,
    columns,
    sample: table.rows.slice(0, 3).map((row) => row.cells),
    rows: table.rows.length,
    columnProblems: missing.map((field) =>
      wordProblem({ code: 'csv-no-column', facts: { field: COLUMN_FIELDS[field].label } }),
    ),
    counts: {
      productsCreated: plan?.productsCreated ?? 0,
      productsChanged: plan?.productsChanged ?? 0,
      variantsCreated: plan?.variantsCreated ?? 0,
      variantsChanged: plan?.variantsChanged ?? 0,
      rowsRefused: plan?.rowsRefused ?? 0,
    },
    problems: (plan?.problems ?? [])
      .slice(0, PREVIEWED_PROBLEMS)
      .map((problem) => ({ row: problem.row, message: wordProblem(problem) })),
    products: (plan?.products ?? []).slice(0, PREVIEWED_PRODUCTS).map((product) => ({
      name: product.name,
      isNew: product.productId === null,
      variants: product.variants.length,
      rows: product.rows,
    })),
  };
}

const BATCH = 250;

/**
 * Imports a file in one transaction: a crash leaves the catalogue as it was. `onProgress` hears the number of products
 * written; between batches other requests are served.
 */
export async function importCatalogue(
  app: App,
  bytes: Uint8Array,
  options: ImportOptions,
  accountId: number | null,
  onProgress: (written: number, total: number) => void = () => undefined,
): Promise<Result<ImportPreview>> {
  const prepared = await prepare(app, bytes, options);
  if (!prepared.ok) return prepared;
  const { plan, preview } = prepared.value;
  if (!plan)
    return {
      ok: false,
      problems: missingColumns(preview.columns).map((field): Problem => ({
        path: 'columns',
        code: 'csv-no-column',
        facts: { field: COLUMN_FIELDS[field].label },
      })),
    };
  if (options.allOrNothing && plan.rowsRefused > 0) {
    return {
      ok: false,
      problems: plan.problems.map((problem) => ({
        path: `row ${problem.row}`,
        code: problem.code,
        facts: problem.facts,
      })),
    };
  }
  const { lane } = await liveLane(app);
  const createdDay = dayIn(lane.shop.timeZone, app.now());
  await app.db.inTransaction(async () => {
    const slugs = (await app.catalogue.listSlugs()).products;
    const products = plan.products.map((product): ImportedProduct => ({
      ...product,
      createdDay,
      slug: product.productId === null ? uniqueSlug(product.name, slugs) : '',
    }));
    for (let i = 0; i < products.length; i += BATCH) {
      await app.imports.writeProducts(products.slice(i, i + BATCH), app.now());
      onProgress(Math.min(i + BATCH, products.length), products.length);
      await new Promise((resolve) => setImmediate(resolve));
    }
    await app.catalogue.refreshFigures();
    await app.accounts.writeAudit({ at: app.now(), accountId, action: 'import-catalogue', facts: preview.counts });
  });
  app.log.info({ ...preview.counts }, 'catalogue imported');
  return ok(preview);
}

const jobs = new Map<string, ImportProgress>();

/** Starts an import that goes on after the answer; ask `importProgress` how far it is. */
export function startImport(app: App, bytes: Uint8Array, options: ImportOptions, accountId: number): string {
  const id = randomUUID();
  let progress: ImportProgress = { state: 'running', written: 0, total: 0, message: null };
  const set = (change: Partial<ImportProgress>) => jobs.set(id, (progress = { ...progress, ...change }));
  set({});
  if (jobs.size > 20) jobs.delete(jobs.keys().next().value!);
  importCatalogue(app, bytes, options, accountId, (written, total) => set({ written, total })).then(
    (result) =>
      set(
        result.ok
          ? { state: 'done' }
          : {
              state: 'failed',
              message: result.problems
                .slice(0, 3)
                .map((problem) => `${problem.path}: ${wordProblem(problem)}`)
                .join(' '),
            },
      ),
    (error: unknown) => {
      app.log.error({ err: error }, 'import failed');
      set({ state: 'failed', message: 'The import stopped and nothing was changed. Please try again.' });
    },
  );
  return id;
}

export function importProgress(id: string): Result<ImportProgress> {
  const progress = jobs.get(id);
  return progress ? ok(progress) : fail('id', 'not-found');
}
