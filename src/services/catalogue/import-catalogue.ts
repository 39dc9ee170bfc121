import type { ImportPreview, ImportOptions, ImportChange } from '~/contract/studio/imports';
import { randomUUID } from 'node:crypto';
import { uniqueSlug } from '~/core/catalogue';
import {
  COLUMN_FIELDS,
  planImport,
  type ColumnField,
  type ImportPlan,
  type RowProblem,
  type ImportRecord,
} from '~/core/formats';
import { formatMoney } from '~/core/money';
import { fail, ok, wordProblem, type Problem, type Result } from '~/core/problems';
import { dayIn } from '~/core/time';
import type { KnownFacts, ImportedProduct } from '~/data';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { changingPrices } from '~/services/prices/record-shown';
import type { CatalogueRead } from '~/services/tables/understand-catalogue';

const PREVIEWED_PRODUCTS = 50;
const PREVIEWED_CHANGES = 100;
/** Variants looked at for what would be different. */
const MOST_COMPARED = 5000;

interface Prepared {
  readonly preview: ImportPreview;
  readonly plan: ImportPlan | null;
  /** What keeps the whole file from being read; then there is no plan. */
  readonly problems: readonly Problem[];
}

/** Understands a file and says what it would do; writes nothing. */
export async function previewImport(
  app: App,
  bytes: Uint8Array,
  options: ImportOptions,
): Promise<Result<ImportPreview>> {
  const prepared = await prepare(app, bytes, options);
  if (!prepared.ok) return prepared;
  const { preview, plan } = prepared.value;
  const changes = plan ? await changesOf(app, plan) : [];
  const free = plan ? await countFree(app, plan) : 0;
  return ok({ ...preview, free, changes: changes.slice(0, PREVIEWED_CHANGES), changeCount: changes.length });
}

const costsNothing = ({ variants }: ImportPlan['products'][number]) =>
  variants.some(({ priceMinor }) => priceMinor === 0);

async function countFree(app: App, { products }: ImportPlan): Promise<number> {
  const found = products.filter(costsNothing);
  const meant = await app.imports.findFree(found.flatMap(({ productId }) => productId ?? []));
  return found.filter(({ productId }) => productId === null || !meant.has(productId)).length;
}

/** Old and new of everything a plan would change; what a file does not say stays. */
async function changesOf(app: App, plan: ImportPlan): Promise<ImportChange[]> {
  const changed = plan.products.filter((product) => product.productId !== null);
  const variants = changed
    .flatMap((product) => product.variants.map((variant, i) => ({ product, variant, isFirst: i === 0 })))
    .slice(0, MOST_COMPARED);
  const known = await app.imports.findFacts(variants.map(({ variant }) => variant.sku));
  return variants.flatMap(({ product, variant, isFirst }) => {
    const before = known.get(variant.sku);
    if (!before) return [];
    const { name, brand, shortText, fullText } = product;
    const { priceMinor, wasMinor, costMinor, stock, weightGrams } = variant;
    // A product is listed once, with its first variant. A weight of 0 counts as none.
    const after: Partial<Record<keyof KnownFacts, string | number | null>> = {
      ...(isFirst && { name, brand, shortText, fullText }),
      priceMinor,
      wasMinor,
      costMinor,
      stock,
      weightGrams: weightGrams || null,
    };
    return Object.entries(after).flatMap(([key, to]): ImportChange[] => {
      const field = key as keyof KnownFacts;
      const from = before[field];
      return to === null || to === undefined || to === from ? [] : [{ name, sku: variant.sku, field, from, to }];
    });
  });
}

async function prepare(app: App, bytes: Uint8Array, options: ImportOptions): Promise<Result<Prepared>> {
  const { currency, lane } = await liveLane(app);
  const understood = await app.reading.read({
    kind: 'catalogue',
    bytes,
    columns: options.columns ?? null,
    exponent: currency.exponent,
    mark: options.decimalMark === 'found' ? null : options.decimalMark,
    known: await app.imports.knownSkus(),
  });
  if (!understood.ok) return understood;
  const { missing, unclear, plan } = understood.value;
  const problems = missing.map(columnProblem);
  if (unclear) {
    const money = (amount: number) => formatMoney(amount, currency, lane.shop.locale);
    const facts = { value: unclear.text, point: money(unclear.point), comma: money(unclear.comma) };
    problems.push({ path: 'decimalMark', code: 'csv-mark', facts });
  }
  return ok({ preview: toPreview(understood.value, problems), plan, problems });
}

function toPreview({ table, columns, left, plan }: CatalogueRead, problems: readonly Problem[]): ImportPreview {
  return {
    ...table,
    columns,
    left,
    columnProblems: problems.map((problem) => wordProblem(problem)),
    counts: {
      productsCreated: plan?.productsCreated ?? 0,
      productsChanged: plan?.productsChanged ?? 0,
      variantsCreated: plan?.variantsCreated ?? 0,
      variantsChanged: plan?.variantsChanged ?? 0,
      rowsRefused: plan?.rowsRefused ?? 0,
    },
    problems: (plan?.problems ?? []).map((problem) => ({ row: problem.row, message: wordProblem(problem) })),
    products: (plan?.products ?? []).slice(0, PREVIEWED_PRODUCTS).map((product) => ({
      name: product.name,
      isNew: product.productId === null,
      variants: product.variants.length,
      rows: product.rows,
    })),
    changes: [],
    free: 0,
    changeCount: 0,
  };
}

/** Variants written at once; cart changes get their turn in between. */
const SLICE_VARIANTS = 120;
/** An import without a sign of life for so long has died with its process. */
const DEAD_AFTER_MS = 60_000;
export const STOPPED = 'It was stopped before it was done. What was written stays; import the file again to finish.';

type Hear = (written: number, total: number) => void;

interface RunningImport {
  readonly id: string;
  /** Who imports; null: the command line. */
  readonly accountId: number | null;
  readonly onProgress: Hear;
}

/**
 * Imports a file, one import at a time, in slices that are planned and written in a transaction each: what is known of an
 * SKU is known at the moment it is written, and carts change meanwhile. One that is stopped leaves whole products, and the
 * same file again finishes it: everything is found by its SKU. `onProgress` hears the number of products written.
 */
export async function importCatalogue(
  app: App,
  bytes: Uint8Array,
  options: ImportOptions,
  { accountId = null, onProgress = () => undefined }: Partial<Omit<RunningImport, 'id'>> = {},
): Promise<Result<ImportPreview>> {
  const id = randomUUID();
  if (!(await beginImport(app, id, accountId))) return refuseSecond(app);
  return runImport(app, bytes, options, { id, accountId, onProgress });
}

export function beginImport(app: App, id: string, accountId: number | null): Promise<boolean> {
  return app.imports.begin({ id, at: app.now(), accountId, deadBefore: app.now() - DEAD_AFTER_MS });
}

export async function refuseSecond(app: App): Promise<ReturnType<typeof fail>> {
  const running = await app.imports.findLatest();
  return fail('file', 'import-running', { written: running?.written ?? 0, total: running?.total ?? 0 });
}

export async function runImport(
  app: App,
  bytes: Uint8Array,
  options: ImportOptions,
  { id, accountId, onProgress }: RunningImport,
): Promise<Result<ImportPreview>> {
  const end = (state: ImportRecord['state'], message: string | null) =>
    app.imports.note(id, app.now(), { state, message });
  const refuse = async (problems: readonly Problem[]): Promise<Result<ImportPreview>> => {
    const words = problems.slice(0, 3).map((problem) => `${problem.path}: ${wordProblem(problem)}`);
    await end('failed', words.join(' '));
    return { ok: false, problems };
  };
  try {
    const prepared = await prepare(app, bytes, options);
    if (!prepared.ok) return await refuse(prepared.problems);
    const { plan, preview } = prepared.value;
    if (!plan) return await refuse(prepared.value.problems);
    if (options.allOrNothing && plan.rowsRefused > 0) return await refuse(plan.problems.map(rowProblem));
    const late = await writeSlices(app, plan, { id, isFree: options.isFree, onProgress });
    if (late === 'stopped') {
      await end('stopped', STOPPED);
      return fail('file', 'import-stopped');
    }
    await app.audit.write({ at: app.now(), accountId, action: 'import-catalogue', facts: preview.counts });
    await end('done', late.length > 0 ? late.map((problem) => wordProblem(problem)).join(' ') : null);
    app.log.info({ ...preview.counts }, 'catalogue imported');
    return ok(preview);
  } catch (error) {
    await end('failed', 'Something went wrong on our side. What was written stays; import the file again to finish.');
    throw error;
  }
}

/** Writes what was planned, a slice after the other; answers what was refused on the way because the catalogue had changed. */
async function writeSlices(
  app: App,
  plan: ImportPlan,
  { id, isFree, onProgress }: { readonly id: string; readonly isFree: boolean; readonly onProgress: Hear },
): Promise<RowProblem[] | 'stopped'> {
  const { lane } = await liveLane(app);
  const createdDay = dayIn(lane.shop.timeZone, app.now());
  const slugs = new Set<string>();
  const late: RowProblem[] = [];
  let [last, written] = [0, 0];
  const total = plan.products.length;
  for (const slice of slicesOf(plan.products)) {
    if (app.stopping.signal.aborted) return 'stopped';
    const write = () =>
      app.db.inTransaction(async () => {
        for (const made of await app.imports.listSlugsAfter(last)) {
          slugs.add(made.slug);
          last = made.id;
        }
        const skus = slice.flatMap((product) => product.variants.map((variant) => variant.sku));
        const now = planImport(slice, [], await app.imports.findSkus(skus));
        late.push(...now.problems);
        const products = now.products.map((product): ImportedProduct => ({
          ...product,
          createdDay,
          slug: product.productId === null ? uniqueSlug(product.name, slugs) : '',
        }));
        const ids = await app.imports.writeProducts(products, app.now());
        await app.imports.keepFree(ids, isFree);
        await app.catalogue.refreshFigures(ids);
        await app.catalogue.refreshSearch(ids);
        written += slice.length;
        await app.imports.note(id, app.now(), { written, total });
        return ids;
      });
    await changingPrices(app, write, (ids) => ids);
    onProgress(written, total);
    await new Promise((resolve) => setImmediate(resolve));
  }
  return late;
}

/** Whole products, together of about so many variants. */
function* slicesOf<Product extends { readonly variants: readonly unknown[] }>(
  products: readonly Product[],
): Generator<Product[]> {
  let slice: Product[] = [];
  let variants = 0;
  for (const product of products) {
    slice.push(product);
    variants += product.variants.length;
    if (variants < SLICE_VARIANTS) continue;
    yield slice;
    [slice, variants] = [[], 0];
  }
  if (slice.length > 0) yield slice;
}

function columnProblem(field: ColumnField): Problem {
  return { path: 'columns', code: 'csv-no-column', facts: { field: COLUMN_FIELDS[field].label } };
}

function rowProblem({ row, code, facts }: RowProblem): Problem {
  return { path: `row ${row}`, code, facts };
}
