import { allocate, minor } from '~/core/money';
import { partOf } from './half-up';
import { buysWhatItGives } from './selection';
import type { LineSelection } from './pricing.schema';
import { byPrice, follow, type Cart, type Standing, type TakingOffer } from './state';

type BuyGet = Extract<TakingOffer, { kind: 'buyGet' }>;
type Bundle = Extract<TakingOffer, { kind: 'bundle' }>;

/** Stage 2: what one offer on sets of units takes of the units that are still free, and in `to` what it leaves. */
export function takeSets(cart: Cart, from: Standing, offer: BuyGet | Bundle, to: Standing): number {
  follow(from, to);
  to.units = to.own.units;
  for (let i = 0; i < cart.lines.length; i += 1) {
    to.lines[i] = from.lines[i]!;
    to.units.free[i] = from.units.free[i]!;
    to.units.given[i] = from.units.given[i]!;
  }
  if (offer.kind === 'bundle') takeBundles(cart, to, offer);
  else if (buysWhatItGives(offer)) takeGroups(cart, to, offer);
  else takeBuyGet(cart, to, offer);
  return from.goodsMinor - to.goodsMinor;
}

/** Lines of which units that fit are free, by what a unit costs; equal ones in line order. */
function linesByPrice(cart: Cart, at: Standing, selection: LineSelection, isCheapestFirst: boolean): number[] {
  const fitting = cart.fitting(selection);
  const order = byPrice(at.prices, cart.lines.length, isCheapestFirst);
  const found: number[] = [];
  for (let i = 0; i < cart.lines.length; i += 1) {
    const line = order[i]!;
    if (at.units.free[line]! > 0 && (!fitting || fitting[line])) found.push(line);
  }
  return found;
}

function countOf(lines: readonly number[], free: Float64Array): number {
  let count = 0;
  for (const line of lines) count += free[line]!;
  return count;
}

/** Takes so much off a line. */
function takeOff(at: Standing, line: number, off: number): void {
  at.lines[line]! -= off;
  at.goodsMinor -= off;
}

/** Reduces so many units of a line and uses them up. */
function reduce(at: Standing, line: number, count: number, basisPoints: number): void {
  if (count === 0) return;
  const price = at.prices.of[line]!;
  const by = partOf(price, basisPoints);
  takeOff(at, line, by * count);
  if (price > 0 && by === price) at.units.given[line]! += count;
  at.units.free[line]! -= count;
}

/** Of what is bought itself: groups of the dearest first, in each the units after those bought are reduced. */
function takeGroups(cart: Cart, at: Standing, { buy, buyQuantity, getQuantity, basisPoints, most }: BuyGet): void {
  const { free } = at.units;
  const lines = linesByPrice(cart, at, buy, false);
  const count = countOf(lines, free);
  const size = buyQuantity + getQuantity;
  const whole = Math.floor(count / size);
  const groups = Math.min(whole + (count - whole * size > buyQuantity ? 1 : 0), most ?? Infinity);
  const used = Math.min(groups * size, count);
  /** How many of the first `units` are reduced. */
  const reducedOf = (units: number) => {
    const full = Math.floor(units / size);
    return full * getQuantity + Math.max(0, units - full * size - buyQuantity);
  };
  let from = 0;
  for (const line of lines) {
    const until = Math.min(from + free[line]!, used);
    if (until <= from) return;
    const reduced = reducedOf(until) - reducedOf(from);
    const bought = until - from - reduced;
    reduce(at, line, reduced, basisPoints);
    free[line]! -= bought;
    from = until;
  }
}

function takeBuyGet(
  cart: Cart,
  at: Standing,
  { buy, get, buyQuantity, getQuantity, basisPoints, choose, most }: BuyGet,
): void {
  const { free } = at.units;
  const gets = linesByPrice(cart, at, get, choose === 'cheapest');
  const buys = linesByPrice(cart, at, buy, true);
  const [toGet, toBuy] = [countOf(gets, free), countOf(buys, free)];
  const fitsBuy = cart.fitting(buy);
  /** How many of the first `count` to get could have been bought. */
  const both = (count: number) => {
    let [left, sum] = [count, 0];
    for (const line of gets) {
      const here = Math.min(left, free[line]!);
      if (!fitsBuy || fitsBuy[line]) sum += here;
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
    reduce(at, line, here, basisPoints);
    left -= here;
  }
  left = times * buyQuantity;
  for (const line of buys) {
    const here = Math.min(left, free[line]!);
    free[line]! -= here;
    left -= here;
  }
}

function takeBundles(cart: Cart, at: Standing, { items, priceMinor, most }: Bundle): void {
  const { free, given } = at.units;
  const prices = at.prices.of;
  const wanted = items.map(({ selection, quantity }) => {
    const lines = linesByPrice(cart, at, selection, false);
    return { quantity, lines, found: countOf(lines, free) };
  });
  for (let made = 0; made < (most ?? Infinity); made += 1) {
    const taken = new Array<number>(cart.lines.length).fill(0);
    if (made > 0) for (const item of wanted) item.found = countOf(item.lines, free);
    // Sorting is stable: equal ones stay as listed.
    for (const { lines, quantity } of wanted.toSorted((a, b) => a.found - b.found)) {
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
      takeOff(at, line, prices[line]! - shares[i]!);
      if (shares[i] === 0 && prices[line]! > 0) given[line]! += 1;
      free[line]! -= 1;
    }
  }
}
