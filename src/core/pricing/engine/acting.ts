import type { PricedOffer, OfferFacts, Offer } from '../offers';
import type { LineSelection } from '../basis/selection';
import type { Act as ActOf, Stage } from '../basis/standing';

/** An offer that takes something, and when it acts. */
export interface Acting {
  readonly offer: PricedOffer;
  readonly facts: OfferFacts<Offer>;
  readonly stage: Stage;
  /** Which lines it is about; null: all, or it chooses its units itself. */
  readonly selection: LineSelection;
  /** Its place by rank, then by id as text: how offers of one stage act in turn. */
  readonly turn: number;
  /** The part of everything that it takes at most, in basis points; 0: that is not said. */
  readonly share: number;
  /** Of stage 1, or of stage 3 without a cap: in a group per item each line takes one of these at most. */
  readonly isLineOffer: boolean;
  /** The group in which it lowers items that no other of the group lowers; null: none. */
  readonly itemGroup: string | null;
}

/** An offer as it acts in one combination. */
export interface Act extends ActOf<PricedOffer> {
  readonly facts: OfferFacts<Offer>;
  readonly stage: Stage;
}

/** By rank, then by id. */
export function inTurn(offers: readonly Acting[]): readonly Acting[] {
  for (let i = 1; i < offers.length; i += 1)
    if (offers[i - 1]!.turn > offers[i]!.turn) return offers.toSorted((a, b) => a.turn - b.turn);
  return offers;
}

/** What an offer takes off one line, or off delivery (`line` null). */
export interface OfferStep {
  readonly offerId: string;
  readonly line: number | null;
  readonly amountMinor: number;
}
