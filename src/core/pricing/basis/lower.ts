import { allocateInto } from '~/core/money';
import { partOf } from './half-up';
import { follow, type Act, type Cart, type Standing } from './standing';

/** Keeps of an offer in a group per item which lines it has lowered: the later ones of its group pass by them. */
export function markLowered(lines: number, from: Standing, group: number, to: Standing): void {
  if (group === 0) return;
  to.lowered = to.own.lowered;
  for (let i = 0; i < lines; i += 1) to.lowered[i] = from.lowered[i]! | (to.lines[i]! < from.lines[i]! ? group : 0);
}

/** Whether an offer may lower a line as it stands. */
const isOpen = ({ fitting, group }: Act<unknown>, { lowered }: Standing, line: number): boolean =>
  (!fitting || fitting[line]!) && (group & lowered[line]!) === 0;

/** `to.lines` holds what is taken off each, `off` in all; it becomes what is left. */
function lessen({ lines }: Cart, from: Standing, to: Standing, off: number): number {
  follow(from, to);
  to.goodsMinor -= off;
  for (let i = 0; i < lines.length; i += 1) to.lines[i] = from.lines[i]! - to.lines[i]!;
  return off;
}

/** An offer that takes something off each line, or off the order; at most so much in all. */
export interface Lowering {
  readonly target: 'lines' | 'order';
  readonly maxMinor: number | null;
  /** A share, or so much of every unit or of the order. */
  readonly basisPoints?: number;
  readonly amountMinor?: number;
}

function sumOfFitting({ lines }: Cart, at: Standing, fitting: readonly boolean[]): number {
  let sum = 0;
  for (let i = 0; i < lines.length; i += 1) if (fitting[i]) sum += at.lines[i]!;
  return sum;
}

function takeOffLines(cart: Cart, from: Standing, act: Act<Lowering>, to: Standing): number {
  const { basisPoints = 0, amountMinor = 0, maxMinor } = act.offer;
  const count = cart.lines.length;
  const offs = to.lines;
  let off = 0;
  for (let i = 0; i < count; i += 1) {
    const cost = from.lines[i]!;
    // Units that the stage of sets brought to nothing have nothing left to take.
    const units = cart.lines[i]!.quantity - from.units.given[i]!;
    const own = isOpen(act, from, i) ? Math.min(cost, partOf(cost, basisPoints) + amountMinor * units) : 0;
    offs[i] = own;
    off += own;
  }
  if (maxMinor !== null && off > maxMinor) {
    off = maxMinor;
    allocateInto(off, offs, count);
  }
  return lessen(cart, from, to, off);
}

function takeOffOrder(cart: Cart, from: Standing, act: Act<Lowering>, to: Standing): number {
  const { basisPoints = 0, amountMinor = 0, maxMinor } = act.offer;
  const count = cart.lines.length;
  const costs = to.lines;
  let base = 0;
  for (let i = 0; i < count; i += 1) {
    const cost = isOpen(act, from, i) ? from.lines[i]! : 0;
    costs[i] = cost;
    base += cost;
  }
  const off = Math.min(partOf(base, basisPoints) + amountMinor, base, maxMinor ?? base);
  if (base > 0) allocateInto(off, costs, count);
  return lessen(cart, from, to, off);
}

/** What an offer of stages 3 and 4 takes of lines or the order, and in `to` what it leaves. */
export function takeOff(cart: Cart, from: Standing, act: Act<Lowering>, to: Standing): number {
  const off = act.offer.target === 'lines' ? takeOffLines(cart, from, act, to) : takeOffOrder(cart, from, act, to);
  if (off > 0) markLowered(cart.lines.length, from, act.group, to);
  return off;
}

/** What it takes at most of what there is now, whatever others take before it. */
export function mostOff(cart: Cart, at: Standing, { offer, fitting }: Act<Lowering>): number {
  const { target, basisPoints = 0, amountMinor = 0, maxMinor } = offer;
  let off = 0;
  if (target === 'lines') {
    for (let i = 0; i < cart.lines.length; i += 1) {
      if (fitting && !fitting[i]) continue;
      const cost = at.lines[i]!;
      off += Math.min(cost, partOf(cost, basisPoints) + amountMinor * cart.lines[i]!.quantity);
    }
  } else {
    const sum = fitting ? sumOfFitting(cart, at, fitting) : at.goodsMinor;
    off = Math.min(sum, partOf(sum, basisPoints) + amountMinor);
  }
  return Math.min(off, maxMinor ?? off);
}
