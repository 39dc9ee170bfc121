import { allocate, minor } from '~/core/money';
import { partOf } from './half-up';
import { fullUnit } from './judge';
import { takeSets } from './sets';
import { less, type Cart, type OfferStep, type State, type Taken, type TakingOffer } from './state';

export const STAGES: Readonly<Record<TakingOffer['kind'], (offer: TakingOffer) => 1 | 2 | 3 | 4 | 5>> = {
  priceIs: () => 1,
  quantityBreaks: () => 1,
  buyGet: () => 2,
  bundle: () => 2,
  percentOff: (offer) => ('target' in offer && offer.target === 'order' ? 4 : 3),
  amountOff: (offer) => ('target' in offer && offer.target === 'order' ? 4 : 3),
  deliveryOff: () => 5,
};

/** Stage 1, all at once: the lowest unit price counts, of equal ones the first offer's. `offers` by rank and id. */
export function takeUnitPrices(cart: Cart, state: State, offers: readonly TakingOffer[]): Taken {
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
export function take(cart: Cart, state: State, offer: TakingOffer): Taken {
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

function takeOff(cart: Cart, state: State, offer: Extract<TakingOffer, { kind: 'percentOff' | 'amountOff' }>): Taken {
  const fitting = cart.fitting(offer.selection);
  const offs = offer.target === 'lines' ? offLines(cart, state, offer, fitting) : offOrder(state, offer, fitting);
  return less(state, offer.id, offs, state.units);
}

/** Units of a line that an amount is taken off: not those that the stage of sets brought to nothing. */
const payingUnits = (cart: Cart, { units }: State, line: number): number =>
  cart.lines[line]!.quantity - (units?.given[line] ?? 0);

function offLines(
  cart: Cart,
  state: State,
  offer: Extract<TakingOffer, { kind: 'percentOff' | 'amountOff' }>,
  fitting: readonly boolean[],
): number[] {
  const wanted: number[] = [];
  for (let i = 0; i < fitting.length; i += 1) {
    const cost = state.lines[i]!;
    if (!fitting[i]) wanted.push(0);
    else if (offer.kind === 'percentOff') wanted.push(Math.min(cost, partOf(cost, offer.basisPoints)));
    else wanted.push(Math.min(cost, offer.amountMinor * payingUnits(cart, state, i)));
  }
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

function takeDelivery(cart: Cart, state: State, offer: Extract<TakingOffer, { kind: 'deliveryOff' }>): Taken {
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
