import { assertNever } from '~/core/problems';
import { fullUnit } from './judge';
import { fits } from './selection';
import type { LineSelection, PricedLine, PricedOffer } from './pricing.schema';

/** An offer that takes something off; a gift takes nothing and stands outside. */
export type TakingOffer = Exclude<PricedOffer, { kind: 'gift' }>;

export type Stage = 1 | 2 | 3 | 4 | 5;

export function stageOf(offer: TakingOffer): Stage {
  switch (offer.kind) {
    case 'priceIs':
    case 'quantityBreaks':
      return 1;
    case 'buyGet':
    case 'bundle':
      return 2;
    case 'percentOff':
    case 'amountOff':
      return offer.target === 'lines' ? 3 : 4;
    case 'deliveryOff':
      return 5;
    default:
      return assertNever(offer);
  }
}

/** An offer that takes something, and when it acts. */
export interface Acting {
  readonly offer: TakingOffer;
  readonly stage: Stage;
  /** Which lines it is about; null: all, or it chooses its units itself. */
  readonly selection: LineSelection;
  /** Its place by rank, then by id as text: how offers of one stage act in turn. */
  readonly turn: number;
  /** Of stage 1, or of stage 3 without a cap: in a group per item each line takes one of these at most. */
  readonly isLineOffer: boolean;
  /** The group in which it lowers items that no other of the group lowers; null: none. */
  readonly itemGroup: string | null;
}

/** By rank, then by id. */
export function inTurn(offers: readonly Acting[]): readonly Acting[] {
  for (let i = 1; i < offers.length; i += 1)
    if (offers[i - 1]!.turn > offers[i]!.turn) return offers.toSorted((a, b) => a.turn - b.turn);
  return offers;
}

/** An offer as it acts in one combination. */
export interface Act {
  readonly offer: TakingOffer;
  readonly stage: Stage;
  /** Lines it may lower; null: all. Sets choose their units themselves. */
  readonly fitting: readonly boolean[] | null;
  /** Its group per item, as a bit; 0: none. */
  readonly group: number;
}

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
}

function newStandings(size: number): Standings {
  let next: Standing | null = null;
  for (let i = 0; i < MOST_SEARCHED; i += 1) next = newStanding(size, next);
  return {
    start: newStanding(size, next),
    alone: Array.from({ length: MOST_SEARCHED }, () => newStanding(size, next)),
    ahead: newStanding(size, null),
  };
}

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
