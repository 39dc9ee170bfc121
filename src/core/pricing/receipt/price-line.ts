import { minor, sumMinor, type Minor } from '~/core/money/minor';
import type { OptionEffect } from '~/core/options/effects';

/** A line of goods to be priced. */
export interface PriceableLine {
  readonly id: string;
  /** Slug of the product, SKU of the variant. */
  readonly product: string;
  readonly variant: string;
  /** Slugs, parents included. */
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  readonly quantity: number;
  readonly unitPriceMinor: Minor;
  /** Its own tax rate; absent: the shop's. */
  readonly taxBasisPoints?: number;
  /** What the answers to its options add; none for a product without. */
  readonly effects?: readonly OptionEffect[];
}

/** One reason why an amount is what it is; the interface puts it into words. */
export type PriceStep =
  | { readonly code: 'list-price'; readonly amountMinor: Minor; readonly quantity: number; readonly unitMinor: Minor }
  | {
      readonly code: 'option';
      readonly amountMinor: Minor;
      readonly key: string;
      readonly label: string;
      readonly per: 'unit' | 'once';
      /** Of one unit; for `once` the whole. */
      readonly eachMinor: Minor;
    }
  /** Options that take off more than there is: a line costs nothing at least. */
  | { readonly code: 'floor'; readonly amountMinor: Minor }
  /** What an offer takes off a line or off delivery; `coupon` is the code it came by, as its owner wrote it. */
  | {
      readonly code: 'offer';
      readonly amountMinor: Minor;
      readonly offerId: string;
      readonly name: string;
      readonly coupon: string | null;
      /** Whether it is a share of what comes off the whole order. */
      readonly isOfOrder: boolean;
    }
  /** Given for nothing; `valueMinor` is what one costs otherwise. */
  | {
      readonly code: 'gift';
      readonly amountMinor: Minor;
      readonly offerId: string;
      readonly name: string;
      readonly valueMinor: Minor;
    }
  | { readonly code: 'delivery'; readonly amountMinor: Minor }
  | { readonly code: 'tax-included' | 'tax-on-top'; readonly amountMinor: Minor; readonly basisPoints: number };

export interface LinePrice {
  readonly lineId: string;
  /** Before offers: goods and options. */
  readonly fullMinor: Minor;
  readonly totalMinor: Minor;
  readonly steps: readonly PriceStep[];
}

/** A line before offers: goods and options, with what each adds. One unit costs nothing at least, and so does what counts once. */
export function priceLine(line: PriceableLine): LinePrice {
  const steps: PriceStep[] = [
    {
      code: 'list-price',
      amountMinor: minor(line.unitPriceMinor * line.quantity),
      quantity: line.quantity,
      unitMinor: line.unitPriceMinor,
    },
  ];
  for (const { key, label, per, amountMinor } of line.effects ?? []) {
    const eachMinor = minor(amountMinor);
    const amount = minor(per === 'unit' ? amountMinor * line.quantity : amountMinor);
    steps.push({ code: 'option', amountMinor: amount, key, label, per, eachMinor });
  }
  const { unitMinor, onceMinor } = sumEffects(line);
  const full = minor(Math.max(0, line.unitPriceMinor + unitMinor) * line.quantity + Math.max(0, onceMinor));
  const said = sumMinor(steps.map((step) => step.amountMinor));
  if (said < full) steps.push({ code: 'floor', amountMinor: minor(full - said) });
  return { lineId: line.id, fullMinor: full, totalMinor: full, steps };
}

/** What the options of a line add to each unit, and once. */
export function sumEffects({ effects = [] }: Pick<PriceableLine, 'effects'>): { unitMinor: number; onceMinor: number } {
  let [unitMinor, onceMinor] = [0, 0];
  for (const { per, amountMinor } of effects)
    if (per === 'unit') unitMinor += amountMinor;
    else onceMinor += amountMinor;
  return { unitMinor, onceMinor };
}
