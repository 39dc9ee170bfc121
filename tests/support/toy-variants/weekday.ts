import { z } from 'zod';
import { maybe } from '~/core/pricing/basis/fields';
import { condition, inWhen, type Visit } from '~/core/pricing/conditions/condition';

const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const weekdayOf = ({ today, at }: Visit) => new Date(today ?? at).getUTCDay();

/** A condition that a test adds: on one day of the week. */
export const weekday = condition(
  { weekday: maybe(z.number().int().min(0).max(6)) },
  {
    knownBy: 'moment',
    clause: 'time',
    refusals: { 'wrong-weekday': { code: 'coupon-early', toOwner: 'is for another day' } },
    asks: ({ when }) => when.weekday !== null,
    refuses: ({ when }, visit) => (when.weekday === null || when.weekday === weekdayOf(visit) ? null : 'wrong-weekday'),
    hangsOn: (_, visit) => [String(weekdayOf(visit))],
    excludes: ({ when: a }, { when: b }) => a.weekday !== null && b.weekday !== null && a.weekday !== b.weekday,
    reads: ({ when }) => (when.weekday === null ? [] : [`on ${DAYS[when.weekday]}s`]),
    form: (offer) => [
      {
        maybe: 'on one day of the week',
        isOn: offer.when.weekday !== null,
        change: (on) => inWhen(offer, { weekday: on ? 1 : null }),
        parts: [
          {
            field: 'choice',
            label: 'Day of the week',
            value: String(offer.when.weekday),
            options: Object.fromEntries(DAYS.map((day, number) => [number, day])),
            change: (number) => inWhen(offer, { weekday: Number(number) }),
          },
        ],
      },
    ],
  },
);
