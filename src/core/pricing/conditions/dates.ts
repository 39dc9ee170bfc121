import { z } from 'zod';
import { maybe } from '../basis/fields';
import { condition, inWhen } from './condition';

const DAY_MS = 86_400_000;

/** A full hour so many days on. */
const inDays = (now: number, days: number) => `${new Date(now + days * DAY_MS).toISOString().slice(0, 14)}00:00Z`;

export const dates = condition(
  {
    /** Instants (ISO 8601): `from` counts, `until` no longer does. */
    from: maybe(z.iso.datetime({ offset: true })),
    until: maybe(z.iso.datetime({ offset: true })),
  },
  {
    knownBy: 'moment',
    clause: 'time',
    refusals: {
      'not-started': { code: 'coupon-early', toOwner: 'has not begun' },
      ended: { code: 'coupon-over', toOwner: 'is over' },
    },
    asks: ({ when: { from, until } }) => from !== null || until !== null,
    refuses({ when: { from, until } }, { at }) {
      if (from !== null && at < Date.parse(from)) return 'not-started';
      return until !== null && at >= Date.parse(until) ? 'ended' : null;
    },
    changes: ({ when }) => [when.from, when.until].flatMap((at) => (at === null ? [] : Date.parse(at))),
    excludes(a, b) {
      const begins = ({ from }: typeof a.when) => (from === null ? -Infinity : Date.parse(from));
      const ends = ({ until }: typeof a.when) => (until === null ? Infinity : Date.parse(until));
      return Math.max(begins(a.when), begins(b.when)) >= Math.min(ends(a.when), ends(b.when));
    },
    reads: ({ when: { from, until } }, { moment }) => [
      ...(from === null ? [] : [`from ${moment(from)}`]),
      ...(until === null ? [] : [`until ${moment(until)}`]),
    ],
    form: (offer, { now, zone }) => [
      {
        maybe: 'from',
        isOn: offer.when.from !== null,
        change: (on) => inWhen(offer, { from: on ? inDays(now, 1) : null }),
        parts: [
          {
            field: 'moment',
            label: 'Begins',
            value: offer.when.from ?? '',
            change: (from) => inWhen(offer, { from }),
          },
        ],
      },
      {
        maybe: 'until',
        isOn: offer.when.until !== null,
        change: (on) => inWhen(offer, { until: on ? inDays(now, 8) : null }),
        parts: [
          {
            field: 'moment',
            label: 'Ends',
            value: offer.when.until ?? '',
            change: (until) => inWhen(offer, { until }),
          },
          { field: 'help', text: zone },
        ],
      },
    ],
  },
);
