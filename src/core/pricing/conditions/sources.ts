import { z } from 'zod';
import { key } from '../basis/fields';
import { either, sorted } from '../basis/words';
import { condition, inWhen } from './condition';

export const sources = condition(
  { sources: z.array(key).max(100).default([]) },
  {
    knownBy: 'visit',
    clause: 'who',
    refusals: { 'wrong-source': { code: 'coupon-not-here', toOwner: 'is for visits from elsewhere' } },
    asks: ({ when }) => when.sources.length > 0,
    refuses: ({ when }, { source }) =>
      when.sources.length > 0 && !when.sources.includes(source ?? '') ? 'wrong-source' : null,
    hangsOn: (_, { source }) => [source],
    tries: (offers) => [null, ...new Set(offers.flatMap(({ when }) => when.sources))].map((source) => ({ source })),
    reads({ when }) {
      if (when.sources.length === 0) return [];
      return [`for visits from ${either(sorted(when.sources).map((source) => `“${source}”`))}`];
    },
    form: (offer) => [
      [{ field: 'sources', value: offer.when.sources, change: (chosen) => inWhen(offer, { sources: chosen }) }],
    ],
  },
);
