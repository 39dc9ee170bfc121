import type { Minor } from '~/core/money/minor';

/** What is being chosen before it is in a cart: a variant, so many of it, and what its options add. */
export interface Choice {
  readonly priceMinor: number;
  readonly wasMinor: number | null;
  readonly quantity: number;
  /** What the answers to its options add: to each unit, and once (see `effectSums`). */
  readonly extra: { readonly unitMinor: number; readonly onceMinor: number };
}

export interface ChoicePrice {
  /** One unit with what its options add to each. */
  readonly eachMinor: Minor;
  /** What counts once, however many. */
  readonly onceMinor: Minor;
  /** What the cart will say of the line before offers. */
  readonly totalMinor: Minor;
  /** The same before the price was lowered; null when it was not. */
  readonly wasTotalMinor: Minor | null;
  /** Whether the total is more than one unit's price, and needs explaining. */
  readonly hasParts: boolean;
}

/** What is being chosen before any offer, by the rule the cart prices lines by; where offers touch it, the server says the rest. */
export function priceChoice({ priceMinor, wasMinor, quantity, extra }: Choice): ChoicePrice {
  // The sum `priceLine` comes to, without its steps; a test holds the two together. Whole in, whole out.
  const total = (priceOfOne: number) =>
    (Math.max(0, priceOfOne + extra.unitMinor) * quantity + Math.max(0, extra.onceMinor)) as Minor;
  return {
    eachMinor: Math.max(0, priceMinor + extra.unitMinor) as Minor,
    onceMinor: extra.onceMinor as Minor,
    totalMinor: total(priceMinor),
    wasTotalMinor: wasMinor === null ? null : total(wasMinor),
    hasParts: quantity !== 1 || extra.onceMinor !== 0,
  };
}
