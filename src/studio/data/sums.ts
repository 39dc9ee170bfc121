import type { Shop } from '~/core/lane';
import {
  currencyOf,
  decimalMarkOf,
  formatMoney,
  MOST_MINOR,
  writeSum,
  type Currency,
  type ReadSum,
  type SumStyle,
} from '~/core/money';
import { useDraft } from './draft-store';

/** The shop as its owner has it now: the one whose currency, place and names the studio speaks. */
export const useShop = (): Shop => useDraft((state) => state.lane.shop);

type Writes = Pick<Shop, 'currency' | 'locale'>;

/** How sums are typed in the studio: the currency’s decimals, and the marks of the place the shop is in. */
export function sumStyle({ currency, locale }: Writes): SumStyle {
  return { exponent: currencyOf(currency).exponent, mark: decimalMarkOf(locale) };
}

/** What is wrong with a sum that was typed, and what to do; null when nothing is. */
export function sumProblem(read: ReadSum, text: string, shop: Writes): string | null {
  const style = sumStyle(shop);
  const currency: Currency = currencyOf(shop.currency);
  const example = writeSum(Math.round(12.5 * 10 ** style.exponent), style);
  switch (read.kind) {
    case 'sum':
      return null;
    case 'no-number':
      return `Enter a sum such as ${example}.`;
    case 'negative':
      return 'Enter 0 or more.';
    case 'too-exact':
      return style.exponent === 0
        ? `${currency.code} has no decimals. Enter a sum such as ${example}.`
        : `${currency.code} has ${style.exponent} decimals. Enter a sum such as ${example}.`;
    case 'too-large':
      return `Enter at most ${formatMoney(MOST_MINOR, currency, shop.locale)}.`;
    case 'unclear': {
      const [one, other] = read.readings.map((amount) => formatMoney(amount, currency, shop.locale));
      const [first, second] = read.readings.map((amount) => writeSum(amount, style));
      return `“${text.trim()}” can mean ${one} or ${other}. Enter ${first} or ${second}.`;
    }
  }
}
