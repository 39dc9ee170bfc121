import { sayIn } from '~/core/words';
import { minor } from '~/core/money';
import { countryOf, tableRates } from '~/core/delivery';
import type { DeliveryRate } from '~/standins';
import type { Good } from './cart-goods';
import type { RequestContext } from '~/services/request-context';

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
  { app, live: { lane, currency }, language }: RequestContext,
  { country, postcode }: Place,
  parcel: Parcel,
): Promise<DeliveryRate[]> {
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
  context: RequestContext,
  to: Place,
  goods: readonly Good[],
): Promise<DeliveryRate[]> {
  const parcels = goods.filter((good) => good.isParcel);
  if (parcels.length === 0) return [];
  const sum = (of: (good: Good) => number) => parcels.reduce((all, good) => all + of(good), 0);
  const parcel = {
    weightGrams: sum((good) => good.weightGrams),
    valueMinor: sum(({ priceable }) => priceable.unitMinor * priceable.quantity),
  };
  const extra = sum(({ facts, line }) => facts.itemDeliveryMinor * line.quantity);
  const ways = await quoteParcel(context, to, parcel);
  // The parcel leaves when its last item is made.
  const lead = Math.max(0, ...parcels.map(({ facts }) => facts.leadDays ?? 0));
  const say = sayIn(context.live.lane, context.language);
  return ways.map((way) => ({
    ...way,
    days: lead > 0 ? say('daysAfterMaking', { lead, days: way.days }) : way.days,
    amountMinor: minor(way.amountMinor + extra),
  }));
}
