import type { Product, Variant } from '~/core/catalogue';
import { isSoldOut } from '~/core/catalogue';
import type { Minor } from '~/core/money';
import { offersOf, priceGoods, shownOffers, pricedLine } from '~/core/pricing';
import { countryName } from '~/core/delivery';
import type { App } from '~/services/app';
import { requestContext } from '~/services/request-context';
import { circumstancesOf } from '~/services/offers/circumstances';
import { quoteParcel } from '~/services/cart/quote-delivery';

/** What can be promised about delivery of a product before it is in a cart. */
export type DeliveryPromise =
  | {
      readonly kind: 'parcel';
      readonly country: string;
      readonly amountMinor: Minor;
      readonly days: string;
      readonly freeFromMinor: Minor | null;
    }
  | { readonly kind: 'made-to-order'; readonly days: number }
  | { readonly kind: 'event'; readonly place: string }
  | { readonly kind: 'download' };

/**
 * The usual way to where the shopper said they live, else home. Nothing is promised of what is sold out, of an event that
 * says no place, or to where nobody carries.
 */
export async function promiseDelivery(
  app: App,
  { product, variant }: { readonly product: Product; readonly variant: Variant | undefined },
  to: { readonly country: string; readonly postcode: string } | null,
  language: string,
): Promise<DeliveryPromise | null> {
  if (!variant || product.variants.every(isSoldOut)) return null;
  if (product.fulfilment === 'download') return { kind: 'download' };
  if (product.fulfilment === 'event') {
    const { place = null } = (await app.catalogue.variantFacts([variant.id])).get(variant.id) ?? {};
    return place === null ? null : { kind: 'event', place };
  }
  if (product.leadDays !== null) return { kind: 'made-to-order', days: product.leadDays };
  const context = await requestContext(app, { language });
  const { live } = context;
  const place = to ?? { country: live.lane.shop.delivery.home, postcode: '' };
  const parcel = { weightGrams: variant.weightGrams, valueMinor: variant.priceMinor };
  const [way] = await quoteParcel(context, place, parcel);
  if (!way) return null;
  const facts = (await app.catalogue.variantFacts([variant.id])).get(variant.id);
  if (!facts) return null;
  const { freeDelivery, deliveryMinor } = priceGoods({
    lines: [pricedLine(facts, 1)],
    offers: shownOffers(offersOf(live.lane.offers), {
      at: app.now(),
      severalCodes: live.lane.shop.severalCodes,
      delivery: true,
    }),
    tax: live.lane.shop.tax,
    deliveryMinor: way.amountMinor,
    deliveryMethod: way.key,
    codes: [],
    circumstances: await circumstancesOf(app, live, { country: place.country, email: '' }),
  });
  return {
    kind: 'parcel',
    country: countryName(place.country, language),
    amountMinor: deliveryMinor ?? way.amountMinor,
    days: way.days,
    freeFromMinor: freeDelivery && freeDelivery.missingMinor > 0 ? freeDelivery.thresholdMinor : null,
  };
}
