import type { EventKind } from '~/core/funnel';
import { minor } from '~/core/money';
import { offersOf, priceGoods, pricedLine } from '~/core/pricing';
import type { Lane } from '~/core/lane';
import { addDays } from '~/core/time';
import type { SeededOrder, SeededVisit } from '~/data';
import {
  BOT_SHARE,
  DAYS,
  DEVICE_SHARES,
  GO_ON,
  MERELY_POPULAR,
  MERELY_POPULAR_CHANCE,
  OWNER_VISITS_A_DAY,
  SEASONAL,
  SESSIONS,
  SOURCES,
  SPARES_REPEAT,
  TOGETHER,
  UNDER_THRESHOLD,
} from './planted';
import { noteLink } from './links';
import { buyerFrom, FIRST_NAMES, type Buyer } from './buyers';
import { PRODUCTS } from './products';
import { randomFrom, type Random } from './random';

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

const OTHER_SEED = 20_261;

const KINDS: readonly EventKind[] = ['page', 'product-page', 'add', 'cart-seen', 'checkout', 'order'];

/** What the made-up past is played with. */
interface Playing {
  readonly random: Random;
  /** Draws of its own, so that what is planted besides leaves the rest as it is. */
  readonly others: Random;
  readonly lane: Lane;
  /** How popular each product is, by name. */
  readonly popular: Record<string, number>;
  readonly byName: Map<string, Shelf[]>;
}

/** Plays the shoppers of the days before `today`; `scale` 1 is about 60,000 visits. Pure but for `random`. */
export function playTraffic(
  random: Random,
  shelves: readonly Shelf[],
  lane: Lane,
  { today, scale }: { readonly today: string; readonly scale: number },
): Traffic {
  const visits: SeededVisit[] = [];
  const people = randomFrom(OTHER_SEED + 1);
  const orders: SeededOrder[] = [];
  const weights = dayWeights(random);
  const total = weights.reduce((a, b) => a + b, 0);
  const returns: { day: number; buyer: Buyer }[] = [];
  const slugs = new Map(shelves.map(({ sku, slug }) => [sku, slug]));
  const slugOf = (sku: string) => slugs.get(sku)!;
  const byName = new Map(shelves.map((shelf) => [shelf.name, shelves.filter((other) => other.name === shelf.name)]));
  const popular = Object.fromEntries(
    PRODUCTS.filter((product) => product.stock !== 0).map((product) => [product.name, product.popularity]),
  );
  const playing: Playing = { random, others: randomFrom(OTHER_SEED), lane, popular, byName };
  for (let day = 0; day < DAYS; day += 1) {
    const date = addDays(today, day - DAYS);
    const back = returns.filter((item) => item.day === day);
    const due = back.length;
    const count = Math.round((SESSIONS * scale * weights[day]!) / total) + due;
    for (let i = 0; i < count; i += 1) {
      const isReturn = i < due;
      const visit = playVisit(playing, date, `d${day}-${i}`, isReturn);
      visits.push(visit);
      if (visit.depth < 6) {
        noteLink(visit, null, slugOf);
        continue;
      }
      const first = isReturn ? 'Ripstop Patch' : random.weighted(popular);
      const { firstName, ...bought } = fillOrder(playing, visit, first, day);
      const buyer = isReturn ? back[i]!.buyer : buyerFrom(people, firstName);
      const order = { ...bought, ...buyer };
      orders.push(order);
      // What was looked at on the way is what was bought.
      const { slug } = byName.get(first)![0]!;
      for (const event of visit.events) if (event[5] !== null) event[5] = slug;
      noteLink(visit, order, slugOf);
      visit.revenueMinor = order.totalMinor;
      visit.revenueCurrency = order.currency;
      const spares = order.lines.some((line) => byName.get(line.name)?.[0]?.topCategory === 'Spares');
      if (spares && random.chance(SPARES_REPEAT.chance))
        returns.push({ day: day + SPARES_REPEAT.days + random.whole(-4, 4), buyer });
    }
    for (let i = 0; i < OWNER_VISITS_A_DAY; i += 1)
      visits.push({ ...playVisit(playing, date, `o${day}-${i}`, false), depth: 2, excluded: 'owner' });
  }
  // Numbered as they were placed.
  return { visits, orders: orders.sort((a, b) => a.placedAt - b.placedAt) };
}

/** Weekends are busier, and so are windy weeks. */
function dayWeights(random: Random): number[] {
  let wind = 1;
  return Array.from({ length: DAYS }, (_, day) => {
    if (day % 7 === 0) wind = random.whole(80, 135) / 100;
    return wind * (day % 7 >= 5 ? 1.4 : 1) * (0.9 + day / DAYS / 5);
  });
}

/** `sure`: it ends with an order. */
function playVisit({ random, popular, byName }: Playing, day: string, id: string, sure: boolean): SeededVisit {
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
    revenueCurrency: null,
    events,
  };
}

/** What else is put into an order: of the season, what everybody takes, and what fills it up to almost free delivery. */
function plant(random: Random, day: number, chosen: Map<Shelf, number>, byName: Map<string, Shelf[]>): void {
  const take = (name: string) => {
    const shelf = byName.get(name)![0]!;
    if (!chosen.has(shelf)) chosen.set(shelf, 1);
  };
  for (const name of SEASONAL.pair) if (random.chance(SEASONAL.chance) && day < SEASONAL.days) take(name);
  for (const name of MERELY_POPULAR) if (random.chance(MERELY_POPULAR_CHANCE)) take(name);
  const sum = () => [...chosen].reduce((total, [{ priceMinor }, count]) => total + priceMinor * count, 0);
  const { fromMinor, thresholdMinor, chance } = UNDER_THRESHOLD;
  if (!random.chance(chance) || sum() < fromMinor || sum() >= thresholdMinor) return;
  const fitting = [...byName.values()]
    .map(([shelf]) => shelf!)
    .filter(({ priceMinor }) => priceMinor < thresholdMinor - sum() && priceMinor > (thresholdMinor - sum()) / 2);
  if (fitting.length > 0) take(random.pick(fitting).name);
}

function fillOrder(
  { random, others, lane, byName }: Playing,
  visit: SeededVisit,
  first: string,
  /** Of the made-up past, from 0. */
  dayOf: number,
): Omit<SeededOrder, keyof Buyer> & { readonly firstName: string } {
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
  plant(others, dayOf, chosen, byName);
  const shelves = [...chosen.keys()];
  const needsParcel = shelves.some((shelf) => shelf.fulfilment === 'parcel');
  const priced = priceGoods({
    lines: shelves.map((shelf) => pricedLine({ ...shelf, categories: [], tags: [] }, chosen.get(shelf)!)),
    offers: offersOf(lane.offers),
    tax: lane.shop.tax,
    deliveryMinor: minor(needsParcel ? 490 : 0),
    deliveryMethod: 'standard',
    codes: [],
    circumstances: {
      at: visit.lastAt,
      today: visit.day,
      shopper: 'new',
      country: 'DE',
      source: visit.source,
      birthday: null,
      used: {},
    },
  });
  return {
    token: `seed-${visit.id}`,
    firstName: random.pick(FIRST_NAMES),
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
      taxBasisPoints: null,
      steps: priced.lines[i]!.steps,
      answers: [],
      addOns: [],
    })),
  };
}
