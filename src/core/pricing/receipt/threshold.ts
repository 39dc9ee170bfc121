import { minor, type Minor } from '~/core/money';
import { asksFor, conditionOf } from '../conditions';
import type { OfferRefusal } from '../engine/price';
import { isOnDelivery, isRunning } from '../engine/touches';
import type { PricedOffer } from '../offers';

/** How far a cart is from an offer that asks for goods worth so much. */
export interface ThresholdView {
  readonly offerId: string;
  readonly thresholdMinor: Minor;
  /** 0 when it is reached. */
  readonly missingMinor: Minor;
}

/** From how much on delivery is cheaper for everybody now, as the foot of a page says it; null without such an offer. */
export function freeDeliveryFrom(offers: readonly PricedOffer[], at: number): Minor | null {
  const thresholds = offers
    .filter((offer) => isRunning(offer, at))
    .flatMap((offer) => {
      const { minGoodsMinor } = offer.when;
      const isForAll = !asksFor(offer, 'code', 'buyer', 'address', 'visit');
      return offer.on && isOnDelivery(offer) && isForAll && minGoodsMinor !== null ? [minGoodsMinor] : [];
    });
  return thresholds.length > 0 ? minor(Math.min(...thresholds)) : null;
}

/** The nearest threshold among some offers, as the price itself judged them: reached first, then the one that lacks least. */
export function thresholdOf(
  offers: readonly PricedOffer[],
  refused: Readonly<Record<string, OfferRefusal>>,
  isMeant: (offer: PricedOffer) => boolean,
): ThresholdView | null {
  let nearest: ThresholdView | null = null;
  for (const offer of offers) {
    const { minGoodsMinor } = offer.when;
    if (minGoodsMinor === null || !isMeant(offer)) continue;
    const refusal = Object.hasOwn(refused, offer.id) ? refused[offer.id]! : null;
    // Kept out by something else, it has no threshold that goods could reach.
    if (refusal && (refusal.code === 'off' || conditionOf(refusal.code))) continue;
    const missingMinor = minor(refusal?.code === 'needs-more' ? refusal.missingMinor : 0);
    if (!nearest || missingMinor < nearest.missingMinor)
      nearest = { offerId: offer.id, thresholdMinor: minor(minGoodsMinor), missingMinor };
  }
  return nearest;
}
