import type { Offer, PricedOffer } from '../offers';

const made = new WeakMap<Readonly<Record<string, Offer>>, readonly PricedOffer[]>();

/** Offers held by id, as a list to price with: the same list for the same record, so that what is found out of it is found out once. */
export function offersOf(record: Readonly<Record<string, Offer>>): readonly PricedOffer[] {
  let list = made.get(record);
  if (!list) made.set(record, (list = Object.entries(record).map(([id, offer]) => ({ ...offer, id }))));
  return list;
}
