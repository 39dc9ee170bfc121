import type { AskedBulk, BulkResult, BulkRow } from '~/contract/studio/bulk';
import { changedPrice, type BulkChange, type BulkSummary } from '~/core/catalogue';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { queryOf } from './list-products';
import { liveLane } from '~/services/lane/live-lane';
import { changingPrices } from '~/services/prices/record-shown';

const MOST_PRODUCTS = 20_000;
const ROWS_SHOWN = 200;

type Change = readonly [id: number, from: number, to: number];

/** Says what a change would do to all products a search finds; with `apply`, does it. */
export async function changeMany(
  app: App,
  { list, slugs, change, apply }: AskedBulk,
  accountId: number,
): Promise<Result<BulkResult>> {
  const plan = async () => {
    const query = await queryOf(app, list, slugs);
    const ids = await app.catalogue.listIdsForOwner({ ...query, page: 1, pageSize: MOST_PRODUCTS });
    return planRows(app, ids, change);
  };
  const view = ({ rows, withoutPrice }: Plan, id: number | null, hidesAll = false): BulkResult => ({
    hidesAll,
    withoutPrice,
    rows: rows.slice(0, ROWS_SHOWN).map(({ name, sku, from, to }) => ({ name, sku, from, to })),
    count: rows.length,
    products: new Set(rows.map((row) => row.productId)).size,
    id,
  });
  if (!apply) {
    const planned = await plan();
    const hides = change.kind === 'shown' && !change.on && planned.rows.length > 0;
    return ok(view(planned, null, hides && planned.rows.length === (await app.catalogue.countProducts({}))));
  }
  const touched: number[] = [];
  const write = () =>
    app.db.inTransaction(async (): Promise<Result<BulkResult>> => {
      const planned = await plan();
      const { rows } = planned;
      if (rows.length === 0) return fail('', 'bulk-nothing');
      touched.push(...new Set(rows.map((row) => row.productId)));
      const before = rows.map((row) => row.change);
      const id = await app.catalogue.insertBulk({ at: app.now(), what: change, before }, accountId);
      await writeRows(app, change, before);
      await app.audit.write({
        at: app.now(),
        accountId,
        action: 'change-many',
        facts: { bulk: id, change, rows: rows.length },
      });
      return ok(view(planned, id));
    });
  const done = await changingPrices(app, write, () => touched);
  await searchAgain(app, change, touched);
  return done;
}

/** Words of many products, in slices and outside of the transaction: carts change meanwhile. Prices are no words. */
async function searchAgain(app: App, change: BulkChange, productIds: readonly number[]): Promise<void> {
  if (change.kind !== 'price') await app.catalogue.refreshSearch(productIds);
}

interface Plan {
  readonly rows: readonly (BulkRow & { change: Change; productId: number })[];
  readonly withoutPrice: number;
}

async function planRows(app: App, ids: readonly number[], change: BulkChange): Promise<Plan> {
  if (change.kind === 'price') {
    const { exponent } = (await liveLane(app)).currency;
    const rows = (await app.catalogue.listPriced(ids)).flatMap(({ id, productId, name, sku, priceMinor }) => {
      const to = changedPrice(priceMinor, change.percent, change.endMinor, exponent);
      return to === priceMinor
        ? []
        : [{ name, sku, from: priceMinor, to, productId, change: [id, priceMinor, to] as const }];
    });
    const priced = rows.filter(({ to }) => to > 0);
    return { rows: priced, withoutPrice: rows.length - priced.length };
  }
  const tag = change.kind === 'tag' ? change.tag : '';
  const marked = (await app.catalogue.listMarked(ids, tag)).flatMap(({ id, name, isShown, hasTag, needsPrice }) => {
    const [from, to] = [change.kind === 'tag' ? hasTag : isShown, change.on ? 1 : 0];
    const row = { name, sku: null, from, to, productId: id, change: [id, from, to] as const };
    return from === to ? [] : [{ row, isKeptBack: change.kind === 'shown' && change.on && needsPrice === 1 }];
  });
  const rows = marked.flatMap(({ row, isKeptBack }) => (isKeptBack ? [] : [row]));
  return { rows, withoutPrice: marked.length - rows.length };
}

/** Answers the ids of the products. */
async function writeRows(app: App, change: BulkChange, rows: readonly Change[]): Promise<readonly number[]> {
  const { catalogue } = app;
  const ids =
    change.kind === 'price'
      ? await catalogue.writePrices(rows, app.now())
      : change.kind === 'tag'
        ? await catalogue.writeTag(change.tag, rows)
        : await catalogue.writeShown(rows);
  await catalogue.refreshFigures(ids);
  return ids;
}

const MOST_LISTED = 20;

/** The last changes of many products, newest first. */
export function listBulks(app: App): Promise<BulkSummary[]> {
  return app.catalogue.listBulks(MOST_LISTED);
}

/** Undoes a bulk change; whatever was changed again since then stays. */
export async function undoMany(app: App, id: number, accountId: number): Promise<Result<{ id: number }>> {
  const stored = await app.catalogue.readBulk(id);
  let touched: readonly number[] = [];
  const write = () =>
    app.db.inTransaction(async (): Promise<Result<{ id: number }>> => {
      const now = await app.catalogue.readBulk(id);
      if (!stored || !now || now.undoneAt !== null) return fail('', 'not-found');
      touched = await writeRows(
        app,
        stored.what,
        stored.before.map(([row, from, to]) => [row, to, from] as const),
      );
      await app.catalogue.markUndone(id, app.now());
      await app.audit.write({ at: app.now(), accountId, action: 'undo-many', facts: { bulk: id } });
      return ok({ id });
    });
  const undone = await changingPrices(app, write, () => touched);
  if (undone.ok && stored)
    await searchAgain(
      app,
      stored.what,
      stored.before.map(([row]) => row),
    );
  return undone;
}
