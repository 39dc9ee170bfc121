import type { LineFacts } from '../basis/line';
import { fits, type LineSelection } from '../basis/selection';
import { offerFacts, type Offer, type PricedOffer } from '../offers';

/** Which goods an offer is about, in each of its roles; none for one that is about delivery or a gift. */
export const selectionsOf = (offer: Offer): readonly LineSelection[] => offerFacts(offer).selections(offer);

/** Whether an offer lowers what delivery costs. */
export const isOnDelivery = (offer: Offer): boolean => offerFacts(offer).stage(offer) === 5;

/** Whether an offer is about such goods: it may take something off them, be it only with more of them, or beside others. */
export function isAbout(offer: Offer, goods: LineFacts): boolean {
  return selectionsOf(offer).some((selection) => fits(goods, selection));
}

/** The same of an offer that is on and needs no code. */
export function touches(offer: PricedOffer, goods: LineFacts): boolean {
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
