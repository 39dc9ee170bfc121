import { z } from 'zod';
import { condition, inWhen, type Judged } from './condition';

const kind = z.enum(['any', 'new', 'returning']);
type Kind = z.infer<typeof kind>;

const AS_READ: Readonly<Record<Kind, readonly string[]>> = {
  any: [],
  new: ['for a first order'],
  returning: ['for those who have bought before'],
};

const isAsked = ({ when }: Judged<{ readonly shopper: Kind }>) => when.shopper !== 'any';

export const shopper = condition(
  { shopper: kind.default('any') },
  {
    knownBy: 'buyer',
    clause: 'who',
    refusals: {
      'wrong-shopper': { code: 'coupon-not-you', beforePaying: 'coupon-at-pay', toOwner: 'is for other shoppers' },
    },
    asks: isAsked,
    refuses: (offer, visit) => (isAsked(offer) && offer.when.shopper !== visit.shopper ? 'wrong-shopper' : null),
    hangsOn: (_, visit) => [visit.shopper],
    excludes: (a, b) => isAsked(a) && isAsked(b) && a.when.shopper !== b.when.shopper,
    tries: (offers) => (offers.some(isAsked) ? [{ shopper: 'new' }, { shopper: 'returning' }] : [{ shopper: 'new' }]),
    reads: ({ when }) => AS_READ[when.shopper],
    tells({ when }, { say }) {
      if (when.shopper === 'any') return [];
      return [say(when.shopper === 'new' ? 'toldNew' : 'toldReturning')];
    },
    form: (offer) => [
      [
        'for',
        {
          field: 'choice',
          label: 'Which shoppers',
          value: offer.when.shopper,
          options: { any: 'everybody', new: 'a first order', returning: 'those who have bought before' },
          change: (value) => inWhen(offer, { shopper: kind.parse(value) }),
        },
      ],
    ],
  },
);
