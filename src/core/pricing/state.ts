import { fullPrice, fullUnit } from './judge';
import { fits } from './selection';
import type { LineSelection, PricedLine, PricedOffer } from './pricing.schema';

/** An offer that takes something off; a gift takes nothing and stands outside. */
export type TakingOffer = Exclude<PricedOffer, { kind: 'gift' }>;

/**
 * What the sets before left of each line. Units of a line that are free all cost what the stage of unit prices left, so that
 * they are counted and not listed; one that was reduced is used up.
 */
export interface Units {
  readonly free: readonly number[];
  /** Brought from more than nothing to nothing. */
  readonly given: readonly number[];
}

/** What an offer takes off one line, or off delivery (`line` null). */
export interface OfferStep {
  readonly offerId: string;
  readonly line: number | null;
  readonly amountMinor: number;
}

/** Where a cart stands between two offers. */
export interface State {
  /** What each line still costs. */
  readonly lines: readonly number[];
  readonly deliveryMinor: number | null;
  /** What sets left of the units; null before the first. */
  readonly units: Units | null;
  /** The unit each line costs after the stage of unit prices. */
  readonly unitPrices: readonly number[];
}

/** What an offer took, and what that left. */
export interface Taken {
  readonly state: State;
  readonly steps: readonly OfferStep[];
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

/** What is left when so much is taken off each line, with a step for each that loses something. */
export function less(state: State, offerId: string, offs: readonly number[], units: Units | null): Taken {
  const lines: number[] = [];
  const steps: OfferStep[] = [];
  for (let line = 0; line < offs.length; line += 1) {
    const amountMinor = offs[line]!;
    lines.push(state.lines[line]! - amountMinor);
    if (amountMinor > 0) steps.push({ offerId, line, amountMinor });
  }
  return { state: { lines, deliveryMinor: state.deliveryMinor, units, unitPrices: state.unitPrices }, steps };
}
