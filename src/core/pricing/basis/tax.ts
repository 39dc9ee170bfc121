import { halfUp } from './half-up';

/** Tax on goods and delivery. Included: prices already hold it. 10 000 basis points = 100 %. */
export interface TaxRule {
  readonly basisPoints: number;
  readonly included: boolean;
}

/** The tax in a sum, or on top of it, at one rate: to the nearest minor unit, halves up. */
export function taxOf(amountMinor: number, basisPoints: number, included: boolean): number {
  return halfUp(amountMinor * basisPoints, included ? 10_000 + basisPoints : 10_000);
}

/** What a sum comes to without tax, in minor units; not rounded, for it is compared and never shown as a price. */
export function withoutTax(amountMinor: number, basisPoints: number, included: boolean): number {
  return included ? (amountMinor * 10_000) / (10_000 + basisPoints) : amountMinor;
}
