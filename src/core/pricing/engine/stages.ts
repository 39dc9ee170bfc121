import { allocateInto } from '~/core/money';
import { assertNever } from '~/core/problems';
import { partOf } from './half-up';
import { fullUnit } from './judge';
import type { PricedLine } from './pricing.schema';
import { takeSets } from './sets';
import { countFitting, follow, type Act, type Cart, type Standing, type TakingOffer } from './state';

type OffOffer = Extract<TakingOffer, { kind: 'percentOff' | 'amountOff' }>;

/**
 * Stage 1, all at once: the lowest unit price counts, of equal ones the first offer's. `acts` by rank and id. Returns of
 * each line which offer made its price; null: none.
 */
export function takeUnitPrices(cart: Cart, from: Standing, acts: readonly Act[], to: Standing): (TakingOffer | null)[] {
  const { lines } = cart;
  follow(from, to);
  to.prices = to.own.prices;
  to.prices.dearestFirst = to.prices.cheapestFirst = null;
  const { of } = to.prices;
  const by = lines.map((line, i): TakingOffer | null => {
    of[i] = fullUnit(line);
    return null;
  });
  for (const { offer, fitting } of acts) {
    if (offer.kind !== 'priceIs' && offer.kind !== 'quantityBreaks') continue;
    // What counts together counts whether or not a line takes this offer.
    const isTogether = offer.kind === 'quantityBreaks' && offer.count === 'selection';
    const together = isTogether ? countFitting(cart, cart.fitting(offer.selection)) : 0;
    for (let i = 0; i < lines.length; i += 1) {
      if (fitting && !fitting[i]) continue;
      const unit = newUnit(offer, lines[i]!, together);
      if (unit !== null && unit < of[i]!) {
        of[i] = unit;
        by[i] = offer;
      }
    }
  }
  for (let i = 0; i < lines.length; i += 1) {
    const off = by[i] === null ? 0 : (fullUnit(lines[i]!) - of[i]!) * lines[i]!.quantity;
    to.lines[i] = from.lines[i]! - off;
    to.goodsMinor -= off;
  }
  return by;
}

/** What an offer of stage 1 makes of a unit of a line that fits; null: nothing. `together`: units of all lines that fit. */
export function newUnit(offer: TakingOffer, line: PricedLine, together: number): number | null {
  if (offer.kind === 'priceIs') return Math.max(0, offer.unitMinor + line.unitOptionsMinor);
  if (offer.kind !== 'quantityBreaks') return null;
  const quantity = offer.count === 'selection' ? together : line.quantity;
  let reached: (typeof offer.breaks)[number] | null = null;
  for (const step of offer.breaks)
    if (step.from <= quantity && (reached === null || step.from > reached.from)) reached = step;
  if (reached === null) return null;
  const full = fullUnit(line);
  return 'unitMinor' in reached
    ? Math.max(0, reached.unitMinor + line.unitOptionsMinor)
    : Math.max(0, full - partOf(full, reached.basisPoints));
}

/** Stages 2 to 5: what one offer takes of what those before it left, and in `to` what it leaves. */
export function take(cart: Cart, from: Standing, act: Act, to: Standing): number {
  const { offer } = act;
  switch (offer.kind) {
    case 'buyGet':
    case 'bundle': {
      const off = takeSets(cart, from, offer, to);
      if (off > 0) markLowered(cart.lines.length, from, act.group, to);
      return off;
    }
    case 'percentOff':
    case 'amountOff': {
      const off = offer.target === 'lines' ? takeOffLines(cart, from, act, to) : takeOffOrder(cart, from, act, to);
      if (off > 0) markLowered(cart.lines.length, from, act.group, to);
      return off;
    }
    case 'deliveryOff':
      return takeDelivery(cart, from, offer, to);
    case 'priceIs':
    case 'quantityBreaks':
      throw new Error(`${offer.kind} acts with all others of its stage`);
    default:
      return assertNever(offer);
  }
}

/** Keeps of an offer in a group per item which lines it has lowered: the later ones of its group pass by them. */
function markLowered(lines: number, from: Standing, group: number, to: Standing): void {
  if (group === 0) return;
  to.lowered = to.own.lowered;
  for (let i = 0; i < lines; i += 1) to.lowered[i] = from.lowered[i]! | (to.lines[i]! < from.lines[i]! ? group : 0);
}

/** Whether an offer may lower a line as it stands. */
const isOpen = ({ fitting, group }: Act, { lowered }: Standing, line: number): boolean =>
  (!fitting || fitting[line]!) && (group & lowered[line]!) === 0;

function takeOffLines(cart: Cart, from: Standing, act: Act, to: Standing): number {
  const offer = act.offer as OffOffer;
  const count = cart.lines.length;
  const offs = to.lines;
  let off = 0;
  for (let i = 0; i < count; i += 1) {
    const cost = from.lines[i]!;
    const own = isOpen(act, from, i) ? Math.min(cost, offUnits(cart, from, offer, i)) : 0;
    offs[i] = own;
    off += own;
  }
  if (offer.maxMinor !== null && off > offer.maxMinor) {
    off = offer.maxMinor;
    allocateInto(off, offs, count);
  }
  return lessen(cart, from, to, off);
}

/** An amount is taken off every unit, but for those that the stage of sets brought to nothing. */
function offUnits(cart: Cart, { lines, units }: Standing, offer: OffOffer, i: number): number {
  return offer.kind === 'percentOff'
    ? partOf(lines[i]!, offer.basisPoints)
    : offer.amountMinor * (cart.lines[i]!.quantity - units.given[i]!);
}

function takeOffOrder(cart: Cart, from: Standing, act: Act, to: Standing): number {
  const offer = act.offer as OffOffer;
  const count = cart.lines.length;
  const costs = to.lines;
  let base = 0;
  for (let i = 0; i < count; i += 1) {
    const cost = isOpen(act, from, i) ? from.lines[i]! : 0;
    costs[i] = cost;
    base += cost;
  }
  const wanted = offer.kind === 'percentOff' ? partOf(base, offer.basisPoints) : offer.amountMinor;
  const off = Math.min(wanted, base, offer.maxMinor ?? base);
  if (base > 0) allocateInto(off, costs, count);
  return lessen(cart, from, to, off);
}

/** `to.lines` holds what is taken off each, `off` in all; it becomes what is left. */
function lessen({ lines }: Cart, from: Standing, to: Standing, off: number): number {
  follow(from, to);
  to.goodsMinor -= off;
  for (let i = 0; i < lines.length; i += 1) to.lines[i] = from.lines[i]! - to.lines[i]!;
  return off;
}

function takeDelivery(
  { lines, deliveryMethod }: Cart,
  from: Standing,
  offer: Extract<TakingOffer, { kind: 'deliveryOff' }>,
  to: Standing,
): number {
  const isMethod = offer.methods.length === 0 || offer.methods.includes(deliveryMethod ?? '');
  const off = isMethod ? offDelivery(offer, from.deliveryMinor) : 0;
  follow(from, to);
  to.deliveryMinor -= off;
  for (let i = 0; i < lines.length; i += 1) to.lines[i] = from.lines[i]!;
  return off;
}

/** What an offer takes off delivery that still costs so much. */
export function offDelivery(
  { flatMinor, amountMinor, basisPoints }: Extract<TakingOffer, { kind: 'deliveryOff' }>,
  rest: number,
): number {
  if (flatMinor !== undefined) return Math.max(0, rest - flatMinor);
  return Math.min(rest, amountMinor ?? partOf(rest, basisPoints ?? 0));
}
