import { plainCode } from '../basis/codes';
import { offerFacts, type Offer } from '../offers';

/** Why an offer that is on can never work as it stands, and in which field. */
export type OfferFault =
  | { readonly offerId: string; readonly field: 'until'; readonly code: 'offer-ends' }
  /** Another offer has the same code. */
  | { readonly offerId: string; readonly field: 'code'; readonly code: 'offer-code'; readonly other: string }
  | { readonly offerId: string; readonly field: 'variant'; readonly code: 'offer-gift'; readonly sku: string };

/** Of each offer that is on, what is wrong with it. `goneGifts`: SKUs that offers give and nobody sells. */
export function findOfferFaults(
  offers: Readonly<Record<string, Offer>>,
  goneGifts: ReadonlySet<string> = new Set(),
): OfferFault[] {
  const on = Object.entries(offers).filter(([, offer]) => offer.on);
  const byCode = new Map<string, string[]>();
  for (const [id, { when }] of on) {
    if (when.code === null) continue;
    const code = plainCode(when.code);
    byCode.set(code, [...(byCode.get(code) ?? []), id]);
  }
  return on.flatMap(([offerId, offer]): OfferFault[] => {
    const { from, until, code } = offer.when;
    const other = code === null ? undefined : byCode.get(plainCode(code))!.find((id) => id !== offerId);
    const gift = offerFacts(offer).gives?.(offer);
    const isBackwards = from !== null && until !== null && Date.parse(until) <= Date.parse(from);
    return [
      ...(isBackwards ? [{ offerId, field: 'until' as const, code: 'offer-ends' as const }] : []),
      ...(other === undefined ? [] : [{ offerId, field: 'code' as const, code: 'offer-code' as const, other }]),
      ...(gift && goneGifts.has(gift.variant)
        ? [{ offerId, field: 'variant' as const, code: 'offer-gift' as const, sku: gift.variant }]
        : []),
    ];
  });
}
