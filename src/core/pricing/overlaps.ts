import type { Costed } from './margins';
import type { PricedOffer } from './pricing.schema';
import { isAbout } from './touches';

/** Two offers that can meet in one cart. */
export interface Overlap {
  readonly a: string;
  readonly b: string;
  /** `add-up`: both count. `one-of-two`: the better one does. `same-code`: one code for both. */
  readonly how: 'add-up' | 'one-of-two' | 'same-code';
  /** Variants that both are about; null: of delivery or gifts. */
  readonly variants: number | null;
}

const begins = ({ when }: PricedOffer) => (when.from === null ? -Infinity : Date.parse(when.from));
const ends = ({ when }: PricedOffer) => (when.until === null ? Infinity : Date.parse(when.until));
const canMeet = (a: PricedOffer, b: PricedOffer) =>
  Math.max(begins(a), begins(b)) < Math.min(ends(a), ends(b)) &&
  !(a.when.shopper !== 'any' && b.when.shopper !== 'any' && a.when.shopper !== b.when.shopper) &&
  (a.when.countries.length === 0 ||
    b.when.countries.length === 0 ||
    a.when.countries.some((country) => b.when.countries.includes(country)));

/** Offers that run at one time, for one buyer, on the same goods: what adds up, and of which only the better one counts. */
export function findOverlaps(offers: readonly PricedOffer[], goods: readonly Costed[]): Overlap[] {
  const on = offers.filter((offer) => offer.on);
  const found: Overlap[] = [];
  const about = new Map(
    on.map((offer) => [
      offer.id,
      new Set(
        goods.flatMap(({ slug, sku, categories, tags }, i) => {
          const good = { product: slug, variant: sku, categories: categories as string[], tags: tags as string[] };
          return isAbout(offer, good) ? [i] : [];
        }),
      ),
    ]),
  );
  for (const [i, a] of on.entries())
    for (const b of on.slice(i + 1)) {
      if (!canMeet(a, b)) continue;
      const code = a.when.code?.toLowerCase();
      const isOne =
        a.combine.alone || b.combine.alone || (a.combine.group !== null && a.combine.group === b.combine.group);
      const shared = [...about.get(a.id)!].filter((good) => about.get(b.id)!.has(good)).length;
      const isDelivery = a.kind === 'deliveryOff' && b.kind === 'deliveryOff';
      if (code !== undefined && code === b.when.code?.toLowerCase())
        found.push({ a: a.id, b: b.id, how: 'same-code', variants: shared || null });
      else if (shared > 0 || isDelivery)
        found.push({ a: a.id, b: b.id, how: isOne ? 'one-of-two' : 'add-up', variants: shared || null });
    }
  return found;
}
