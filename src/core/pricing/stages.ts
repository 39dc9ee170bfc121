import { allocateInto } from '~/core/money';
import { partOf } from './half-up';
import { fullUnit } from './judge';
import { takeSets } from './sets';
import { follow, type Cart, type Standing, type TakingOffer } from './state';

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
  }
}

type UnitPriceOffer = Extract<TakingOffer, { kind: 'priceIs' | 'quantityBreaks' }>;
type OffOffer = Extract<TakingOffer, { kind: 'percentOff' | 'amountOff' }>;

/**
 * Stage 1, all at once: the lowest unit price counts, of equal ones the first offer's. `offers` by rank and id. Returns of
 * each line which offer made its price; null: none.
 */
export function takeUnitPrices(
  cart: Cart,
  from: Standing,
  offers: readonly TakingOffer[],
  to: Standing,
): (TakingOffer | null)[] {
  const { lines } = cart;
  follow(from, to);
  to.prices = to.own.prices;
  to.prices.dearestFirst = to.prices.cheapestFirst = null;
  const { of } = to.prices;
  const by = lines.map((line, i): TakingOffer | null => {
    of[i] = fullUnit(line);
    return null;
  });
  for (const offer of offers) {
    if (offer.kind !== 'priceIs' && offer.kind !== 'quantityBreaks') continue;
    const fitting = cart.fitting(offer.selection);
    const together =
      offer.kind === 'quantityBreaks' && offer.count === 'selection' ? countFitting(cart, fitting) : null;
    for (let i = 0; i < lines.length; i += 1) {
      if (fitting && !fitting[i]) continue;
      const unit = newUnit(offer, cart, i, together);
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

function countFitting({ lines }: Cart, fitting: readonly boolean[] | null): number {
  let count = 0;
  for (let i = 0; i < lines.length; i += 1) if (!fitting || fitting[i]) count += lines[i]!.quantity;
  return count;
}

/** `together`: of all lines that fit, where they are counted together. */
function newUnit(offer: UnitPriceOffer, cart: Cart, i: number, together: number | null): number | null {
  const line = cart.lines[i]!;
  if (offer.kind === 'priceIs') return Math.max(0, offer.unitMinor + line.unitOptionsMinor);
  const quantity = together ?? line.quantity;
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
export function take(cart: Cart, from: Standing, offer: TakingOffer, to: Standing): number {
  switch (offer.kind) {
    case 'buyGet':
    case 'bundle':
      return takeSets(cart, from, offer, to);
    case 'percentOff':
    case 'amountOff':
      return offer.target === 'lines' ? takeOffLines(cart, from, offer, to) : takeOffOrder(cart, from, offer, to);
    case 'deliveryOff':
      return takeDelivery(cart, from, offer, to);
    default:
      throw new Error(`${offer.kind} acts with all others of its stage`);
  }
}

function takeOffLines(cart: Cart, from: Standing, offer: OffOffer, to: Standing): number {
  const fitting = cart.fitting(offer.selection);
  const count = cart.lines.length;
  const offs = to.lines;
  let off = 0;
  for (let i = 0; i < count; i += 1) {
    const cost = from.lines[i]!;
    const own = fitting && !fitting[i] ? 0 : Math.min(cost, offUnits(cart, from, offer, i));
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

function takeOffOrder(cart: Cart, from: Standing, offer: OffOffer, to: Standing): number {
  const fitting = cart.fitting(offer.selection);
  const count = cart.lines.length;
  const costs = to.lines;
  let base = 0;
  for (let i = 0; i < count; i += 1) {
    const cost = fitting && !fitting[i] ? 0 : from.lines[i]!;
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
