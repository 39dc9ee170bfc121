import { plainCode } from '../basis/codes';
import { MOST_SEARCHED } from '../basis/standing';
import { asksFor } from '../conditions';
import { isRunning } from '../engine/touches';
import { offerFacts, type PricedOffer } from '../offers';

/** Whether another offer that is on can take its place: one of them stands alone, or lowers a whole order. */
function canBeOusted(offer: PricedOffer, offers: readonly PricedOffer[]): boolean {
  const { group, per, alone } = offer.combine;
  if (alone) return true;
  if (group === null) return false;
  return offers.some(
    (other) =>
      other.id !== offer.id &&
      other.on &&
      other.combine.group === group &&
      (per === 'order' || other.combine.per === 'order'),
  );
}

/**
 * Whether what an offer takes off goods hangs on these goods alone: no other goods in a cart can take it away, nor who buys, from
 * where, or how often they did before.
 */
function isPromise(offer: PricedOffer, offers: readonly PricedOffer[]): boolean {
  const facts = offerFacts(offer);
  const stage = facts.stage(offer);
  if (!offer.on || (stage !== 1 && stage !== 3)) return false;
  if (asksFor(offer, 'code', 'buyer', 'address', 'visit') || offer.limits.perShopper !== null) return false;
  if (canBeOusted(offer, offers) || (facts.cap?.(offer) ?? null) !== null) return false;
  return !facts.countsTogether?.(offer);
}

/** The same of an offer on delivery to a country that is known. */
function isDeliveryPromise(offer: PricedOffer, offers: readonly PricedOffer[]): boolean {
  if (!offer.on || offerFacts(offer).stage(offer) !== 5) return false;
  if (asksFor(offer, 'code', 'buyer', 'visit') || offer.limits.perShopper !== null) return false;
  return !canBeOusted(offer, offers);
}

/**
 * So many offers can be able in one cart at a moment (ms since 1970), as far as dates, codes and buyers tell. Beyond
 * `MOST_SEARCHED` some of them are not looked at.
 */
export function countAble(offers: readonly PricedOffer[], at: number, severalCodes: boolean): number {
  const running = offers.filter((offer) => offer.on && offerFacts(offer).stage(offer) !== null && isRunning(offer, at));
  const mostFor = (shopper: 'new' | 'returning') => {
    const own = running.filter(({ when }) => when.shopper === 'any' || when.shopper === shopper);
    const byCode = new Map<string, number>();
    for (const { when } of own) {
      const code = plainCode(when.code ?? '');
      byCode.set(code, (byCode.get(code) ?? 0) + 1);
    }
    const open = byCode.get('') ?? 0;
    byCode.delete('');
    const coded = [...byCode.values()];
    return open + (severalCodes ? coded.reduce((sum, one) => sum + one, 0) : Math.max(0, ...coded));
  };
  return Math.max(mostFor('new'), mostFor('returning'));
}

/** So many offers can be able at once at most, now or at any moment to come. */
export function mostAble(offers: readonly PricedOffer[], at: number, severalCodes: boolean): number {
  const begins = offers.flatMap(({ when }) => (when.from === null ? [] : [Date.parse(when.from)]));
  const moments = [at, ...begins.filter((from) => from > at)];
  return Math.max(...moments.map((moment) => countAble(offers, moment, severalCodes)));
}

interface Promised {
  readonly goods: readonly PricedOffer[];
  readonly withDelivery: readonly PricedOffer[];
}

const promised = new WeakMap<readonly PricedOffer[], Promised>();
const NONE: readonly PricedOffer[] = [];

/**
 * The offers that may lower a price that is shown outside a cart: no cart costs more than what is shown for its lines by these.
 * None where more are able than are searched. With `delivery` those on delivery, too. One list for one array of offers, so
 * that what is found out of it is found out once. Rules: docs/pricing.md, "What is shown before there is a cart".
 */
export function shownOffers(
  offers: readonly PricedOffer[],
  {
    at,
    severalCodes,
    delivery = false,
  }: { readonly at: number; readonly severalCodes: boolean; readonly delivery?: boolean },
): readonly PricedOffer[] {
  if (countAble(offers, at, severalCodes) > MOST_SEARCHED) return NONE;
  let found = promised.get(offers);
  if (!found) {
    const goods = offers.filter((offer) => isPromise(offer, offers));
    const withDelivery = [...goods, ...offers.filter((offer) => isDeliveryPromise(offer, offers))];
    promised.set(offers, (found = { goods, withDelivery }));
  }
  return delivery ? found.withDelivery : found.goods;
}
