import type { Stretch } from '~/core/funnel';
import { asksFor } from '../conditions';
import { offerFacts, type Offer } from '../offers';

/**
 * On which stretch of the way an offer first does something: where prices show, in the cart, or at the checkout, where it is known
 * who buys.
 */
export function stretchOf(offer: Offer): Stretch {
  const asking = { id: '', when: offer.when, limits: offer.limits };
  if (asksFor(asking, 'buyer')) return 'pay';
  const stage = offerFacts(offer).stage(offer);
  return asksFor(asking, 'code', 'cart') || (stage !== 1 && stage !== 3) ? 'cart' : 'look';
}
