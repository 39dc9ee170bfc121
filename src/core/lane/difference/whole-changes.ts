import { currencyOf, formatMoney } from '~/core/money';
import { own } from '~/core/own';
import { readOffer, type Offer, type OfferReader } from '~/core/pricing';
import { localTime } from '~/core/time';
import { CALLED_CART } from '~/core/words';
import type { Lane } from '../document/lane.schema';
import { type WordSpec } from '~/core/words';
import { type Naming } from '../settings/shop-names';
import { shopDifference } from './shop-difference';
import { resolveShopWords, SHOP_WORDS, type ShopWord } from '~/core/words/shop-words';
import type { LaneChange, Named } from './lane-change';

export function wholeChanges(from: Lane, to: Lane, naming: Naming): LaneChange[] {
  const flat = (value: unknown) => (typeof value === 'object' ? JSON.stringify(value) : String(value));
  const named: Named = { pieceId: null, pieceName: 'Shop' };
  const changes = shopDifference(from, to, naming).map((change): LaneChange => ({ ...named, code: 'shop', ...change }));
  for (const language of new Set([...from.shop.languages, ...to.shop.languages, 'en'])) {
    const [before, after] = [from, to].map(({ shopWords }) =>
      resolveShopWords({ shopWords, shop: { cart: CALLED_CART } }, language),
    );
    for (const [key, spec] of Object.entries(SHOP_WORDS) as [ShopWord, WordSpec][])
      if (before![key] !== after![key])
        changes.push({
          ...named,
          at: ['shopWords', language, key],
          code: 'word',
          what: language === 'en' ? spec.label : `${spec.label} (${language})`,
          from: before![key],
          to: after![key],
        });
  }
  const currency = currencyOf(to.shop.currency);
  const reader: OfferReader = {
    money: (amount) => formatMoney(amount, currency, to.shop.locale),
    moment: (iso) => `${localTime(Date.parse(iso), to.shop.timeZone).replace('T', ' ')}${iso.slice(16, 19)}`,
    nameOf: naming.nameOf,
  };
  const saidOf = (offer: Offer) => `${offer.on ? '' : 'Off. '}${offer.name}: ${readOffer(offer, reader)}`;
  for (const id of new Set([...Object.keys(from.offers), ...Object.keys(to.offers)])) {
    const [a, b] = [from, to].map((lane) => own(lane.offers, id));
    if (flat(a) !== flat(b))
      changes.push({
        ...named,
        at: ['offers', id],
        code: 'offer',
        what: (b ?? a)!.name || id,
        from: a ? saidOf(a) : 'none',
        to: b ? saidOf(b) : 'none',
      });
  }
  return changes;
}
