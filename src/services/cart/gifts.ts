import { minor, type Minor } from '~/core/money';
import { offersOf, type PricedGoods } from '~/core/pricing';
import type { VariantFacts } from '~/data';
import type { App } from '~/services/app';
import type { LiveLane } from '~/services/lane/live-lane';

/** What is given for nothing. */
export interface Gift {
  readonly offerId: string;
  readonly offer: string;
  readonly facts: VariantFacts;
  readonly quantity: number;
  /** What one costs otherwise. */
  readonly valueMinor: Minor;
}

/** The gifts of a priced cart that can be had; of one that is given twice the shelf must hold both. */
export async function giftsOf(app: App, { lane }: LiveLane, { gifts }: PricedGoods): Promise<Gift[]> {
  if (gifts.length === 0) return [];
  const facts = await app.catalogue.factsOfSkus(gifts.map(({ variant }) => variant));
  const left = new Map([...facts.values()].map(({ sku, stock }) => [sku, stock ?? Infinity]));
  const nameOf = new Map(offersOf(lane.offers).map(({ id, name }) => [id, name]));
  return gifts.flatMap(({ offerId, variant, quantity }): Gift[] => {
    const found = facts.get(variant);
    if (!found || left.get(variant)! < quantity) return [];
    left.set(variant, left.get(variant)! - quantity);
    return [{ offerId, offer: nameOf.get(offerId) ?? '', facts: found, quantity, valueMinor: minor(found.priceMinor) }];
  });
}
