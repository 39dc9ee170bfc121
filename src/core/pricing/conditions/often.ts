import { times } from '../basis/words';
import { condition, type Judged, type Visit } from './condition';

/** Whether an offer has been given as often as it may be. */
function isUsedUp({ id, limits: { total, perShopper } }: Judged<unknown>, used: Visit['used']): boolean {
  const own = Object.hasOwn(used, id) ? used[id] : undefined;
  return (
    own !== undefined &&
    ((total !== null && own.total >= total) || (perShopper !== null && own.byShopper >= perShopper))
  );
}

/** How often an offer is given; it holds that under `limits`. */
export const often = condition(
  {},
  {
    knownBy: 'moment',
    clause: 'often',
    refusals: { 'used-up': { code: 'coupon-used-up', toOwner: 'is used up' } },
    asks: ({ limits: { total, perShopper } }) => total !== null || perShopper !== null,
    refuses: (offer, { used }) => (isUsedUp(offer, used) ? 'used-up' : null),
    hangsOn: (offers, { used }) => offers.map((offer) => (isUsedUp(offer, used) ? offer.id : null)),
    reads: ({ limits: { total, perShopper } }) => [
      ...(total === null ? [] : [`${times(total)} in all`]),
      ...(perShopper === null ? [] : [`${times(perShopper)} per shopper`]),
    ],
    tells: ({ limits: { perShopper } }, { say }) =>
      perShopper === null ? [] : [say('toldTimes', { count: perShopper })],
    form: ({ limits }) => [
      {
        maybe: 'in all',
        isOn: limits.total !== null,
        change: (on) => ({ limits: { ...limits, total: on ? 100 : null } }),
        parts: [
          {
            field: 'count',
            label: 'Times in all',
            value: limits.total ?? 1,
            change: (total) => ({ limits: { ...limits, total } }),
          },
          'times',
        ],
      },
      {
        maybe: 'per shopper',
        isOn: limits.perShopper !== null,
        change: (on) => ({ limits: { ...limits, perShopper: on ? 1 : null } }),
        parts: [
          {
            field: 'count',
            label: 'Times per shopper',
            value: limits.perShopper ?? 1,
            change: (perShopper) => ({ limits: { ...limits, perShopper } }),
          },
          'times',
        ],
      },
    ],
  },
);
