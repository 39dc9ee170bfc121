import { allocate, minor } from '~/core/money';
import { partOf } from './half-up';
import { fullPrice, fullUnit } from './judge';
import { buysWhatItGives, fits } from './selection';
import type { LineSelection, PricedLine, PricedOffer } from './pricing.schema';

/** An offer that takes something off; a gift takes nothing and stands outside. */
export type TakingOffer = Exclude<PricedOffer, { kind: 'gift' }>;

export const STAGES: Readonly<Record<TakingOffer['kind'], (offer: TakingOffer) => 1 | 2 | 3 | 4 | 5>> = {
  priceIs: () => 1,
  quantityBreaks: () => 1,
  buyGet: () => 2,
  bundle: () => 2,
  percentOff: (offer) => ('target' in offer && offer.target === 'order' ? 4 : 3),
  amountOff: (offer) => ('target' in offer && offer.target === 'order' ? 4 : 3),
  deliveryOff: () => 5,
};

/** What an offer takes off one line, or off delivery (`line` null). */
export interface OfferStep {
  readonly offerId: string;
  readonly line: number | null;
  readonly amountMinor: number;
}

/** One unit of a line in the stage of sets. */
interface Unit {
  readonly line: number;
  readonly at: number;
  readonly beforeMinor: number;
  minor: number;
  isUsed: boolean;
}

/** Where a cart stands between two offers. */
export interface State {
  /** What each line still costs. */
  readonly lines: readonly number[];
  readonly deliveryMinor: number | null;
  /** Units after the stage of sets began; null before. */
  readonly units: readonly Unit[] | null;
  /** The unit each line costs after the stage of unit prices. */
  readonly unitPrices: readonly number[];
}

/** A cart as the stages see it: which lines fit which selection is found out once. */
export interface Cart {
  readonly lines: readonly PricedLine[];
  readonly deliveryMethod: string | null;
  fitting(selection: LineSelection): readonly boolean[];
}

export function cartOf(lines: readonly PricedLine[], deliveryMethod: string | null): Cart {
  const known = new Map<LineSelection, readonly boolean[]>();
  return {
    lines,
    deliveryMethod,
    fitting(selection) {
      let found = known.get(selection);
      if (!found) known.set(selection, (found = lines.map((line) => fits(line, selection))));
      return found;
    },
  };
}

export function beginning(cart: Cart, deliveryMinor: number | null): State {
  return {
    lines: cart.lines.map(fullPrice),
    deliveryMinor,
    units: null,
    unitPrices: cart.lines.map(fullUnit),
  };
}

/** Stage 1, all at once: the lowest unit price counts, of equal ones the first offer's. `offers` by rank and id. */
export function takeUnitPrices(
  cart: Cart,
  state: State,
  offers: readonly TakingOffer[],
): { state: State; steps: OfferStep[] } {
  const steps: OfferStep[] = [];
  const unitPrices = [...state.unitPrices];
  const lines = state.lines.map((cost, i) => {
    const line = cart.lines[i]!;
    const full = fullUnit(line);
    let best = full;
    let by: string | null = null;
    for (const offer of offers) {
      const unit = newUnit(offer, cart, i);
      if (unit !== null && unit < best) [best, by] = [unit, offer.id];
    }
    if (by === null) return cost;
    unitPrices[i] = best;
    const off = (full - best) * line.quantity;
    steps.push({ offerId: by, line: i, amountMinor: off });
    return cost - off;
  });
  return { state: { ...state, lines, unitPrices }, steps };
}

function newUnit(offer: TakingOffer, cart: Cart, i: number): number | null {
  const line = cart.lines[i]!;
  if (offer.kind === 'priceIs')
    return cart.fitting(offer.selection)[i] ? Math.max(0, offer.unitMinor + line.unitOptionsMinor) : null;
  if (offer.kind !== 'quantityBreaks') return null;
  const fitting = cart.fitting(offer.selection);
  if (!fitting[i]) return null;
  const quantity =
    offer.count === 'line'
      ? line.quantity
      : cart.lines.reduce((sum, other, j) => sum + (fitting[j] ? other.quantity : 0), 0);
  let reached: (typeof offer.breaks)[number] | null = null;
  for (const step of offer.breaks)
    if (step.from <= quantity && (reached === null || step.from > reached.from)) reached = step;
  if (reached === null) return null;
  const full = fullUnit(line);
  return 'unitMinor' in reached
    ? Math.max(0, reached.unitMinor + line.unitOptionsMinor)
    : Math.max(0, full - partOf(full, reached.basisPoints));
}

/** Stages 2 to 5: what one offer takes of what those before it left. */
export function take(cart: Cart, state: State, offer: TakingOffer): { state: State; steps: OfferStep[] } {
  switch (offer.kind) {
    case 'buyGet':
    case 'bundle':
      return takeSets(cart, state, offer);
    case 'percentOff':
    case 'amountOff':
      return takeOff(cart, state, offer);
    case 'deliveryOff':
      return takeDelivery(cart, state, offer);
    default:
      return { state, steps: [] };
  }
}

function unitsOf(cart: Cart, state: State): Unit[] {
  if (state.units) return state.units.map((unit) => ({ ...unit }));
  return cart.lines.flatMap((line, i) =>
    Array.from({ length: line.quantity }, (_, at) => ({
      ...{ line: i, at, isUsed: false },
      ...{ beforeMinor: state.unitPrices[i]!, minor: state.unitPrices[i]! },
    })),
  );
}

/** Sorts units that stand line by line; while no set has touched any, those of a line cost the same and stay together. */
function sorted(units: Unit[], isFresh: boolean, order: (a: Unit, b: Unit) => number): Unit[] {
  if (!isFresh) return units.sort(order);
  const runs: Unit[][] = [];
  let line = -1;
  for (const unit of units) {
    if (unit.line !== line) runs.push([]);
    line = unit.line;
    runs.at(-1)!.push(unit);
  }
  if (runs.length < 2) return units;
  return runs.sort((a, b) => order(a[0]!, b[0]!)).flat();
}

const inOrder = (a: Unit, b: Unit) => a.line - b.line || a.at - b.at;
const dearestFirst = (a: Unit, b: Unit) => b.minor - a.minor || inOrder(a, b);
const cheapestFirst = (a: Unit, b: Unit) => a.minor - b.minor || inOrder(a, b);

function takeSets(
  cart: Cart,
  state: State,
  offer: Extract<TakingOffer, { kind: 'buyGet' | 'bundle' }>,
): { state: State; steps: OfferStep[] } {
  const units = unitsOf(cart, state);
  const off = new Map<number, number>();
  const reduce = (unit: Unit, by: number) => {
    unit.minor -= by;
    off.set(unit.line, (off.get(unit.line) ?? 0) + by);
  };
  if (offer.kind === 'bundle') takeBundles(cart, units, offer, reduce);
  else takeBuyGet(cart, units, offer, reduce, state.units === null);
  const steps = [...off].flatMap(([line, amountMinor]) =>
    amountMinor > 0 ? [{ offerId: offer.id, line, amountMinor }] : [],
  );
  const lines = state.lines.map((cost, i) => cost - (off.get(i) ?? 0));
  return { state: { ...state, lines, units }, steps };
}

function takeBuyGet(
  cart: Cart,
  units: readonly Unit[],
  offer: Extract<TakingOffer, { kind: 'buyGet' }>,
  reduce: (unit: Unit, by: number) => void,
  isFresh: boolean,
): void {
  const { buyQuantity, getQuantity, basisPoints } = offer;
  const most = offer.most ?? Infinity;
  const free = (selection: LineSelection) => {
    const fitting = cart.fitting(selection);
    return units.filter((unit) => !unit.isUsed && fitting[unit.line]);
  };
  const reduceAll = (reduced: readonly Unit[]) => {
    for (const unit of reduced) reduce(unit, partOf(unit.minor, basisPoints));
  };
  if (buysWhatItGives(offer)) {
    const found = sorted(free(offer.buy), isFresh, dearestFirst);
    const size = buyQuantity + getQuantity;
    for (let group = 0; group < most && group * size < found.length; group += 1) {
      const members = found.slice(group * size, (group + 1) * size);
      if (members.length <= buyQuantity) break;
      for (const unit of members) unit.isUsed = true;
      reduceAll(members.slice(buyQuantity));
    }
    return;
  }
  const gets = sorted(free(offer.get), isFresh, offer.choose === 'cheapest' ? cheapestFirst : dearestFirst);
  const buys = free(offer.buy);
  const ceiling = Math.min(Math.ceil(gets.length / getQuantity), Math.floor(buys.length / buyQuantity), most);
  for (let times = ceiling; times > 0; times -= 1) {
    const reduced = new Set(gets.slice(0, Math.min(times * getQuantity, gets.length)));
    const others = buys.filter((unit) => !reduced.has(unit));
    if (others.length < times * buyQuantity) continue;
    for (const unit of sorted(others, isFresh, cheapestFirst).slice(0, times * buyQuantity)) unit.isUsed = true;
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
      return units.filter((unit) => !unit.isUsed && !taken.has(unit) && fitting[unit.line]);
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

function takeOff(
  cart: Cart,
  state: State,
  offer: Extract<TakingOffer, { kind: 'percentOff' | 'amountOff' }>,
): { state: State; steps: OfferStep[] } {
  const fitting = cart.fitting(offer.selection);
  const offs = offer.target === 'lines' ? offLines(cart, state, offer, fitting) : offOrder(state, offer, fitting);
  const steps = offs.flatMap((amountMinor, line) =>
    amountMinor > 0 ? [{ offerId: offer.id, line, amountMinor }] : [],
  );
  return { state: { ...state, lines: state.lines.map((cost, i) => cost - offs[i]!) }, steps };
}

/** Units of a line that an amount is taken off: not those that the stage of sets brought to nothing. */
function payingUnits(cart: Cart, state: State, line: number): number {
  const given =
    state.units?.filter((unit) => unit.line === line && unit.beforeMinor > 0 && unit.minor === 0).length ?? 0;
  return cart.lines[line]!.quantity - given;
}

function offLines(
  cart: Cart,
  state: State,
  offer: Extract<TakingOffer, { kind: 'percentOff' | 'amountOff' }>,
  fitting: readonly boolean[],
): number[] {
  const wanted = state.lines.map((cost, i) => {
    if (!fitting[i]) return 0;
    const off =
      offer.kind === 'percentOff' ? partOf(cost, offer.basisPoints) : offer.amountMinor * payingUnits(cart, state, i);
    return Math.min(cost, off);
  });
  return capped(wanted, offer.maxMinor);
}

function capped(wanted: number[], most: number | null): number[] {
  const sum = wanted.reduce((all, one) => all + one, 0);
  return most === null || sum <= most
    ? wanted
    : allocate(
        minor(most),
        wanted.map((off) => minor(off)),
      );
}

function offOrder(
  state: State,
  offer: Extract<TakingOffer, { kind: 'percentOff' | 'amountOff' }>,
  fitting: readonly boolean[],
): number[] {
  const costs = state.lines.map((cost, i) => minor(fitting[i] ? cost : 0));
  const base = costs.reduce<number>((sum, cost) => sum + cost, 0);
  if (base === 0) return costs;
  const off = offer.kind === 'percentOff' ? partOf(base, offer.basisPoints) : offer.amountMinor;
  return allocate(minor(Math.min(off, base, offer.maxMinor ?? base)), costs);
}

function takeDelivery(
  cart: Cart,
  state: State,
  offer: Extract<TakingOffer, { kind: 'deliveryOff' }>,
): { state: State; steps: OfferStep[] } {
  const rest = state.deliveryMinor;
  const isMethod = offer.methods.length === 0 || offer.methods.includes(cart.deliveryMethod ?? '');
  if (rest === null || !isMethod) return { state, steps: [] };
  const off =
    offer.flatMinor !== undefined
      ? Math.max(0, rest - offer.flatMinor)
      : Math.min(rest, offer.amountMinor ?? partOf(rest, offer.basisPoints ?? 0));
  if (off === 0) return { state, steps: [] };
  return {
    state: { ...state, deliveryMinor: rest - off },
    steps: [{ offerId: offer.id, line: null, amountMinor: off }],
  };
}
