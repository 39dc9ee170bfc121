import { partOf } from './half-up';
import { markLowered } from './lower';
import type { LineSelection } from './selection';
import { byPrice, follow, type Act, type Cart, type Standing } from './standing';

/** Stage 2: what an offer on sets of units takes of the units that are still free, and in `to` what it leaves. */
export function takeSets<Offer>(pick: (cart: Cart, at: Standing, offer: Offer) => void) {
  return (cart: Cart, from: Standing, { offer, group }: Act<Offer>, to: Standing): number => {
    follow(from, to);
    to.units = to.own.units;
    for (let i = 0; i < cart.lines.length; i += 1) {
      to.lines[i] = from.lines[i]!;
      to.units.free[i] = from.units.free[i]!;
      to.units.given[i] = from.units.given[i]!;
    }
    pick(cart, to, offer);
    const off = from.goodsMinor - to.goodsMinor;
    if (off > 0) markLowered(cart.lines.length, from, group, to);
    return off;
  };
}

/** Lines of which units that fit are free, by what a unit costs; equal ones in line order. */
export function linesByPrice(cart: Cart, at: Standing, selection: LineSelection, isCheapestFirst: boolean): number[] {
  const fitting = cart.fitting(selection);
  const order = byPrice(at.prices, cart.lines.length, isCheapestFirst);
  const found: number[] = [];
  for (let i = 0; i < cart.lines.length; i += 1) {
    const line = order[i]!;
    if (at.units.free[line]! > 0 && (!fitting || fitting[line])) found.push(line);
  }
  return found;
}

export function countOf(lines: readonly number[], free: Float64Array): number {
  let count = 0;
  for (const line of lines) count += free[line]!;
  return count;
}

/** Takes so much off a line. */
export function takeOff(at: Standing, line: number, off: number): void {
  at.lines[line]! -= off;
  at.goodsMinor -= off;
}

/** Reduces so many units of a line and uses them up. */
export function reduce(at: Standing, line: number, count: number, basisPoints: number): void {
  if (count === 0) return;
  const price = at.prices.of[line]!;
  const by = partOf(price, basisPoints);
  takeOff(at, line, by * count);
  if (price > 0 && by === price) at.units.given[line]! += count;
  at.units.free[line]! -= count;
}

/** What a share off every free unit of the lines that fit comes to; `fitting` null: of all. */
export function mostOfUnits(cart: Cart, at: Standing, fitting: readonly boolean[] | null, basisPoints: number): number {
  const { free } = at.units;
  const prices = at.prices.of;
  let off = 0;
  for (let i = 0; i < cart.lines.length; i += 1)
    if (!fitting || fitting[i]) off += free[i]! * partOf(prices[i]!, basisPoints);
  return off;
}
