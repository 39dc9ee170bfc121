import type { ProductView, BetterSold, KeepReview } from '~/contract/studio/products';
import type { BodyOf } from '~/contract';
import { checkRecord, recordChanges, uniqueSlug, type ProductRecord } from '~/core/catalogue';
import { fail, ok, type Result } from '~/core/problems';
import { dayIn } from '~/core/time';
import type { App } from '~/services/app';
import { leastPrice } from '~/core/pricing';
import { liveLane } from '~/services/lane/live-lane';
import { goodsOfProducts } from '~/services/offers/goods';
import { changingPrices } from '~/services/prices/record-shown';

const PRICES_SHOWN = 12;
const REVIEWS_SHOWN = 100;

export async function showProduct(app: App, slug: string): Promise<ProductView | null> {
  const stored = await app.catalogue.readRecord(slug);
  if (!stored) return null;
  const [prices, reviews, betterSold, cards] = await Promise.all([
    app.catalogue.listPrices(stored.id, PRICES_SHOWN),
    app.catalogue.listReviews(stored.id, REVIEWS_SHOWN),
    howSold(app, stored.record.better),
    app.catalogue.cardsOf([...stored.record.suggestions, ...(stored.record.better ? [stored.record.better] : [])]),
  ]);
  return { ...stored, prices, reviews, betterSold, suggested: cards.map(({ slug: of, name }) => ({ slug: of, name })) };
}

async function howSold(app: App, slug: string | null): Promise<BetterSold | null> {
  if (slug === null) return null;
  const [{ lane }, goods] = await Promise.all([liveLane(app), goodsOfProducts(app, [slug])]);
  if (goods.length === 0) return null;
  const least = goods.flatMap((good) => leastPrice(good, 1, lane.margins, lane.shop.tax) ?? []);
  return {
    slug,
    fromMinor: Math.min(...goods.map(({ priceMinor }) => priceMinor)),
    leastMinor: least.length > 0 ? Math.max(...least) : null,
  };
}

/**
 * Keeps what an owner made of a product that was at number `edit`; of a newer one it is refused as `stale-product`, and
 * nothing changes. The open shop has it at once, prices go into their history, and the audit trail says what changed.
 */
export async function saveProduct(
  app: App,
  slug: string,
  { edit, record }: BodyOf<'PUT /api/studio/products/[slug]'>,
  accountId: number,
): Promise<Result<ProductView>> {
  const save = () => keepRecord(app, slug, { edit, record }, accountId);
  const saved = await changingPrices(app, save, (kept) => (kept.ok ? [kept.value] : []));
  return saved.ok ? ok((await showProduct(app, slug))!) : saved;
}

/** Answers the number of the product. */
function keepRecord(
  app: App,
  slug: string,
  { edit, record }: BodyOf<'PUT /api/studio/products/[slug]'>,
  accountId: number,
): Promise<Result<number>> {
  return app.db.inTransaction(async (): Promise<Result<number>> => {
    const stored = await app.catalogue.readRecord(slug);
    if (!stored) return fail('', 'not-found');
    if (stored.edit !== edit) return fail('edit', 'stale-product');
    const ids = new Set(stored.record.variants.map((variant) => variant.id));
    // A variant that is gone, or another product's, is written as a new one.
    const own = {
      ...record,
      variants: record.variants.map((variant) => (ids.has(variant.id) ? variant : { ...variant, id: null })),
    };
    const problems = checkRecord(own);
    if (problems.length > 0) return { ok: false, problems };
    const [taken] = await app.catalogue.findTakenSkus(
      stored.id,
      own.variants.map((variant) => variant.sku),
    );
    if (taken !== undefined) {
      const row = own.variants.findIndex((variant) => variant.sku === taken);
      return fail(`variants.${row}.sku`, 'sku-taken', { row: row + 1, sku: taken });
    }
    const changes = recordChanges(stored.record, own);
    if (changes.length === 0) return ok(stored.id);
    await write(app, stored.id, own);
    await app.audit.write({ at: app.now(), accountId, action: 'edit-product', facts: { slug, changes } });
    return ok(stored.id);
  });
}

async function write(app: App, id: number, record: ProductRecord): Promise<void> {
  await app.catalogue.writeRecord(id, record, app.now());
  await app.catalogue.refreshFigures([id]);
  await app.catalogue.refreshSearch([id]);
}

/** Hides, shows or answers what a buyer said; stars of what is hidden do not count. The audit trail says so. */
export async function keepReview(app: App, slug: string, review: KeepReview, accountId: number): Promise<Result<null>> {
  return app.db.inTransaction(async () => {
    const stored = await app.catalogue.readRecord(slug);
    if (!stored || !(await app.catalogue.writeReview(stored.id, review.id, review))) return fail('', 'not-found');
    await app.audit.write({ at: app.now(), accountId, action: 'keep-review', facts: { slug, ...review } });
    return ok(null);
  });
}

/** Makes a product that is not shown yet; its owner fills it in and shows it. */
export async function createProduct(app: App, name: string, accountId: number): Promise<Result<{ slug: string }>> {
  const { lane } = await liveLane(app);
  return app.db.inTransaction(async () => {
    const { products } = await app.catalogue.listSlugs();
    const slug = uniqueSlug(name, products);
    const id = await app.catalogue.insertProduct(slug, name, dayIn(lane.shop.timeZone, app.now()));
    const stored = (await app.catalogue.readRecord(slug))!;
    const first = { id: null, sku: `${slug}-1`, choices: {}, priceMinor: 0, wasMinor: null, costMinor: null };
    const variant = { ...first, stock: null, weightGrams: 0, picture: null };
    await write(app, id, { ...stored.record, isShown: false, variants: [variant] });
    await app.audit.write({ at: app.now(), accountId, action: 'new-product', facts: { slug } });
    return ok({ slug });
  });
}

/** Takes a product out of the catalogue. Orders keep their lines. */
export async function removeProduct(app: App, slug: string, accountId: number): Promise<Result<{ slug: string }>> {
  return app.db.inTransaction(async () => {
    const stored = await app.catalogue.readRecord(slug);
    if (!stored) return fail('', 'not-found');
    await app.catalogue.deleteProduct(stored.id);
    await app.audit.write({
      at: app.now(),
      accountId,
      action: 'remove-product',
      facts: { slug, record: stored.record },
    });
    return ok({ slug });
  });
}
