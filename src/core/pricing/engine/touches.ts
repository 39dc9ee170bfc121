import { assertNever } from '~/core/problems';
import { fits } from './selection';
import type { LineSelection, Offer, PricedLine, PricedOffer } from './pricing.schema';

type Goods = Pick<PricedLine, 'product' | 'variant' | 'categories' | 'tags'>;

/** Which goods an offer is about, in each of its roles; none for one that is about delivery or a gift. */
export function selectionsOf(offer: Offer): readonly LineSelection[] {
  switch (offer.kind) {
    case 'deliveryOff':
    case 'gift':
      return [];
    case 'buyGet':
      return [offer.buy, offer.get];
    case 'bundle':
      return offer.items.map(({ selection }) => selection);
    case 'percentOff':
    case 'amountOff':
    case 'priceIs':
    case 'quantityBreaks':
      return [offer.selection];
    default:
      return assertNever(offer);
  }
}

/** Whether an offer is about such goods: it may take something off them, be it only with more of them, or beside others. */
export function isAbout(offer: Offer, goods: Goods): boolean {
  return selectionsOf(offer).some((selection) => fits(goods, selection));
}

/** The same of an offer that is on and needs no code. */
export function touches(offer: PricedOffer, goods: Goods): boolean {
  return offer.on && offer.when.code === null && isAbout(offer, goods);
}

/** Slugs of products that offers name. */
export function productsOfOffers(offers: readonly Offer[]): string[] {
  const named = (selection: LineSelection) => [
    ...(selection?.only?.products ?? []),
    ...(selection?.except?.products ?? []),
  ];
  return [...new Set(offers.flatMap((offer) => [...selectionsOf(offer), offer.when.counts].flatMap(named)))];
}

/** Whether an offer runs at a moment (ms since 1970), as far as its dates say. */
export function isRunning({ when: { from, until } }: Offer, at: number): boolean {
  return (from === null || Date.parse(from) <= at) && (until === null || at < Date.parse(until));
}

/** The next moment (ms since 1970) at which an offer begins or ends; null when none does. */
export function nextChange(offers: readonly PricedOffer[], at: number): number | null {
  const moments = offers
    .filter(({ on }) => on)
    .flatMap(({ when }) => [when.from, when.until])
    .flatMap((moment) => (moment === null ? [] : [Date.parse(moment)]))
    .filter((moment) => moment > at);
  return moments.length > 0 ? Math.min(...moments) : null;
}
