import type { Lane } from '../document/lane.schema';
import { sayIn, type SpeakingLane } from '~/core/words/shop-words';

type Tax = Lane['shop']['tax'];

/** A rate of nothing is no tax. */
const isTaxed = ({ basisPoints, rates }: Tax): boolean =>
  basisPoints > 0 || Object.values(rates).some((rate) => rate.basisPoints > 0);

type TaxedLane = SpeakingLane & { readonly shop: Pick<Lane['shop'], 'tax'> };

/** What stands beside every price the tax is not in yet (“plus tax”); null where prices hold it, or there is none. */
export function netNote(lane: TaxedLane, language: string): string | null {
  return isTaxed(lane.shop.tax) && !lane.shop.tax.included ? sayIn(lane, language)('taxExtra') : null;
}

/** What the page of a product says of tax behind its price; null where there is none. */
export function taxNote(lane: TaxedLane, language: string): string | null {
  if (!isTaxed(lane.shop.tax)) return null;
  return netNote(lane, language) ?? sayIn(lane, language)('taxIncluded');
}
