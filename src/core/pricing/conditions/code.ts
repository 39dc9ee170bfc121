import { z } from 'zod';
import { LETTERS } from '~/core/limits';
import { plainCode } from '../basis/codes';
import { maybe } from '../basis/fields';
import { condition, inWhen } from './condition';

export const code = condition(
  {
    code: maybe(z.string().trim().min(1).max(LETTERS.code)),
    /** `code` is what a list of codes begins with, of which each works once; which stand in the list is not said here. */
    isOneTime: z.boolean().default(false),
  },
  {
    knownBy: 'code',
    clause: 'code',
    refusals: { 'needs-code': { code: null, toOwner: 'needs its code' } },
    asks: ({ when }) => when.code !== null,
    refuses: ({ when }, { codes }) =>
      when.code !== null && !codes.includes(plainCode(when.code)) ? 'needs-code' : null,
    hangsOn: (_, { codes }) => codes,
    reads({ when }) {
      if (when.code === null) return [];
      const written = when.code.toLowerCase();
      return [
        when.isOneTime ? `with one of the codes that begin with “${written}”, each once` : `with the code “${written}”`,
      ];
    },
    form: (offer) => [
      [
        {
          field: 'code',
          code: offer.when.code,
          isOneTime: offer.when.isOneTime,
          change: (part) => inWhen(offer, part),
        },
      ],
    ],
  },
);
