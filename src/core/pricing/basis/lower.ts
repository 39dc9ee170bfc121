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
}

/** What an offer takes off each line, or off the order: a share in basis points, or so much of every unit, or of the order. */
export interface Measure<Offer> {
  share(offer: Offer): number;
  amountMinor(offer: Offer): number;
}

function sumOfFitting({ lines }: Cart, at: Standing, fitting: readonly boolean[]): number {
  let sum = 0;
  for (let i = 0; i < lines.length; i += 1) if (fitting[i]) sum += at.lines[i]!;
  return sum;
}

/** How an offer of stages 3 and 4 takes off, and how much at most. */
export interface Lower<Offer> {
  /** What it takes of lines or the order, and in `to` what it leaves. */
  take(cart: Cart, from: Standing, act: Act<Offer>, to: Standing): number;
  /** What it takes at most of what there is now, whatever others take before it. */
  most(cart: Cart, at: Standing, act: Act<Offer>): number;
}

export function lowerBy<Offer extends Lowering>(measure: Measure<Offer>): Lower<Offer> {
  function takeOffLines(cart: Cart, from: Standing, act: Act<Offer>, to: Standing): number {
    const { offer } = act;
    const share = measure.share(offer);
    const amount = measure.amountMinor(offer);
    const count = cart.lines.length;
    const offs = to.lines;
    let off = 0;
    for (let i = 0; i < count; i += 1) {
      const cost = from.lines[i]!;
      // Units that the stage of sets brought to nothing have nothing left to take.
      const units = cart.lines[i]!.quantity - from.units.given[i]!;
      const own = isOpen(act, from, i) ? Math.min(cost, partOf(cost, share) + amount * units) : 0;
      offs[i] = own;
      off += own;
    }
    if (offer.maxMinor !== null && off > offer.maxMinor) {
      off = offer.maxMinor;
      allocateInto(off, offs, count);
    }
    return lessen(cart, from, to, off);
  }

  function takeOffOrder(cart: Cart, from: Standing, act: Act<Offer>, to: Standing): number {
    const { offer } = act;
    const count = cart.lines.length;
    const costs = to.lines;
    let base = 0;
    for (let i = 0; i < count; i += 1) {
      const cost = isOpen(act, from, i) ? from.lines[i]! : 0;
      costs[i] = cost;
      base += cost;
    }
    const wanted = partOf(base, measure.share(offer)) + measure.amountMinor(offer);
    const off = Math.min(wanted, base, offer.maxMinor ?? base);
    if (base > 0) allocateInto(off, costs, count);
    return lessen(cart, from, to, off);
  }

  return {
    take(cart, from, act, to) {
      const off = act.offer.target === 'lines' ? takeOffLines(cart, from, act, to) : takeOffOrder(cart, from, act, to);
      if (off > 0) markLowered(cart.lines.length, from, act.group, to);
      return off;
    },
    most(cart, at, { offer, fitting }) {
      const share = measure.share(offer);
      const amount = measure.amountMinor(offer);
      let off = 0;
      if (offer.target === 'lines') {
        for (let i = 0; i < cart.lines.length; i += 1) {
          if (fitting && !fitting[i]) continue;
          const cost = at.lines[i]!;
          off += Math.min(cost, partOf(cost, share) + amount * cart.lines[i]!.quantity);
        }
      } else {
        const sum = fitting ? sumOfFitting(cart, at, fitting) : at.goodsMinor;
        off = Math.min(sum, partOf(sum, share) + amount);
      }
      return Math.min(off, offer.maxMinor ?? off);
    },
  };
}
