import { fullUnit, type PricedLine } from './line';
import { fits, type LineSelection } from './selection';

/** When an offer acts: prices of units, sets of units, lines, the order, delivery. */
export type Stage = 1 | 2 | 3 | 4 | 5;

/** An offer as it acts in one combination. */
export interface Act<Offer> {
  readonly offer: Offer;
  /** Lines it may lower; null: all. Sets choose their units themselves. */
  readonly fitting: readonly boolean[] | null;
  /** Its group per item, as a bit; 0: none. */
  readonly group: number;
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

/** Units of the lines that fit; `fitting` null: of all. */
export function countFitting({ lines }: Cart, fitting: readonly boolean[] | null): number {
  let count = 0;
  for (let i = 0; i < lines.length; i += 1) if (!fitting || fitting[i]) count += lines[i]!.quantity;
  return count;
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
  /** Of each line the groups per item (as bits) of which a set, a capped offer or one on the order has lowered it. */
  lowered: Int32Array;
  readonly own: { readonly prices: UnitPrices; readonly units: Units; readonly lowered: Int32Array };
  /** Where to write what the next offer leaves; null: no more offers are searched than have come this far. */
  readonly next: Standing | null;
}

function newStanding(size: number, next: Standing | null): Standing {
  const prices = { of: new Float64Array(size), dearestFirst: null, cheapestFirst: null };
  const units = { free: new Float64Array(size), given: new Float64Array(size) };
  const lowered = new Int32Array(size);
  const own = { prices, units, lowered };
  return { goodsMinor: 0, deliveryMinor: 0, lines: new Float64Array(size), prices, units, lowered, own, next };
}

/** Offers searched in any mix; of more, those that take most alone. */
export const MOST_SEARCHED = 16;

/** Standings of one cart. Prices are found thousands of times a second: these are used again each time. */
export interface Standings {
  /** Before any offer. */
  readonly start: Standing;
  /** After each offer by itself. */
  readonly alone: readonly Standing[];
  /** To look ahead. */
  readonly ahead: Standing;
  /** Of each group what one of it could take at most; filled anew for each question. */
  readonly mostInGroup: Float64Array;
}

function newStandings(size: number, offers: number): Standings {
  let next: Standing | null = null;
  for (let i = 0; i < offers; i += 1) next = newStanding(size, next);
  return {
    start: newStanding(size, next),
    alone: Array.from({ length: offers }, () => newStanding(size, next)),
    ahead: newStanding(size, null),
    mostInGroup: new Float64Array(MOST_SEARCHED),
  };
}

/** Standings that are used for one cart after another; made for as many lines as the largest had. */
export interface Memory {
  /** So many can be searched at once. */
  readonly offers: number;
  lines: number;
  standings: Standings | null;
}

/** To price carts in by so many offers. */
export const newMemory = (offers: number): Memory => ({
  offers: Math.min(offers, MOST_SEARCHED),
  lines: 16,
  standings: null,
});

/** A cart before any offer, and where to write what offers make of it. What the memory held of the cart before it is gone. */
export function standingsOf(memory: Memory, { lines }: Cart, deliveryMinor: number | null): Standings {
  if (lines.length > memory.lines) {
    memory.lines = 2 * lines.length;
    memory.standings = null;
  }
  const kept = (memory.standings ??= newStandings(memory.lines, memory.offers));
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
    start.lowered[i] = 0;
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
  to.lowered = from.lowered;
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
