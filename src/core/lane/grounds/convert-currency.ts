import { convertSum, type CurrencyChange } from '~/core/money';
import type { Lane } from '../document/lane.schema';

/** A value with every sum in it converted: whatever stands under a name that ends in `Minor`. */
export function convertSums<Value>(value: Value, change: CurrencyChange): Value {
  const convert = (inner: unknown, key: string): unknown => {
    if (typeof inner === 'number') return key.endsWith('Minor') ? Number(convertSum(inner, change)) : inner;
    if (Array.isArray(inner)) return inner.map((item) => convert(item, key));
    if (typeof inner !== 'object' || inner === null) return inner;
    return Object.fromEntries(Object.entries(inner).map(([name, own]) => [name, convert(own, name)]));
  };
  return convert(value, '') as Value;
}

/** A lane in another currency: offers, delivery and what they ask for. One that is in it already is left as it is. */
export function convertLane(lane: Lane, change: CurrencyChange): Lane {
  if (lane.shop.currency === change.to) return lane;
  const by = { ...change, from: lane.shop.currency };
  const delivery = convertSums(lane.shop.delivery, by);
  if (delivery.by === 'value')
    for (const zone of Object.values(delivery.zones)) {
      let before = 0;
      for (const step of zone.steps)
        // Steps go up, whatever rounding makes of them.
        if (step.upTo !== null) before = step.upTo = Math.max(before + 1, convertSum(step.upTo, by));
    }
  return { ...lane, offers: convertSums(lane.offers, by), shop: { ...lane.shop, delivery, currency: change.to } };
}
