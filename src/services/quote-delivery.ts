import { countryOf } from '~/core/orders';
import type { DeliveryRate } from '~/standins';
import type { App } from './app';
import type { Good } from './cart-goods';
import { liveLane } from './live-lane';

interface Place {
  readonly country: string;
  readonly postcode: string;
}

/** Ways to send a parcel of so many grams to a place; none where nobody goes. */
export async function quoteParcel(
  app: App,
  { country, postcode }: Place,
  weightGrams: number,
  language: string,
): Promise<DeliveryRate[]> {
  const zone = countryOf(country)?.zone;
  if (zone === undefined) return [];
  return app.rates.quote({ zone, country, postcode, weightGrams, language, currency: (await liveLane(app)).currency });
}

/** Ways to deliver these goods to a place; none when nothing is sent by parcel, or nobody goes there. */
export async function quoteDelivery(
  app: App,
  to: Place,
  goods: readonly Good[],
  language = 'en',
): Promise<DeliveryRate[]> {
  const parcels = goods.filter((good) => good.isParcel);
  if (parcels.length === 0) return [];
  const weightGrams = parcels.reduce((sum, good) => sum + good.weightGrams, 0);
  return quoteParcel(app, to, weightGrams, language);
}
