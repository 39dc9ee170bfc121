import type { Shop } from '~/core/lane';
import { currencyOf, formatMoney } from '~/core/money';
import type { OfferReader } from '~/core/pricing';

/** How this shop's offers are read: its money, its days, its names. */
export function readerOf(shop: Shop, names: ReadonlyMap<string, string>): OfferReader {
  const currency = currencyOf(shop.currency);
  const date = new Intl.DateTimeFormat('en-GB', { timeZone: shop.timeZone, dateStyle: 'medium', timeStyle: 'short' });
  const exact = new Intl.DateTimeFormat('en-GB', { timeZone: shop.timeZone, dateStyle: 'medium', timeStyle: 'medium' });
  return {
    money: (amount) => formatMoney(amount, currency, shop.locale),
    moment: (iso) => (iso.slice(17, 19) === '00' ? date : exact).format(Date.parse(iso)),
    nameOf: (what, slug) => names.get(`${what} ${slug}`) ?? slug,
  };
}
