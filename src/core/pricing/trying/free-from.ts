import { usualSum, type Currency } from '~/core/money';
import type { PastOrder } from './backtest';
import { withoutTax, type TaxRule } from '../basis/tax';
import { marginOf } from '../margin/margin-of';

/** How shoppers are taken to behave; nobody knows it, so it is stated and turned. */
export interface TopUp {
  /** Of those who come near the sum, the share that fills up to it. */
  readonly share: number;
  /** How near: within this part of the sum below it. */
  readonly reach: number;
}

/** What free delivery from a sum on leaves of an order, on average, before tax. */
export interface FreeFrom {
  readonly fromMinor: number;
  readonly perOrderMinor: number;
  /** If nobody filled up, and if twice as many did. */
  readonly lowMinor: number;
  readonly highMinor: number;
  /** Of all orders that are sent, those that would have been sent free as they were. */
  readonly freeShare: number;
}

interface Sent {
  readonly goodsMinor: number;
  readonly marginMinor: number;
  readonly feeMinor: number;
}

export interface FreeFromAnswer {
  readonly orders: number;
  /** Orders whose costs are not all known, or that are not sent. */
  readonly leftOut: number;
  readonly steps: readonly FreeFrom[];
}

/**
 * What each of some sums would leave of an order, had the orders of the past come as they came. Delivery is taken to cost the shop
 * what it charges for it; what is put in besides brings the margin that goods bring on average.
 */
export function freeFrom(
  orders: readonly PastOrder[],
  sums: readonly number[],
  topUp: TopUp,
  tax: TaxRule,
): FreeFromAnswer {
  const sent = orders.flatMap((order) => sentOf(order, tax));
  const goods = sent.reduce((sum, one) => sum + one.goodsMinor, 0);
  const margin = sent.reduce((sum, one) => sum + one.marginMinor, 0);
  const rate = goods === 0 ? 0 : margin / goods;
  const average = (fromMinor: number, share: number) =>
    sent.length === 0
      ? 0
      : sent.reduce((sum, one) => sum + leftOf(one, fromMinor, { ...topUp, share }, rate), 0) / sent.length;
  return {
    orders: sent.length,
    leftOut: orders.length - sent.length,
    steps: sums.map((fromMinor) => ({
      fromMinor,
      perOrderMinor: average(fromMinor, topUp.share),
      lowMinor: average(fromMinor, 0),
      highMinor: average(fromMinor, Math.min(1, topUp.share * 2)),
      freeShare: sent.length === 0 ? 0 : sent.filter(({ goodsMinor }) => goodsMinor >= fromMinor).length / sent.length,
    })),
  };
}

function sentOf({ lines, deliveryMinor }: PastOrder, tax: TaxRule): Sent[] {
  const amounts = lines.map((line) => ({ ...line, amountMinor: line.unitMinor * line.quantity }));
  const marginMinor = marginOf(amounts, tax);
  if (deliveryMinor === 0 || marginMinor === null) return [];
  const goodsMinor = amounts.reduce((sum, { amountMinor }) => sum + amountMinor, 0);
  return [{ goodsMinor, marginMinor, feeMinor: withoutTax(deliveryMinor, tax.basisPoints, tax.included) }];
}

function leftOf(
  { goodsMinor, marginMinor, feeMinor }: Sent,
  fromMinor: number,
  { share, reach }: TopUp,
  rate: number,
): number {
  if (goodsMinor >= fromMinor) return marginMinor - feeMinor;
  if (goodsMinor < fromMinor * (1 - reach)) return marginMinor;
  return marginMinor + share * (rate * (fromMinor - goodsMinor) - feeMinor);
}

/** The sum that leaves most, and whether it lies at an end of those looked at: then a better one may lie beyond. */
export function bestFrom({ steps }: Pick<FreeFromAnswer, 'steps'>): {
  readonly best: FreeFrom | null;
  readonly end: 'lowest' | 'highest' | null;
} {
  const best = steps.reduce<FreeFrom | null>(
    (most, step) => (most === null || step.perOrderMinor > most.perOrderMinor ? step : most),
    null,
  );
  if (best === null || steps.length < 2) return { best, end: null };
  return { best, end: best === steps[0] ? 'lowest' : best === steps.at(-1) ? 'highest' : null };
}

/** Sums to look at: round ones, from small to more than most orders come to. */
export function sumsToTry(currency: Currency, steps = 24): number[] {
  return Array.from({ length: steps }, (_, i) => (i + 1) * usualSum(5, currency));
}
