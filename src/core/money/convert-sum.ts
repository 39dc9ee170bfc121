import { currencyOf } from './currency';
import { minor, type Minor } from './minor';

/** A change of the shop's currency (ISO 4217): a unit of the one before is `rate` units of the one after it. */
export interface CurrencyChange {
  readonly from: string;
  readonly to: string;
  /** 1 keeps the numbers: 12.00 stays 12.00, however many decimals the currencies have. */
  readonly rate: number;
}

/** By what minor units are multiplied. */
export const convertFactor = ({ from, to, rate }: CurrencyChange): number =>
  rate * 10 ** (currencyOf(to).exponent - currencyOf(from).exponent);

/** Minor units of the currency before as those of the one after, rounded half up. Sums below 0 are rounded like those above. */
export function convertSum(amountMinor: number, change: CurrencyChange): Minor {
  const amount = Math.round(Math.abs(amountMinor) * convertFactor(change));
  return minor(amountMinor < 0 ? 0 - amount : amount);
}
