import { fullUnit } from './judge';
import { fits } from './selection';
import type { LineSelection, PricedLine, PricedOffer } from './pricing.schema';

/** An offer that takes something off; a gift takes nothing and stands outside. */
export type TakingOffer = Exclude<PricedOffer, { kind: 'gift' }>;

/** What an offer takes off one line, or off delivery (`line` null). */
export interface OfferStep {
  readonly offerId: string;
  readonly line: number | null;
  readonly amountMinor: number;
}

/** A cart as the stages see it: which lines fit which selection is found out once. */
export interface Cart {
  readonly lines: readonly PricedLine[];
  readonly deliveryMethod: string | null;
  /** Of each line whether it fits; null: all do. */
  fitting(selection: LineSelection): readonly boolean[] | null;
}

export function cartOf(lines: readonly PricedLine[], deliveryMethod: string | null): Cart {
  const selections: LineSelection[] = [];
  const found: (readonly boolean[])[] = [];
  return {
    lines,
    deliveryMethod,
    fitting(selection) {
      if (selection === null) return null;
      let at = selections.indexOf(selection);
      if (at < 0) {
        at = selections.push(selection) - 1;
        found.push(lines.map((line) => fits(line, selection)));
      }
      return found[at]!;
    },
  };
}

/** What one unit of each line costs, and the lines by it. */
export interface UnitPrices {
  readonly of: Float64Array;
  /** Equal ones in line order, in both; null before they are asked for. */
  dearestFirst: readonly number[] | null;
  cheapestFirst: readonly number[] | null;
}

/**
 * What sets left of each line. Units of a line that are free all cost what the stage of unit prices left, so that they are
 * counted and not listed; one that was reduced is used up.
 */
export interface Units {
  readonly free: Float64Array;
  /** Brought from more than nothing to nothing. */
  readonly given: Float64Array;
}

/** Where a cart stands between two offers, of every line of it; the arrays may be longer. Minor units. */
export interface Standing {
  goodsMinor: number;
  /** 0 while it is not chosen. */
  deliveryMinor: number;
  /** What each line still costs. */
  readonly lines: Float64Array;
  /** After the stage of unit prices; its own, or those of the standing before. */
  prices: UnitPrices;
  units: Units;
  readonly own: { readonly prices: UnitPrices; readonly units: Units };
}

function newStanding(size: number): Standing {
  const prices = { of: new Float64Array(size), dearestFirst: null, cheapestFirst: null };
  const units = { free: new Float64Array(size), given: new Float64Array(size) };
  return { goodsMinor: 0, deliveryMinor: 0, lines: new Float64Array(size), prices, units, own: { prices, units } };
}

/** Offers searched in any mix; of more, those that take most alone. */
export const MOST_SEARCHED = 16;

/** Standings of one cart. Prices are found thousands of times a second: these are used again each time. */
export interface Standings {
  /** Before any offer. */
  readonly start: Standing;
  /** After one offer, after two, and so on. */
  readonly after: readonly Standing[];
  /** After each offer by itself. */
  readonly alone: readonly Standing[];
  /** To look ahead. */
  readonly ahead: Standing;
}

const newStandings = (size: number): Standings => ({
  start: newStanding(size),
  after: Array.from({ length: MOST_SEARCHED }, () => newStanding(size)),
  alone: Array.from({ length: MOST_SEARCHED }, () => newStanding(size)),
  ahead: newStanding(size),
});

let room = 16;
let kept = newStandings(room);

/** A cart before any offer, and room for what offers make of it. What was there of the cart before it is gone. */
export function standingsOf({ lines }: Cart, deliveryMinor: number | null): Standings {
  if (lines.length > room) {
    room = 2 * lines.length;
    kept = newStandings(room);
  }
  const { start } = kept;
  const { free, given } = start.units;
  start.prices.dearestFirst = start.prices.cheapestFirst = null;
  start.deliveryMinor = deliveryMinor ?? 0;
  start.goodsMinor = 0;
  for (let i = 0; i < lines.length; i += 1) {
    const line = lines[i]!;
    const unit = fullUnit(line);
    const full = unit * line.quantity + line.onceOptionsMinor;
    start.prices.of[i] = unit;
    start.lines[i] = full;
    start.goodsMinor += full;
    free[i] = line.quantity;
    given[i] = 0;
  }
  return kept;
}

export const costOf = ({ goodsMinor, deliveryMinor }: Standing): number => goodsMinor + deliveryMinor;

/** `to` becomes what `from` is, but for what lines cost: that is for the caller to write. */
export function follow(from: Standing, to: Standing): void {
  to.goodsMinor = from.goodsMinor;
  to.deliveryMinor = from.deliveryMinor;
  to.prices = from.prices;
  to.units = from.units;
}

/** Lines by what one unit costs. */
export const byPrice = (prices: UnitPrices, lines: number, isCheapestFirst: boolean): readonly number[] =>
  isCheapestFirst
    ? (prices.cheapestFirst ??= sortedLines(prices.of, lines, 1))
    : (prices.dearestFirst ??= sortedLines(prices.of, lines, -1));

function sortedLines(prices: Float64Array, count: number, sign: 1 | -1): number[] {
  const lines: number[] = [];
  for (let line = 0; line < count; line += 1) lines.push(line);
  return lines.sort((a, b) => sign * (prices[a]! - prices[b]!) || a - b);
}
