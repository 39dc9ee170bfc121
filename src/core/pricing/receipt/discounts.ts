import { minor, sumMinor, type Minor } from '~/core/money/minor';
import type { PriceStep } from './price-line';

/** What one offer takes off all goods together. */
export interface Discount {
  readonly offerId: string;
  readonly name: string;
  /** As its owner wrote it; null for an offer without. */
  readonly coupon: string | null;
  /** More than nothing. */
  readonly amountMinor: Minor;
}

interface PricedSteps {
  readonly totalMinor: Minor;
  readonly steps: readonly PriceStep[];
}

/** Each offer once, with all it takes off some lines, in the order they act. */
export function discountsOf(lines: readonly Pick<PricedSteps, 'steps'>[]): Discount[] {
  const found = new Map<string, Discount>();
  for (const { steps } of lines)
    for (const step of steps) {
      if (step.code !== 'offer') continue;
      const { offerId, name, coupon } = step;
      const before = found.get(offerId)?.amountMinor ?? 0;
      found.set(offerId, { offerId, name, coupon, amountMinor: minor(before - step.amountMinor) });
    }
  return [...found.values()];
}

/** What a discount is called: its name, with the code it came by. */
export function discountName({ name, coupon }: Pick<Discount, 'name' | 'coupon'>): string {
  if (coupon === null || coupon.toLowerCase() === name.toLowerCase()) return name;
  return name === '' ? coupon : `${name} (${coupon})`;
}

/** What a line comes to by the offers on it alone: those on the whole order are told with the order. */
export function lineMinorOf({ totalMinor, steps }: PricedSteps): Minor {
  const ofOrder = steps.flatMap((step) => (step.code === 'offer' && step.isOfOrder ? [minor(-step.amountMinor)] : []));
  return sumMinor([totalMinor, ...ofOrder]);
}

/** What a line comes to before any offer. */
export function fullMinorOf({ totalMinor, steps }: PricedSteps): Minor {
  return sumMinor([totalMinor, ...steps.flatMap((step) => (step.code === 'offer' ? [minor(-step.amountMinor)] : []))]);
}
