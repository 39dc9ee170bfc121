import { z } from 'zod';
import { priceGoods, type Circumstances, type PricedGoods } from '../receipt/price-goods';
import { lineFacts, pricedLine } from '../basis/line';
import { fits } from '../basis/selection';
import { withoutTax, type TaxRule } from '../basis/tax';
import { visitsToTry } from '../conditions';
import type { PricedOffer } from '../offers';
import { isAbout, selectionsOf } from '../engine/touches';

const floor = z.number().int().min(0).max(9_900);

/** The least margin goods may be sold at, of the price before tax, in basis points: of the shop, of a category, of a product. The narrowest counts. */
export const marginsSchema = z.strictObject({
  shop: floor.nullable().default(null),
  categories: z.record(z.string().min(1).max(120), floor).default({}),
  products: z.record(z.string().min(1).max(120), floor).default({}),
});
export type Margins = z.infer<typeof marginsSchema>;

/** A variant as margins are judged. */
export interface Costed {
  readonly sku: string;
  readonly slug: string;
  readonly name: string;
  readonly choices: string;
  readonly priceMinor: number;
  /** null: nobody has said. */
  readonly costMinor: number | null;
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  readonly taxBasisPoints: number | null;
}

/** Of several categories the highest floor counts. */
export function floorOf(good: Pick<Costed, 'slug' | 'categories'>, margins: Margins): number | null {
  if (Object.hasOwn(margins.products, good.slug)) return margins.products[good.slug]!;
  const own = good.categories.flatMap((slug) =>
    Object.hasOwn(margins.categories, slug) ? [margins.categories[slug]!] : [],
  );
  return own.length > 0 ? Math.max(...own) : margins.shop;
}

/** The least that so many of a variant may bring before tax; null where cost or floor is not known. */
export function leastFor(good: Costed, quantity: number, margins: Margins): number | null {
  const basisPoints = floorOf(good, margins);
  if (good.costMinor === null || basisPoints === null) return null;
  return (good.costMinor * quantity * 10_000) / (10_000 - basisPoints);
}

/** The lowest price of so many of a variant that keeps to the floor, as prices are; null where cost or floor is not known. */
export function leastPrice(good: Costed, quantity: number, margins: Margins, tax: TaxRule): number | null {
  const least = leastFor(good, quantity, margins);
  if (least === null) return null;
  return Math.ceil(tax.included ? (least * (10_000 + (good.taxBasisPoints ?? tax.basisPoints))) / 10_000 : least);
}

/** How far the search for a cart below the floor looks. */
export interface GuardCaps {
  /** Of one variant alone. */
  readonly quantity: number;
  /** Variants with the smallest margin that are tried two together, up to `together` of each. */
  readonly pairsOf: number;
  readonly triplesOf: number;
  readonly together: number;
}

export const USUAL_CAPS: GuardCaps = { quantity: 12, pairsOf: 40, triplesOf: 14, together: 3 };

export interface GuardInput {
  readonly goods: readonly Costed[];
  /** The same at prices of their own, where they are swapped in for less: searched, and not counted as goods. */
  readonly swapped?: readonly Costed[];
  readonly offers: readonly PricedOffer[];
  readonly margins: Margins;
  readonly tax: TaxRule;
  readonly severalCodes: boolean;
  /** Milliseconds since 1970, and the shop's day then. */
  readonly at: number;
  readonly dayOf: (at: number) => string;
  readonly caps?: GuardCaps;
}

interface Circumstance {
  readonly codes: readonly string[];
  readonly circumstances: Circumstances;
}

/** A cart that sells below the floor. */
export interface BelowFloor {
  readonly lines: readonly { readonly good: Costed; readonly quantity: number }[];
  readonly codes: readonly string[];
  readonly at: number;
  readonly shopper: Circumstances['shopper'];
  readonly country: string | null;
  readonly priced: PricedGoods;
  /** What it brings before tax, and the least it may. */
  readonly bringsMinor: number;
  readonly leastMinor: number;
}

export interface GuardAnswer {
  /** The cart that falls furthest below its floor, of those looked at; null when none does. */
  readonly worst: BelowFloor | null;
  readonly carts: number;
  /** Kinds of buyer, codes and moments each was tried under. */
  readonly circumstances: number;
  readonly kinds: number;
  readonly pairsOf: number;
  readonly triplesOf: number;
  readonly caps: GuardCaps;
  /** Variants that could not be judged: nobody has said what they cost, or there is no floor. */
  readonly unjudged: number;
}

const MOST_CIRCUMSTANCES = 24;

/**
 * Looks for a cart that sells below the floor: every variant alone up to so many, the ones with the smallest margin two and
 * three together. Variants that no rule can tell apart are tried once. Yields how far it is, from 0 to 1; answers at the end.
 */
export function* searchBelowFloor(input: GuardInput): Generator<number, GuardAnswer> {
  const { goods, swapped = [], offers, margins, tax, caps = USUAL_CAPS } = input;
  const isJudged = (good: Costed) => leastFor(good, 1, margins) !== null;
  const judged = [...goods, ...swapped].filter(isJudged);
  const kinds = yield* unlike(judged, offers, margins);
  const around = circumstancesOf(input);
  const room = (good: Costed) =>
    withoutTax(good.priceMinor, good.taxBasisPoints ?? tax.basisPoints, tax.included) / leastFor(good, 1, margins)!;
  const touched: Costed[] = [];
  for (const [i, good] of kinds.entries()) {
    if (offers.some((offer) => isAbout(offer, lineFacts(good)))) touched.push(good);
    if (i % AT_ONCE === AT_ONCE - 1) yield 0;
  }
  const tight = touched.sort((a, b) => room(a) - room(b));
  const [pairs, triples] = [tight.slice(0, caps.pairsOf), tight.slice(0, caps.triplesOf)];
  let worst: BelowFloor | null = null;
  let carts = 0;
  const look = (lines: BelowFloor['lines']) => {
    carts += 1;
    const leastMinor = lines.reduce((sum, { good, quantity }) => sum + leastFor(good, quantity, margins)!, 0);
    for (const { codes, circumstances } of around) {
      const priced = priceGoods({
        lines: lines.map(({ good, quantity }, i) => pricedLine(good, quantity, { id: String(i) })),
        offers,
        tax,
        deliveryMinor: null,
        deliveryMethod: null,
        codes,
        circumstances,
      });
      const bringsMinor = priced.lines.reduce(
        (sum, line, i) =>
          sum + withoutTax(line.totalMinor, lines[i]!.good.taxBasisPoints ?? tax.basisPoints, tax.included),
        0,
      );
      if (bringsMinor >= leastMinor - 1e-6) continue;
      if (worst && leastMinor - bringsMinor <= worst.leastMinor - worst.bringsMinor) continue;
      const { at, shopper, country } = circumstances;
      worst = { lines, codes, at, shopper, country, priced, bringsMinor, leastMinor };
    }
  };
  const steps = kinds.length + pairs.length + triples.length;
  let done = 0;
  for (const good of kinds) {
    for (let quantity = 1; quantity <= caps.quantity; quantity += 1) look([{ good, quantity }]);
    yield (done += 1) / steps;
  }
  const counts = Array.from({ length: caps.together }, (_, i) => i + 1);
  for (const [i, a] of pairs.entries()) {
    for (const b of pairs.slice(i + 1)) {
      for (const m of counts)
        for (const n of counts)
          look([
            { good: a, quantity: m },
            { good: b, quantity: n },
          ]);
      yield done / steps;
    }
    yield (done += 1) / steps;
  }
  for (const [i, a] of triples.entries()) {
    for (const [j, b] of triples.slice(i + 1).entries())
      for (const c of triples.slice(i + j + 2)) {
        look([a, b, c].map((good) => ({ good, quantity: 1 })));
        yield done / steps;
      }
    yield (done += 1) / steps;
  }
  return {
    worst,
    carts,
    circumstances: around.length,
    kinds: kinds.length,
    caps,
    pairsOf: pairs.length,
    triplesOf: triples.length,
    unjudged: goods.length - goods.filter(isJudged).length,
  };
}

/** Goods looked at between two signs of life. */
const AT_ONCE = 50;

/** One of each kind that offers, price, cost, floor or tax tell apart. */
function* unlike(
  goods: readonly Costed[],
  offers: readonly PricedOffer[],
  margins: Margins,
): Generator<number, Costed[]> {
  const first = new Map<string, Costed>();
  for (const [i, good] of goods.entries()) {
    const sign = [
      good.priceMinor,
      good.costMinor,
      good.taxBasisPoints,
      floorOf(good, margins),
      ...offers.flatMap((offer) =>
        [...selectionsOf(offer), offer.when.counts].map((selection) => (fits(lineFacts(good), selection) ? 1 : 0)),
      ),
    ].join();
    if (!first.has(sign)) first.set(sign, good);
    if (i % AT_ONCE === AT_ONCE - 1) yield 0;
  }
  return [...first.values()];
}

/** Every sort of visit, code and moment that offers tell apart, at most `MOST_CIRCUMSTANCES`. */
function circumstancesOf({ offers, severalCodes, at, dayOf }: GuardInput): Circumstance[] {
  const on = offers.filter((offer) => offer.on);
  const all = [...new Set(on.flatMap(({ when }) => when.code ?? []))];
  const codes = severalCodes ? [all] : [[], ...all.map((code) => [code])];
  const later = on
    .flatMap(({ when }) => (when.from === null ? [] : [Date.parse(when.from)]))
    .filter((from) => from > at);
  const moments = [at, ...[...new Set(later)].sort((a, b) => a - b)];
  return moments
    .flatMap((moment) => {
      const today = dayOf(moment);
      const anybody = { shopper: 'new', country: null, source: null, birthday: null, used: {} } as const;
      return visitsToTry(on, today).flatMap((visit) =>
        codes.map((typed) => ({ codes: typed, circumstances: { at: moment, today, ...anybody, ...visit } })),
      );
    })
    .slice(0, MOST_CIRCUMSTANCES);
}
