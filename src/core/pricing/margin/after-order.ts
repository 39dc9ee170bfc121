import { pricedLine } from '../basis/line';
import { minor, type Minor } from '~/core/money';
import { partOf } from '../basis/half-up';
import { taxOf, type TaxRule } from '../basis/tax';
import { leastPrice, type Costed, type Margins } from './margins';
import type { OptionEffect } from '~/core/options/effects';
import { priceLine, type PriceStep } from '../receipt/price-line';

/** One product offered after an order, cheaper than by itself. */
export interface AfterOrderPrice {
  /** What so many cost by themselves. */
  readonly fullMinor: Minor;
  readonly amountMinor: Minor;
  readonly taxMinor: Minor;
  readonly taxBasisPoints: number;
  /** Before the offer, with the tax where that comes on top. */
  readonly fullTotalMinor: Minor;
  /** What is charged: the amount, with the tax where that comes on top. */
  readonly totalMinor: Minor;
  /** Whether the floor for margins kept it from getting cheaper. */
  readonly isHeld: boolean;
  readonly steps: readonly PriceStep[];
  readonly orderSteps: readonly PriceStep[];
}

/**
 * So many of a product at so many per cent less, half up, and never below the floor for margins where one is known. A product
 * whose floor lies above its price keeps its price. Tax is taken of these units alone, half up.
 */
export function priceAfterOrder(
  good: Costed,
  asked: {
    readonly quantity: number;
    readonly percent: number;
    readonly offerId: string;
    readonly name: string;
    /** Of the answers to its options. */
    readonly effects?: readonly OptionEffect[];
  },
  { margins, tax }: { readonly margins: Margins; readonly tax: TaxRule },
): AfterOrderPrice {
  const { quantity, percent, offerId, name, effects = [] } = asked;
  const { fullMinor: full, steps } = priceLine(pricedLine(good, quantity, { effects }));
  const basisPoints = good.taxBasisPoints ?? tax.basisPoints;
  const wished = full - partOf(full, percent * 100);
  const amount = Math.max(wished, Math.min(full, leastPrice(good, quantity, margins, tax) ?? 0));
  const taxAmount = taxOf(amount, basisPoints, tax.included);
  return {
    fullMinor: full,
    amountMinor: minor(amount),
    taxMinor: minor(taxAmount),
    taxBasisPoints: basisPoints,
    fullTotalMinor: minor(tax.included ? full : full + taxOf(full, basisPoints, false)),
    totalMinor: minor(tax.included ? amount : amount + taxAmount),
    isHeld: amount > wished,
    steps: [
      ...steps,
      ...(amount < full
        ? [{ code: 'offer' as const, amountMinor: minor(amount - full), offerId, name, coupon: null, isOfOrder: false }]
        : []),
    ],
    orderSteps:
      basisPoints > 0
        ? [{ code: tax.included ? 'tax-included' : 'tax-on-top', amountMinor: minor(taxAmount), basisPoints } as const]
        : [],
  };
}
