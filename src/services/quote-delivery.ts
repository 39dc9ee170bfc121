import { COUNTRIES } from '~/core/orders/checkout.schema';
import type { CountryCode } from '~/core/orders';
import type { VariantFacts } from '~/data';
import type { DeliveryRate } from '~/standins';
import type { App } from './app';
import { liveLane } from './live-lane';

/** Ways to deliver these goods to a country; none when nothing is sent by parcel, or nobody goes there. */
export async function quoteDelivery(
  app: App,
  country: string,
  goods: readonly { readonly quantity: number; readonly facts: VariantFacts }[],
): Promise<DeliveryRate[]> {
  const zone = COUNTRIES[country as CountryCode]?.zone;
  const parcels = goods.filter(({ facts }) => facts.fulfilment === 'parcel');
  if (zone === undefined || parcels.length === 0) return [];
  const weightGrams = parcels.reduce((sum, { facts, quantity }) => sum + facts.weightGrams * quantity, 0);
  return app.rates.quote({ zone, weightGrams, currency: (await liveLane(app)).currency });
}

export const COUNTRY_LIST: readonly { readonly code: string; readonly name: string }[] = Object.entries(COUNTRIES).map(
  ([code, { name }]) => ({ code, name }),
);
