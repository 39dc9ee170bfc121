import { allocate, minor } from '~/core/money';
import { partOf } from '~/core/pricing/half-up';
import { buysWhatItGives } from '~/core/pricing/selection';
import type { LineSelection } from '~/core/pricing/pricing.schema';
import type { Cart, TakingOffer } from '~/core/pricing/state';

/** One unit of a line in the stage of sets. */
interface Unit {
  readonly line: number;
  readonly at: number;
  readonly beforeMinor: number;
  minor: number;
  isUsed: boolean;
}

const inOrder = (a: Unit, b: Unit) => a.line - b.line || a.at - b.at;
const dearestFirst = (a: Unit, b: Unit) => b.minor - a.minor || inOrder(a, b);
const cheapestFirst = (a: Unit, b: Unit) => a.minor - b.minor || inOrder(a, b);

type SetOffer = Extract<TakingOffer, { kind: 'buyGet' | 'bundle' }>;

/** What offers on sets of units take off each line, one after the other, told unit by unit as the rules are written. */
export function slowSets(cart: Cart, unitPrices: readonly number[], offers: readonly SetOffer[]) {
  const units: Unit[] = cart.lines.flatMap(({ quantity }, line) =>
    Array.from({ length: quantity }, (_, at) => ({
      ...{ line, at, isUsed: false },
      ...{ beforeMinor: unitPrices[line]!, minor: unitPrices[line]! },
    })),
  );
  const reduce = (unit: Unit, by: number) => void (unit.minor -= by);
  for (const offer of offers) {
    if (offer.kind === 'bundle') takeBundles(cart, units, offer, reduce);
    else takeBuyGet(cart, units, offer, reduce);
  }
  const count = (line: number, of: (unit: Unit) => number) =>
    units.reduce((sum, unit) => sum + (unit.line === line ? of(unit) : 0), 0);
  return cart.lines.map((_, line) => ({
    off: count(line, (unit) => unit.beforeMinor - unit.minor),
    free: count(line, (unit) => (unit.isUsed ? 0 : 1)),
    given: count(line, (unit) => (unit.beforeMinor > 0 && unit.minor === 0 ? 1 : 0)),
  }));
}

function takeBuyGet(
  cart: Cart,
  units: readonly Unit[],
  offer: Extract<TakingOffer, { kind: 'buyGet' }>,
  reduce: (unit: Unit, by: number) => void,
): void {
  const { buyQuantity, getQuantity, basisPoints } = offer;
  const most = offer.most ?? Infinity;
  const free = (selection: LineSelection) => {
    const fitting = cart.fitting(selection);
    return units.filter((unit) => !unit.isUsed && (fitting?.[unit.line] ?? true));
  };
  const reduceAll = (reduced: readonly Unit[]) => {
    for (const unit of reduced) reduce(unit, partOf(unit.minor, basisPoints));
  };
  if (buysWhatItGives(offer)) {
    const found = free(offer.buy).sort(dearestFirst);
    const size = buyQuantity + getQuantity;
    for (let group = 0; group < most && group * size < found.length; group += 1) {
      const members = found.slice(group * size, (group + 1) * size);
      if (members.length <= buyQuantity) break;
      for (const unit of members) unit.isUsed = true;
      reduceAll(members.slice(buyQuantity));
    }
    return;
  }
  const gets = free(offer.get).sort(offer.choose === 'cheapest' ? cheapestFirst : dearestFirst);
  const buys = free(offer.buy);
  const ceiling = Math.min(Math.ceil(gets.length / getQuantity), Math.floor(buys.length / buyQuantity), most);
  for (let times = ceiling; times > 0; times -= 1) {
    const reduced = new Set(gets.slice(0, Math.min(times * getQuantity, gets.length)));
    const others = buys.filter((unit) => !reduced.has(unit));
    if (others.length < times * buyQuantity) continue;
    for (const unit of others.sort(cheapestFirst).slice(0, times * buyQuantity)) unit.isUsed = true;
    for (const unit of reduced) unit.isUsed = true;
    reduceAll([...reduced]);
    return;
  }
}

function takeBundles(
  cart: Cart,
  units: readonly Unit[],
  offer: Extract<TakingOffer, { kind: 'bundle' }>,
  reduce: (unit: Unit, by: number) => void,
): void {
  const most = offer.most ?? Infinity;
  for (let made = 0; made < most; made += 1) {
    const taken = new Set<Unit>();
    const free = (selection: LineSelection) => {
      const fitting = cart.fitting(selection);
      return units.filter((unit) => !unit.isUsed && !taken.has(unit) && (fitting?.[unit.line] ?? true));
    };
    // Sorting is stable: equal ones stay as listed.
    const items = offer.items
      .map((item) => ({ item, found: free(item.selection).length }))
      .sort((a, b) => a.found - b.found);
    for (const { item } of items) {
      const found = free(item.selection).sort(dearestFirst).slice(0, item.quantity);
      if (found.length < item.quantity) return;
      for (const unit of found) taken.add(unit);
    }
    const members = [...taken].sort(inOrder);
    const together = members.reduce((sum, unit) => sum + unit.minor, 0);
    if (together <= offer.priceMinor) return;
    const shares = allocate(
      minor(offer.priceMinor),
      members.map((unit) => minor(unit.minor)),
    );
    for (const [i, unit] of members.entries()) {
      unit.isUsed = true;
      reduce(unit, unit.minor - shares[i]!);
    }
  }
}
