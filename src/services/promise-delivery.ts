import type { Product, Variant } from '~/core/catalogue';
import { isSoldOut } from '~/core/catalogue';
import { minor, type Minor } from '~/core/money';
import { freeDelivery } from '~/core/offers';
import { countryName, HOME_COUNTRY } from '~/core/orders';
import type { App } from './app';
import { liveLane } from './live-lane';
import { quoteParcel } from './quote-delivery';

/** What can honestly be promised of how a product reaches its buyer, before it is in a cart. */
export type DeliveryPromise =
  | {
      readonly kind: 'parcel';
      readonly country: string;
      readonly amountMinor: Minor;
      readonly days: string;
      readonly freeFromMinor: Minor | null;
    }
  | { readonly kind: 'made-to-order'; readonly days: number }
  | { readonly kind: 'download' };

/**
 * The usual way to where the shopper said they live, else home. Nothing is promised of what is sold out, of an event, or to
 * where nobody carries.
 */
export async function promiseDelivery(
  app: App,
  product: Product,
  variant: Pick<Variant, 'weightGrams' | 'priceMinor'> | undefined,
  to: { readonly country: string; readonly postcode: string } | null,
  language: string,
): Promise<DeliveryPromise | null> {
  if (!variant || product.variants.every(isSoldOut)) return null;
  if (product.fulfilment === 'download') return { kind: 'download' };
  if (product.fulfilment !== 'parcel') return null;
  if (product.leadDays !== null) return { kind: 'made-to-order', days: product.leadDays };
  const place = to ?? { country: HOME_COUNTRY, postcode: '' };
  const [way] = await quoteParcel(app, place, variant.weightGrams, language);
  if (!way) return null;
  const free = freeDelivery(minor(variant.priceMinor), (await liveLane(app)).lane.offers);
  return {
    kind: 'parcel',
    country: countryName(place.country, language),
    amountMinor: free?.missingMinor === 0 ? minor(0) : way.amountMinor,
    days: way.days,
    freeFromMinor: free && free.missingMinor > 0 ? free.thresholdMinor : null,
  };
}
