import { isSameCode } from '../basis/codes';
import { canMeet } from '../conditions';
import { isAbout, isOnDelivery } from '../engine/touches';
import type { Costed } from '../margin/margins';
import { offerFacts, type PricedOffer } from '../offers';

/** Two offers that can meet in one cart. */
export interface Overlap {
  readonly a: string;
  readonly b: string;
  /**
   * `add-up`: both count. `one-each`: each item gets the better one. `one-of-two`: an order gets the better one, whether or not they
   * are about the same goods. `same-code`: one code for both.
   */
  readonly how: 'add-up' | 'one-each' | 'one-of-two' | 'same-code';
  /** Variants that both are about; null: none, or of delivery or gifts. */
  readonly variants: number | null;
}

/** null: they have nothing to do with each other. */
function howTheyMeet(a: PricedOffer, b: PricedOffer, isShared: boolean): Overlap['how'] | null {
  const [codeA, codeB] = [a.when.code, b.when.code];
  if (codeA !== null && codeB !== null && isSameCode(codeA, codeB)) return 'same-code';
  // Gifts are added whatever else there is.
  if ([a, b].some((offer) => offerFacts(offer).stage(offer) === null)) return null;
  if (a.combine.alone || b.combine.alone) return 'one-of-two';
  const areDelivery = isOnDelivery(a) && isOnDelivery(b);
  if (a.combine.group !== null && a.combine.group === b.combine.group) {
    if (a.combine.per === 'order' || b.combine.per === 'order' || areDelivery) return 'one-of-two';
    return isShared ? 'one-each' : null;
  }
  return isShared || areDelivery ? 'add-up' : null;
}

/**
 * Offers that run at one time and for one buyer: which exclude each other, what adds up, and of which each item gets the better one.
 * Yields how far it is, from 0 to 1.
 */
export function* findOverlaps(offers: readonly PricedOffer[], goods: readonly Costed[]): Generator<number, Overlap[]> {
  const on = offers.filter((offer) => offer.on);
  const found: Overlap[] = [];
  const about: Uint32Array[] = [];
  for (const [i, offer] of on.entries()) {
    about.push(goodsOfOffer(offer, goods));
    yield (i + 1) / on.length / 2;
  }
  for (const [i, a] of on.entries()) {
    for (let j = i + 1; j < on.length; j += 1) {
      const b = on[j]!;
      if (!canMeet(a, b)) continue;
      const shared = countShared(about[i]!, about[j]!);
      const how = howTheyMeet(a, b, shared > 0);
      if (how !== null) found.push({ a: a.id, b: b.id, how, variants: shared || null });
    }
    yield 0.5 + (i + 1) / on.length / 2;
  }
  return found;
}

/** A bit for each of the goods that an offer is about. */
function goodsOfOffer(offer: PricedOffer, goods: readonly Costed[]): Uint32Array {
  const bits = new Uint32Array(Math.ceil(goods.length / 32));
  for (const [i, { slug, sku, categories, tags }] of goods.entries()) {
    const good = { product: slug, variant: sku, categories: categories as string[], tags: tags as string[] };
    if (isAbout(offer, good)) bits[i >>> 5]! |= 1 << (i & 31);
  }
  return bits;
}

function countShared(a: Uint32Array, b: Uint32Array): number {
  let count = 0;
  for (let i = 0; i < a.length; i += 1) for (let left = a[i]! & b[i]!; left !== 0; left &= left - 1) count += 1;
  return count;
}
