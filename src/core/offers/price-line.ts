import { minor, sumMinor, type Minor } from '~/core/money/minor';
import type { OptionEffect } from '~/core/options/effects';

export interface PriceableLine {
  readonly id: string;
  readonly quantity: number;
  readonly unitPriceMinor: Minor;
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
  | { readonly code: 'coupon'; readonly amountMinor: Minor; readonly offerId: string; readonly coupon: string }
  | { readonly code: 'delivery'; readonly amountMinor: Minor }
  | {
      readonly code: 'free-delivery';
      readonly amountMinor: Minor;
      readonly offerId: string;
      readonly thresholdMinor: Minor;
    }
  | { readonly code: 'tax-included' | 'tax-on-top'; readonly amountMinor: Minor; readonly basisPoints: number };

export interface LinePrice {
  readonly lineId: string;
  /** Before offers: goods and options. */
  readonly fullMinor: Minor;
  readonly totalMinor: Minor;
  readonly steps: readonly PriceStep[];
}

/** A line before offers: goods and options, with what each adds. */
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
    steps.push({
      code: 'option',
      amountMinor: minor(per === 'unit' ? amountMinor * line.quantity : amountMinor),
      key,
      label,
      per,
      eachMinor,
    });
  }
  const sum = sumMinor(steps.map((step) => step.amountMinor));
  if (sum < 0) steps.push({ code: 'floor', amountMinor: minor(-sum) });
  const full = minor(Math.max(0, sum));
  return { lineId: line.id, fullMinor: full, totalMinor: full, steps };
}
