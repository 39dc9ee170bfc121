import { minor, type Minor } from '~/core/money';
import { offersOf, type PricedGoods } from '~/core/pricing';
import type { VariantFacts } from '~/data';
import type { RequestContext } from '~/services/request-context';
import type { Good } from './cart-goods';

/** What is given for nothing. */
export interface Gift {
  readonly offerId: string;
  readonly offer: string;
  readonly facts: VariantFacts;
  readonly quantity: number;
  /** What one costs otherwise. */
  readonly valueMinor: Minor;
  /** Whether too few are left: shoppers are told, and none is added. */
  readonly isGone: boolean;
}

/** The gifts of a priced cart; stock must also cover what the cart itself takes of them. A variant that is not sold is no gift. */
export async function giftsOf(
  { app, live: { lane } }: Pick<RequestContext, 'app' | 'live'>,
  { gifts }: PricedGoods,
  goods: readonly Good[],
): Promise<Gift[]> {
  if (gifts.length === 0) return [];
  const facts = await app.catalogue.factsOfSkus(gifts.map(({ variant }) => variant));
  const taken = new Map<number, number>();
  for (const { line, evaluation } of goods)
    for (const id of [line.variantId, ...evaluation.addOns]) taken.set(id, (taken.get(id) ?? 0) + line.quantity);
  const nameOf = new Map(offersOf(lane.offers).map(({ id, name }) => [id, name]));
  return gifts.flatMap(({ offerId, variant, quantity }): Gift[] => {
    const found = facts.get(variant);
    if (!found) return [];
    const already = taken.get(found.variantId) ?? 0;
    const isGone = already + quantity > (found.stock ?? Infinity);
    if (!isGone) taken.set(found.variantId, already + quantity);
    const valueMinor = minor(found.priceMinor);
    return [{ offerId, offer: nameOf.get(offerId) ?? '', facts: found, quantity, valueMinor, isGone }];
  });
}
