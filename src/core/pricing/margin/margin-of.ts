import { withoutTax, type TaxRule } from '../basis/tax';

/** What so many of a variant brought, and what one costs the shop. */
interface Sold {
  readonly amountMinor: number;
  readonly quantity: number;
  /** null: nobody has said. */
  readonly costMinor: number | null;
  /** Its own tax rate; null, absent: the shop's. */
  readonly taxBasisPoints?: number | null;
}

/** What lines leave after tax and cost, in minor units, not rounded; null where a cost is not known. */
export function marginOf(lines: readonly Sold[], tax: TaxRule): number | null {
  let sum = 0;
  for (const { amountMinor, quantity, costMinor, taxBasisPoints } of lines) {
    if (costMinor === null) return null;
    sum += withoutTax(amountMinor, taxBasisPoints ?? tax.basisPoints, tax.included) - costMinor * quantity;
  }
  return sum;
}
