import { minor } from '~/core/money';
import { offersOf } from '../engine/offers-of';
import type { Offer, PricedOffer } from '../offers';
import { priceGoods, type Circumstances } from '../receipt/price-goods';
import type { PricedLine } from '../basis/line';
import { withoutTax, type TaxRule } from '../basis/tax';
import { marginOf } from '../margin/margin-of';

/** An order of the past as it would be priced anew. */
export interface PastOrder {
  readonly id: number;
  readonly lines: readonly (PricedLine & { readonly costMinor: number | null })[];
  readonly deliveryMinor: number;
  readonly deliveryMethod: string | null;
  readonly circumstances: Circumstances;
}

/** What an offer would have done to one order. Margins are before tax, of goods alone; null where a cost is not known. */
export interface TestedOrder {
  readonly id: number;
  readonly at: number;
  /** What it would have cost, tax included as prices are. */
  readonly costMinor: number;
  readonly goodsMinor: number;
  readonly marginBefore: number | null;
  /** What delivery loses taken off, too. */
  readonly marginAfter: number | null;
}

export interface Backtest {
  readonly orders: number;
  /** Those that would have got it. */
  readonly got: readonly TestedOrder[];
  readonly costMinor: number;
  /** Of those that would have got it and whose costs are all known. */
  readonly marginBeforeMinor: number;
  readonly marginAfterMinor: number;
  readonly unknownCosts: number;
  /** How many more such orders would have to come for the margin to stay the same; null when none would be enough. */
  readonly uplift: Interval | null;
}

export interface Interval {
  readonly value: number;
  /** 95 %. */
  readonly low: number;
  readonly high: number;
}

const Z95 = 1.959963984540054;

/**
 * Prices past orders with and without an offer, beside the offers that are on, at unchanged behaviour. An offer with a code
 * counts as if everybody had typed it; one with dates as if they were then. Yields how far it is, from 0 to 1.
 */
export function* backtest(
  orders: readonly PastOrder[],
  offers: Readonly<Record<string, Offer>>,
  tested: string,
  tax: TaxRule,
): Generator<number, Backtest> {
  const { [tested]: offer, ...rest } = offers;
  if (!offer) throw new Error(`There is no offer ${tested}`);
  const others = offersOf(rest).filter(({ when }) => when.code === null);
  const always: PricedOffer = {
    ...offer,
    id: tested,
    on: true,
    limits: { total: null, perShopper: null },
    when: { ...offer.when, code: null, from: null, until: null },
  };
  const all = [...others, always];
  // What is taken off delivery is lost, too.
  const left = (goods: number | null, before: number, after: number) =>
    goods === null ? null : goods - withoutTax(before - after, tax.basisPoints, tax.included);
  const got: TestedOrder[] = [];
  for (const [i, order] of orders.entries()) {
    const price = (by: readonly PricedOffer[]) =>
      priceGoods({
        lines: order.lines,
        offers: by,
        tax,
        deliveryMinor: minor(order.deliveryMinor),
        deliveryMethod: order.deliveryMethod,
        codes: [],
        circumstances: order.circumstances,
      });
    const after = price(all);
    if ((after.taken[tested] ?? 0) > 0) {
      const before = price(others);
      const margin = (priced: typeof after) =>
        marginOf(
          order.lines.map((line, at) => ({ ...line, amountMinor: priced.lines[at]!.totalMinor })),
          tax,
        );
      got.push({
        id: order.id,
        at: order.circumstances.at,
        costMinor: before.totalMinor - after.totalMinor,
        goodsMinor: before.subtotalMinor - before.discountMinor,
        marginBefore: margin(before),
        marginAfter: left(margin(after), before.deliveryMinor ?? 0, after.deliveryMinor ?? 0),
      });
    }
    if (i % 50 === 49) yield (i + 1) / orders.length;
  }
  const known = got.filter((one) => one.marginBefore !== null);
  return {
    orders: orders.length,
    got,
    costMinor: sumOf(got, (one) => one.costMinor),
    marginBeforeMinor: Math.round(sumOf(known, (one) => one.marginBefore!)),
    marginAfterMinor: Math.round(sumOf(known, (one) => one.marginAfter!)),
    unknownCosts: got.length - known.length,
    uplift: upliftOf(known),
  };
}

const sumOf = <T>(all: readonly T[], of: (one: T) => number) => all.reduce((sum, one) => sum + of(one), 0);

/**
 * Margin before ÷ margin after − 1, with its interval by linearisation of a ratio of sums (Cochran, Sampling Techniques, 3rd
 * ed., § 6.3–6.4): how many more such orders it takes.
 */
function upliftOf(known: readonly TestedOrder[]): Interval | null {
  const [before, after] = [sumOf(known, (one) => one.marginBefore!), sumOf(known, (one) => one.marginAfter!)];
  if (known.length < 2 || after <= 0) return null;
  const ratio = before / after;
  const squares = sumOf(known, (one) => (one.marginBefore! - ratio * one.marginAfter!) ** 2);
  const error = (Math.sqrt((known.length / (known.length - 1)) * squares) / after) * Z95;
  return { value: ratio - 1, low: ratio - 1 - error, high: ratio - 1 + error };
}

interface MarginShare {
  /** Null: sold below cost. */
  readonly from: number | null;
  before: number;
  after: number;
}

/** Orders by the share of the price before tax that is margin, in tenths from under nothing to everything. */
export function marginShares(got: readonly TestedOrder[], tax: TaxRule): MarginShare[] {
  const bins = Array.from({ length: 11 }, (_, i) => ({
    from: i === 0 ? null : (i - 1) / 10,
    before: 0,
    after: 0,
  }));
  const place = (share: number) => (share < 0 ? 0 : Math.min(10, Math.floor(share * 10) + 1));
  for (const one of got) {
    if (one.marginBefore === null || one.goodsMinor <= 0) continue;
    const net = withoutTax(one.goodsMinor, tax.basisPoints, tax.included);
    bins[place(one.marginBefore / net)]!.before += 1;
    const lost = one.marginBefore - one.marginAfter!;
    bins[place(one.marginAfter! / Math.max(1, net - lost))]!.after += 1;
  }
  return bins;
}
