import type { Stretch } from '~/core/funnel';
import type { Offer } from '../engine/pricing.schema';

/**
 * On which stretch of the way an offer first does something: where prices show, in the cart, or at the checkout, where it is known
 * who buys.
 */
export function stretchOf({ kind, when, ...offer }: Offer): Stretch {
  if (when.shopper !== 'any' || when.birthdayDays !== null) return 'pay';
  const waits = when.code !== null || when.minGoodsMinor !== null || when.minQuantity !== null;
  const isOfCart = kind === 'deliveryOff' || kind === 'gift' || kind === 'bundle' || kind === 'buyGet';
  const isOfOrder = 'target' in offer && offer.target === 'order';
  return waits || isOfCart || isOfOrder ? 'cart' : 'look';
}
