import { currencyOf } from './currency';
import { minor, type Minor } from './minor';

/** A change of the shop's currency (ISO 4217): a unit of the one before is `rate` units of the one after it. */
export interface CurrencyChange {
  readonly from: string;
  readonly to: string;
  /** 1 keeps the numbers: 12.00 stays 12.00, however many decimals the currencies have. */
  readonly rate: number;
}

/** Minor units of the currency before as those of the one after, rounded half up. Sums below 0 are rounded like those above. */
export function convertSum(amountMinor: number, { from, to, rate }: CurrencyChange): Minor {
  const scale = 10 ** (currencyOf(to).exponent - currencyOf(from).exponent);
  const amount = Math.round(Math.abs(amountMinor) * scale * rate);
  return minor(amountMinor < 0 ? 0 - amount : amount);
}
