import { sayIn } from '~/core/words';
import { minor } from '~/core/money';
import { countryOf, tableRates } from '~/core/delivery';
import type { DeliveryRate } from '~/standins';
import type { App } from '~/services/app';
import type { Good } from './cart-goods';
import { liveLane } from '~/services/lane/live-lane';

interface Place {
  readonly country: string;
  readonly postcode: string;
}

interface Parcel {
  readonly weightGrams: number;
  /** What is in it, before offers. */
  readonly valueMinor: number;
}

/** Ways to send a parcel to a place, by the shop's own table or by the carrier; none where nobody goes. */
export async function quoteParcel(
  app: App,
  { country, postcode }: Place,
  parcel: Parcel,
  language: string,
): Promise<DeliveryRate[]> {
  const { lane, currency } = await liveLane(app);
  const { delivery } = lane.shop;
  if (delivery.by !== 'carrier') {
    const say = sayIn(lane, language);
    return tableRates(delivery, { country, ...parcel }).map(({ key, days, amountMinor }) => ({
      key,
      name: say(key === 'express' ? 'express' : 'standard'),
      days: say('workingDays', { days }),
      amountMinor,
    }));
  }
  const zone = countryOf(country)?.zone;
  if (zone === undefined) return [];
  return app.rates.quote({ zone, country, postcode, weightGrams: parcel.weightGrams, language, currency });
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
  const sum = (of: (good: Good) => number) => parcels.reduce((all, good) => all + of(good), 0);
  const parcel = {
    weightGrams: sum((good) => good.weightGrams),
    valueMinor: sum(({ priceable }) => priceable.unitMinor * priceable.quantity),
  };
  const extra = sum(({ facts, line }) => facts.itemDeliveryMinor * line.quantity);
  const [ways, { lane }] = await Promise.all([quoteParcel(app, to, parcel, language), liveLane(app)]);
  // The parcel leaves when its last item is made.
  const lead = Math.max(0, ...parcels.map(({ facts }) => facts.leadDays ?? 0));
  const say = sayIn(lane, language);
  return ways.map((way) => ({
    ...way,
    days: lead > 0 ? say('daysAfterMaking', { lead, days: way.days }) : way.days,
    amountMinor: minor(way.amountMinor + extra),
  }));
}
