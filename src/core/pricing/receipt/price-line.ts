import { minor, sumMinor, type Minor } from '~/core/money/minor';
import { fullPrice, type PricedLine } from '../basis/line';

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
export function priceLine(line: PricedLine): LinePrice {
  const unitMinor = minor(line.unitMinor);
  const steps: PriceStep[] = [
    { code: 'list-price', amountMinor: minor(unitMinor * line.quantity), quantity: line.quantity, unitMinor },
  ];
  for (const { key, label, per, amountMinor } of line.effects ?? []) {
    const eachMinor = minor(amountMinor);
    const amount = minor(per === 'unit' ? amountMinor * line.quantity : amountMinor);
    steps.push({ code: 'option', amountMinor: amount, key, label, per, eachMinor });
  }
  const full = minor(fullPrice(line));
  const said = sumMinor(steps.map((step) => step.amountMinor));
  if (said < full) steps.push({ code: 'floor', amountMinor: minor(full - said) });
  return { lineId: line.id, fullMinor: full, totalMinor: full, steps };
}
