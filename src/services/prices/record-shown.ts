import { readLane, type Lane } from '~/core/lane';
import {
  lowestShownBefore,
  offerMoments,
  offersOf,
  priceCart,
  shownOffers,
  type PricedOffer,
  type ShownPrice,
} from '~/core/pricing';
import type { ShownChange, ShownGood } from '~/data';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { circumstancesOf, UNKNOWN_BUYER } from '~/services/offers/circumstances';
import { liveLane } from '~/services/lane/live-lane';

/** Variants handled at once; waiting writers get their turn in between. */
const AT_ONCE = 400;
/** How far back prices are recorded at first: thirty days before the longest reductions. */
const TOLD_BACK_MS = 180 * 86_400_000;

type Used = Parameters<typeof priceCart>[0]['used'];

/** What is shown for one of a variant at a moment, by some offers of a lane. */
function shownAt(
  { sku, slug, categories, tags }: ShownGood,
  listMinor: number,
  { offers, at, used }: { readonly offers: readonly PricedOffer[]; readonly at: number; readonly used: Used },
): ShownPrice {
  const { lines, taken } = priceCart({
    lines: [
      {
        id: 'shown',
        product: slug,
        variant: sku,
        categories: categories as string[],
        tags: tags as string[],
        quantity: 1,
        unitMinor: listMinor,
        unitOptionsMinor: 0,
        onceOptionsMinor: 0,
        taxBasisPoints: null,
      },
    ],
    offers: offers as PricedOffer[],
    codes: [],
    at: new Date(at).toISOString(),
    today: null,
    shopper: 'new',
    country: null,
    source: null,
    birthday: null,
    used,
    deliveryMinor: null,
    deliveryMethod: null,
    tax: { basisPoints: 0, included: true },
  });
  return { at, priceMinor: lines[0]!, listMinor, by: Object.keys(taken).sort().join(',') };
}

/** A lane that was live from a moment on. */
interface Reign {
  readonly from: number;
  readonly lane: Pick<Lane, 'offers' | 'shop'>;
}

const isNews = (last: Pick<ShownPrice, 'priceMinor' | 'by'> | null, now: ShownPrice) =>
  last === null || last.priceMinor !== now.priceMinor || last.by !== now.by;

const offersAt = ({ lane }: Reign, at: number) =>
  shownOffers(offersOf(lane.offers), { at, severalCodes: lane.shop.severalCodes });

/** The shown prices of a variant without a history yet: from its own prices, the lanes and the clock. */
function replay(
  good: ShownGood,
  prices: readonly { readonly at: number; readonly priceMinor: number }[],
  reigns: readonly Reign[],
  moments: readonly number[],
): ShownPrice[] {
  const told: ShownPrice[] = [];
  for (const at of [...new Set([...prices.map((price) => price.at), ...moments])].sort((a, b) => a - b)) {
    const price = prices.findLast((one) => one.at <= at);
    if (!price) continue;
    const reign = reigns.findLast(({ from }) => from <= at);
    const now = shownAt(good, price.priceMinor, { offers: reign ? offersAt(reign, at) : [], at, used: {} });
    if (isNews(told.at(-1) ?? null, now)) told.push(now);
  }
  return told;
}

/** The lanes published since the history begins. */
async function listReigns(app: App, since: number): Promise<Reign[]> {
  const reigns: Reign[] = [];
  for (const { id, publishedAt } of await app.lanes.listRevisions()) {
    const read = readLane((await app.lanes.readRevision(id))?.document, definitions);
    if (read.ok) reigns.unshift({ from: publishedAt, lane: read.value });
    if (publishedAt <= since) break;
  }
  return reigns;
}

/** Records the prices shown since the history begins. */
async function tellAll(app: App, now: number): Promise<void> {
  const since = now - TOLD_BACK_MS;
  const reigns = await listReigns(app, since);
  const moments = reigns.flatMap(({ from, lane }, i) => [
    from,
    ...offerMoments(offersOf(lane.offers), from, (reigns[i + 1]?.from ?? now + 1) - 1),
  ]);
  await eachGood(app, null, async (goods) => {
    const prices = await app.shownPrices.listListPrices(
      goods.map(({ variantId }) => variantId),
      since,
    );
    return goods.flatMap((good) => {
      const own = prices.get(good.variantId)!;
      const known = own.length > 0 ? own : [{ at: now, priceMinor: good.listMinor }];
      return replay(good, known, reigns, moments).map((price) => ({ ...price, variantId: good.variantId }));
    });
  });
}

/** Records what variants are shown to cost at a moment, where that changed. */
async function tellAt(app: App, at: number, productIds: readonly number[] | null): Promise<void> {
  const live = await liveLane(app);
  const offers = offersAt({ from: 0, lane: live.lane }, at);
  const { used } = await circumstancesOf(app, live, UNKNOWN_BUYER);
  await eachGood(app, productIds, async (goods) =>
    goods.flatMap((good): ShownChange[] => {
      const { variantId, shownMinor, shownBy, listMinor } = good;
      const now = shownAt(good, listMinor, { offers, at, used });
      const last = shownMinor === null ? null : { priceMinor: shownMinor, by: shownBy };
      return isNews(last, now) ? [{ ...now, variantId }] : [];
    }),
  );
}

/** Goes through variants in stretches and records their prices. */
async function eachGood(
  app: App,
  productIds: readonly number[] | null,
  tell: (goods: readonly ShownGood[]) => Promise<ShownChange[]>,
): Promise<void> {
  const { lane, currency } = await liveLane(app);
  for (let after = 0; ;) {
    const goods = await app.shownPrices.listGoods(after, AT_ONCE, productIds);
    if (goods.length === 0) return;
    after = goods.at(-1)!.variantId;
    const changes = await tell(goods);
    if (changes.length > 0)
      await app.db.inTransaction(async () => {
        await app.shownPrices.write(changes, currency.code);
        const ids = [...new Set(changes.map(({ variantId }) => variantId))];
        const histories = await app.shownPrices.listHistory(ids, currency.code);
        await app.shownPrices.writeLows(
          ids.map((id) => [id, lowestShownBefore(histories.get(id)!, lane.shop.timeZone)] as const),
        );
        const changed = new Set(ids);
        const products = goods.filter(({ variantId }) => changed.has(variantId)).map(({ productId }) => productId);
        await app.catalogue.refreshFigures([...new Set(products)]);
      });
    await new Promise((resolve) => setImmediate(resolve));
  }
}

/** What is told in one process, one after the other; and the next moment at which the clock changes a price. */
interface Telling {
  last: Promise<void>;
  nextMoment: number;
  /** Offers that are used up. */
  usedUp: string;
}
const tellings = new WeakMap<App, Telling>();

function tellingOf(app: App): Telling {
  let telling = tellings.get(app);
  if (!telling) tellings.set(app, (telling = { last: Promise.resolve(), nextMoment: -Infinity, usedUp: '' }));
  return telling;
}

function inTurn(app: App, work: () => Promise<void>): Promise<void> {
  const telling = tellingOf(app);
  const turn = telling.last.then(work);
  telling.last = turn.catch(() => undefined);
  return turn;
}

/** Tells of all that the clock has changed since it was last looked at, by what was live until now: a server that was off, too. */
async function settle(app: App): Promise<void> {
  const now = app.now();
  const settled = await app.shownPrices.readSettled();
  if (settled === null) await tellAll(app, now);
  const { lane } = await liveLane(app);
  const offers = offersOf(lane.offers);
  if (settled !== null) for (const moment of offerMoments(offers, settled, now)) await tellAt(app, moment, null);
  if (settled === null || settled < now) await app.shownPrices.writeSettled(now);
  tellingOf(app).nextMoment = offerMoments(offers, now, Infinity)[0] ?? Infinity;
}

/** Brings the history of shown prices up to now, where the clock may have changed one; costs nothing otherwise. */
export async function settleShownPrices(app: App): Promise<void> {
  if (app.now() >= tellingOf(app).nextMoment) await inTurn(app, () => settle(app));
}

/** An order may have taken the last use of an offer, or given one back: then prices change with it. */
export async function noteUses(app: App): Promise<void> {
  const live = await liveLane(app);
  const limited = offersOf(live.lane.offers).filter(({ on, limits }) => on && limits.total !== null);
  if (limited.length === 0) return;
  const { used } = await circumstancesOf(app, live, UNKNOWN_BUYER);
  const usedUp = limited.filter(({ id, limits }) => (used[id]?.total ?? 0) >= limits.total!).map(({ id }) => id);
  const telling = tellingOf(app);
  if (telling.usedUp === usedUp.join(',')) return;
  telling.usedUp = usedUp.join(',');
  await inTurn(app, async () => {
    await settle(app);
    await tellAt(app, app.now(), null);
  });
}

/**
 * Carries out what changes prices: what the clock changed before is told first, and after it what it changed, of some products or
 * of all. `productIds` is asked when it is done; null: of all.
 */
export async function changingPrices<T>(
  app: App,
  change: () => Promise<T>,
  productIds: (done: T) => readonly number[] | null,
): Promise<T> {
  await inTurn(app, () => settle(app));
  const done = await change();
  const ids = productIds(done);
  if (ids === null || ids.length > 0)
    await inTurn(app, async () => {
      await tellAt(app, app.now(), ids);
      await settle(app);
    });
  return done;
}
