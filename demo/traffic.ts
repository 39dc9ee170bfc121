import type { EventKind } from '~/core/funnel';
import { minor } from '~/core/money';
import { priceCart, type TaxRule } from '~/core/offers';
import type { Lane } from '~/core/lane';
import { addDays } from '~/core/time';
import type { SeededOrder, SeededVisit } from '~/data';
import {
  BOT_SHARE,
  DAYS,
  DEVICE_SHARES,
  GO_ON,
  OWNER_VISITS_A_DAY,
  SESSIONS,
  SOURCES,
  SPARES_REPEAT,
  TOGETHER,
} from './planted';
import { BUYERS, PRODUCTS } from './products';
import type { Random } from './random';

/** A variant as the generator buys it. */
export interface Shelf {
  readonly variantId: number;
  readonly sku: string;
  readonly slug: string;
  readonly name: string;
  readonly topCategory: string;
  readonly choices: string;
  readonly priceMinor: number;
  readonly costMinor: number | null;
  readonly fulfilment: string;
}

export interface Traffic {
  readonly visits: SeededVisit[];
  readonly orders: SeededOrder[];
}

const KINDS: readonly EventKind[] = ['page', 'product-page', 'add', 'cart-seen', 'checkout', 'order'];

/** Plays the shoppers of the days before `today`; `scale` 1 is about 60,000 visits. Pure but for `random`. */
export function playTraffic(
  random: Random,
  shelves: readonly Shelf[],
  lane: Lane,
  today: string,
  scale: number,
): Traffic {
  const visits: SeededVisit[] = [];
  const orders: SeededOrder[] = [];
  const weights = dayWeights(random);
  const total = weights.reduce((a, b) => a + b, 0);
  const returns: { day: number; index: number }[] = [];
  const byName = new Map(shelves.map((shelf) => [shelf.name, shelves.filter((other) => other.name === shelf.name)]));
  const popular = Object.fromEntries(
    PRODUCTS.filter((product) => product.stock !== 0).map((product) => [product.name, product.popularity]),
  );
  for (let day = 0; day < DAYS; day += 1) {
    const date = addDays(today, day - DAYS);
    const due = returns.filter((item) => item.day === day).length;
    const count = Math.round((SESSIONS * scale * weights[day]!) / total) + due;
    for (let i = 0; i < count; i += 1) {
      const isReturn = i < due;
      const visit = playVisit(random, date, `d${day}-${i}`, isReturn, popular, byName);
      visits.push(visit);
      if (visit.depth < 6) continue;
      const order = fillOrder(random, visit, lane, byName, isReturn ? 'Ripstop Patch' : random.weighted(popular));
      orders.push(order);
      visit.revenueMinor = order.totalMinor;
      const spares = order.lines.some((line) => byName.get(line.name)?.[0]?.topCategory === 'Spares');
      if (spares && random.chance(SPARES_REPEAT.chance))
        returns.push({ day: day + SPARES_REPEAT.days + random.whole(-4, 4), index: i });
    }
    for (let i = 0; i < OWNER_VISITS_A_DAY; i += 1)
      visits.push({ ...playVisit(random, date, `o${day}-${i}`, false, popular, byName), depth: 2, excluded: 'owner' });
  }
  return { visits, orders };
}

/** Weekends are busier, and so are windy weeks. */
function dayWeights(random: Random): number[] {
  let wind = 1;
  return Array.from({ length: DAYS }, (_, day) => {
    if (day % 7 === 0) wind = random.whole(80, 135) / 100;
    return wind * (day % 7 >= 5 ? 1.4 : 1) * (0.9 + day / DAYS / 5);
  });
}

function playVisit(
  random: Random,
  day: string,
  id: string,
  sure: boolean,
  popular: Record<string, number>,
  byName: Map<string, Shelf[]>,
): SeededVisit {
  const device = random.weighted(DEVICE_SHARES);
  let depth = 1;
  while (depth < 6 && (sure || random.chance(GO_ON[device][depth - 1]!))) depth += 1;
  const startedAt =
    Date.parse(`${day}T00:00:00Z`) + random.whole(6 * 60, 20 * 60 + 59) * 60_000 + random.whole(0, 59_999);
  const source = random.weighted(SOURCES);
  const bot = !sure && random.chance(BOT_SHARE);
  const events: SeededVisit['events'] = [];
  let at = startedAt;
  const push = (kind: EventKind, product: string | null, piece: string | null = null) => {
    events.push([`${id}-${events.length}`, id, at, kind, kind === 'page' ? 'listing' : null, product, piece]);
    at += random.whole(4_000, 40_000);
  };
  /** What a piece shows beside what the shopper does; no time passes. */
  const see = (piece: string) => events.push([`${id}-${events.length}`, id, at, 'piece-seen', null, null, piece]);
  const product = byName.get(random.weighted(popular))![0]!.slug;
  for (let i = random.whole(1, 4); i > 0; i -= 1) push('page', null);
  for (let reached = 2; reached <= depth; reached += 1) {
    if (reached === 2) {
      for (let i = random.whole(1, 4); i > 0; i -= 1) {
        const quick = random.chance(0.41);
        push(quick ? 'quick-view' : 'product-page', product, quick ? 'quick-view' : null);
        if (!quick && device === 'phone') see('buy-bar');
        push('page', null);
      }
    } else {
      push(KINDS[reached - 1]!, reached === 3 ? product : null, reached === 4 ? 'slide-out-cart' : null);
      if (reached === 3) see('added-popup');
    }
  }
  return {
    id,
    startedAt,
    lastAt: at,
    day,
    device,
    source,
    depth: bot ? Math.min(depth, 2) : depth,
    excluded: bot ? 'bot' : null,
    revenueMinor: 0,
    events,
  };
}

function fillOrder(
  random: Random,
  visit: SeededVisit,
  lane: Lane,
  byName: Map<string, Shelf[]>,
  first: string,
): SeededOrder {
  const chosen = new Map<Shelf, number>();
  const take = (name: string) => {
    const shelf = random.pick(byName.get(name)!);
    chosen.set(shelf, shelf.topCategory === 'Spares' ? random.whole(1, 4) : 1);
    return shelf;
  };
  const main = take(first);
  for (const rule of TOGETHER)
    if (rule.whenFrom === main.topCategory && random.chance(rule.chance)) rule.also.forEach(take);
  if (random.chance(0.3))
    take(
      random.weighted(
        Object.fromEntries(
          PRODUCTS.filter((product) => product.stock !== 0 && product.price < 3000).map((product) => [
            product.name,
            product.popularity,
          ]),
        ),
      ),
    );
  const shelves = [...chosen.keys()];
  const tax: TaxRule = lane.shop.tax;
  const needsParcel = shelves.some((shelf) => shelf.fulfilment === 'parcel');
  const priced = priceCart({
    lines: shelves.map((shelf) => ({
      id: shelf.sku,
      quantity: chosen.get(shelf)!,
      unitPriceMinor: minor(shelf.priceMinor),
    })),
    offers: lane.offers,
    tax,
    deliveryMinor: minor(needsParcel ? 490 : 0),
  });
  return {
    token: `seed-${visit.id}`,
    name: random.pick(BUYERS),
    visitId: visit.id,
    placedAt: visit.lastAt,
    day: visit.day,
    currency: lane.shop.currency,
    ...priced,
    deliveryMinor: priced.deliveryMinor ?? minor(0),
    lines: shelves.map((shelf, i) => ({
      variantId: shelf.variantId,
      sku: shelf.sku,
      name: shelf.name,
      choices: shelf.choices,
      quantity: chosen.get(shelf)!,
      unitMinor: minor(shelf.priceMinor),
      totalMinor: priced.lines[i]!.totalMinor,
      costMinor: shelf.costMinor,
      steps: priced.lines[i]!.steps,
      answers: [],
      addOns: [],
    })),
  };
}
