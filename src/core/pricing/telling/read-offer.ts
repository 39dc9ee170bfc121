import type { OfferReader } from '../basis/words';
import { readConditions } from '../conditions';
import { offerFacts, type Offer } from '../offers';

/** The rule of an offer as one sentence. Two rules that differ in what they do never read the same; its name is no part of it. */
export function readOffer(offer: Offer, reader: OfferReader): string {
  const conditions = readConditions({ id: '', when: offer.when, limits: offer.limits }, reader);
  const clauses = [offerFacts(offer).reads(offer, reader), ...conditions, together(offer)];
  if (offer.told) clauses.push('told of in the cart');
  return `${clauses.join(', ')}.`;
}

function together({ combine: { group, per, alone }, rank }: Offer): string {
  const with_ = [
    alone && 'never with any other offer',
    group !== null && per === 'order' && `with no other offer of “${group}”`,
    group !== null && per === 'item' && `each item by one offer of “${group}”`,
    !alone && group === null && 'together with any other offer',
  ].filter((clause) => clause !== false);
  return [...with_, ...(rank === 0 ? [] : [`in turn ${rank}`])].join(', ');
}
