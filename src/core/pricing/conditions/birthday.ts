import { z } from 'zod';
import { maybe } from '../basis/fields';
import { condition, inWhen, type Visit } from './condition';

const dayOf = ({ today, at }: Visit) => today ?? new Date(at).toISOString().slice(0, 10);

export const birthday = condition(
  { birthdayDays: maybe(z.number().int().min(0).max(183)) },
  {
    knownBy: 'buyer',
    clause: 'who',
    refusals: {
      'not-birthday': {
        code: 'coupon-birthday',
        beforePaying: 'coupon-at-pay-birthday',
        toOwner: 'is not near the birthday',
      },
    },
    asks: ({ when }) => when.birthdayDays !== null,
    refuses({ when: { birthdayDays } }, visit) {
      if (birthdayDays === null) return null;
      const isNear = visit.birthday !== null && daysToBirthday(dayOf(visit), visit.birthday) <= birthdayDays;
      return isNear ? null : 'not-birthday';
    },
    hangsOn: (_, visit) => [visit.birthday, dayOf(visit)],
    tries: (offers, today) => [
      { birthday: offers.some(({ when }) => when.birthdayDays !== null) ? today.slice(5) : null },
    ],
    reads({ when: { birthdayDays } }) {
      if (birthdayDays === null) return [];
      return [`at most ${birthdayDays === 1 ? '1 day' : `${birthdayDays} days`} from the shopper’s birthday`];
    },
    tells: ({ when }, { say }) => (when.birthdayDays === null ? [] : [say('toldBirthday')]),
    form: (offer) => [
      {
        maybe: 'around their birthday',
        isOn: offer.when.birthdayDays !== null,
        change: (on) => inWhen(offer, { birthdayDays: on ? 7 : null }),
        parts: [
          {
            field: 'count',
            label: 'Days before and after the birthday',
            value: offer.when.birthdayDays ?? 7,
            min: 0,
            max: 183,
            change: (birthdayDays) => inWhen(offer, { birthdayDays }),
          },
          {
            field: 'help',
            text: 'days before and after, for those who told it on a thank-you page. Known from the checkout on, once the e-mail is typed.',
          },
        ],
      },
    ],
  },
);

const DAY_MS = 86_400_000;

/** Calendar days between a day (YYYY-MM-DD) and the nearest birthday (MM-DD); 29 February is 1 March in other years. */
export function daysToBirthday(today: string, born: string): number {
  const now = Date.parse(`${today}T00:00:00Z`);
  const year = Number(today.slice(0, 4));
  const [month, day] = born.split('-').map(Number) as [number, number];
  // A day that a month does not have is the first of the next, as Date counts.
  const distances = [year - 1, year, year + 1].map((of) => Math.abs(Date.UTC(of, month - 1, day) - now) / DAY_MS);
  return Math.min(...distances);
}
