import type { Lane } from './lane.schema';

/** The group that offers began in when they could only stand one an order. */
const OLD_GROUP = 'discounts';

/** Whether a stored document was written when offers of a group could only stand one an order. */
export function isFromOnePerOrder(document: unknown): boolean {
  const version = (document as { readonly version?: unknown } | null)?.version;
  return typeof version === 'number' && version < 3;
}

/** A lane whose offers of the old group lower each item once; null where none does not already. */
export function groupPerItem(lane: Lane): Lane | null {
  const isMeant = ({ combine }: Lane['offers'][string]) =>
    combine.group === OLD_GROUP && !combine.alone && combine.per === 'order';
  if (!Object.values(lane.offers).some(isMeant)) return null;
  const offers = Object.entries(lane.offers).map(([id, offer]) => [
    id,
    isMeant(offer) ? { ...offer, combine: { ...offer.combine, per: 'item' as const } } : offer,
  ]);
  return { ...lane, offers: Object.fromEntries(offers) as Lane['offers'] };
}
