import { COUNTRIES, countryOf } from '~/core/orders';
import type { DeliveryRate } from '~/standins';
import type { App } from './app';
import type { Good } from './cart-goods';
import { liveLane } from './live-lane';

/** Ways to deliver these goods to a place; none when nothing is sent by parcel, or nobody goes there. */
export async function quoteDelivery(
  app: App,
  to: { readonly country: string; readonly postcode: string },
  goods: readonly Good[],
): Promise<DeliveryRate[]> {
  const zone = countryOf(to.country)?.zone;
  const parcels = goods.filter((good) => good.isParcel);
  if (zone === undefined || parcels.length === 0) return [];
  const weightGrams = parcels.reduce((sum, good) => sum + good.weightGrams, 0);
  const { country, postcode } = to;
  return app.rates.quote({ zone, country, postcode, weightGrams, currency: (await liveLane(app)).currency });
}

export const COUNTRY_LIST: readonly { readonly code: string; readonly name: string }[] = Object.entries(COUNTRIES).map(
  ([code, { name }]) => ({ code, name }),
);
