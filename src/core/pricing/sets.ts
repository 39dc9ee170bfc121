import { allocate, minor } from '~/core/money';
import { partOf } from './half-up';
import { buysWhatItGives } from './selection';
import type { LineSelection } from './pricing.schema';
import { less, type Cart, type State, type Taken, type TakingOffer } from './state';

type BuyGet = Extract<TakingOffer, { kind: 'buyGet' }>;
type Bundle = Extract<TakingOffer, { kind: 'bundle' }>;

interface Work {
  readonly cart: Cart;
  /** Of one free unit of each line. */
  readonly prices: readonly number[];
  readonly free: number[];
  readonly given: number[];
  /** Taken off each line. */
  readonly off: number[];
}

const none = (cart: Cart): number[] => new Array<number>(cart.lines.length).fill(0);

/** Stage 2: what one offer on sets of units takes of the units that are still free. */
export function takeSets(cart: Cart, state: State, offer: BuyGet | Bundle): Taken {
  const work: Work = {
    ...{ cart, prices: state.unitPrices },
    free: state.units ? [...state.units.free] : cart.lines.map(({ quantity }) => quantity),
    given: state.units ? [...state.units.given] : none(cart),
    off: none(cart),
  };
  if (offer.kind === 'bundle') takeBundles(work, offer);
  else if (buysWhatItGives(offer)) takeGroups(work, offer);
  else takeBuyGet(work, offer);
  const { off, free, given } = work;
  return less(state, offer.id, off, { free, given });
}

/** Lines of which units that fit are free, by what a unit costs; equal ones in line order. */
function linesByPrice({ cart, prices, free }: Work, selection: LineSelection, isCheapestFirst: boolean): number[] {
  const fitting = cart.fitting(selection);
  const found: number[] = [];
  for (let line = 0; line < free.length; line += 1) if (fitting[line] && free[line]! > 0) found.push(line);
  return found.sort((a, b) => (isCheapestFirst ? prices[a]! - prices[b]! : prices[b]! - prices[a]!) || a - b);
}

const countOf = (lines: readonly number[], free: readonly number[]) =>
  lines.reduce((sum, line) => sum + free[line]!, 0);

/** Reduces so many units of a line and uses them up. */
function reduce({ prices, free, given, off }: Work, line: number, count: number, basisPoints: number): void {
  const price = prices[line]!;
  const by = partOf(price, basisPoints);
  off[line]! += by * count;
  if (price > 0 && by === price) given[line]! += count;
  free[line]! -= count;
}

/** Of what is bought itself: groups of the dearest first, in each the units after those bought are reduced. */
function takeGroups(work: Work, { buy, buyQuantity, getQuantity, basisPoints, most }: BuyGet): void {
  const lines = linesByPrice(work, buy, false);
  const count = countOf(lines, work.free);
  const size = buyQuantity + getQuantity;
  const groups = Math.min(Math.floor(count / size) + (count % size > buyQuantity ? 1 : 0), most ?? Infinity);
  const used = Math.min(groups * size, count);
  /** How many of the first `units` are reduced. */
  const reducedOf = (units: number) =>
    Math.floor(units / size) * getQuantity + Math.max(0, (units % size) - buyQuantity);
  let from = 0;
  for (const line of lines) {
    const until = Math.min(from + work.free[line]!, used);
    if (until <= from) return;
    const reduced = reducedOf(until) - reducedOf(from);
    const bought = until - from - reduced;
    reduce(work, line, reduced, basisPoints);
    work.free[line]! -= bought;
    from = until;
  }
}

function takeBuyGet(work: Work, { buy, get, buyQuantity, getQuantity, basisPoints, choose, most }: BuyGet): void {
  const { cart, free } = work;
  const gets = linesByPrice(work, get, choose === 'cheapest');
  const buys = linesByPrice(work, buy, true);
  const [toGet, toBuy] = [countOf(gets, free), countOf(buys, free)];
  const fitsBuy = cart.fitting(buy);
  /** How many of the first `count` to get could have been bought. */
  const both = (count: number) => {
    let [left, sum] = [count, 0];
    for (const line of gets) {
      const here = Math.min(left, free[line]!);
      if (fitsBuy[line]) sum += here;
      left -= here;
    }
    return sum;
  };
  const reducedAt = (times: number) => Math.min(times * getQuantity, toGet);
  const isEnough = (times: number) => toBuy - both(reducedAt(times)) >= times * buyQuantity;
  // More times need more and leave less: the largest that is enough is found by halving.
  let times = 0;
  let beyond = Math.min(Math.ceil(toGet / getQuantity), Math.floor(toBuy / buyQuantity), most ?? Infinity) + 1;
  while (beyond - times > 1) {
    const middle = Math.floor((times + beyond) / 2);
    if (isEnough(middle)) times = middle;
    else beyond = middle;
  }
  let left = reducedAt(times);
  for (const line of gets) {
    const here = Math.min(left, free[line]!);
    reduce(work, line, here, basisPoints);
    left -= here;
  }
  left = times * buyQuantity;
  for (const line of buys) {
    const here = Math.min(left, free[line]!);
    free[line]! -= here;
    left -= here;
  }
}

function takeBundles(work: Work, { items, priceMinor, most }: Bundle): void {
  const { cart, prices, free, given, off } = work;
  const dearest = items.map(({ selection, quantity }) => ({ quantity, lines: linesByPrice(work, selection, false) }));
  for (let made = 0; made < (most ?? Infinity); made += 1) {
    const taken = none(cart);
    // Sorting is stable: equal ones stay as listed.
    const inTurn = dearest
      .map((item) => ({ ...item, found: countOf(item.lines, free) }))
      .sort((a, b) => a.found - b.found);
    for (const { lines, quantity } of inTurn) {
      let left = quantity;
      for (const line of lines) {
        const here = Math.min(left, free[line]! - taken[line]!);
        taken[line]! += here;
        left -= here;
      }
      if (left > 0) return;
    }
    const members = taken.flatMap((count, line) => Array.from({ length: count }, () => line));
    const together = members.reduce((sum, line) => sum + prices[line]!, 0);
    if (together <= priceMinor) return;
    const shares = allocate(
      minor(priceMinor),
      members.map((line) => prices[line]!),
    );
    for (const [i, line] of members.entries()) {
      off[line]! += prices[line]! - shares[i]!;
      if (shares[i] === 0 && prices[line]! > 0) given[line]! += 1;
      free[line]! -= 1;
    }
  }
}
