import { z } from 'zod';

const optionKey = z.string().regex(/^[a-z0-9-]{1,40}$/, 'must be small letters, digits and hyphens');

/** When an option is asked for: a statement about the answers to other options. Hidden options have no answer. */
export type Condition =
  | { op: 'and' | 'or'; of: Condition[] }
  | { op: 'not'; of: Condition }
  | { op: 'equals'; option: string; value: string }
  | { op: 'oneOf'; option: string; values: string[] }
  | { op: 'isSet'; option: string }
  | { op: 'greater'; option: string; than: number };

export const conditionSchema: z.ZodType<Condition, Condition> = z.lazy(() =>
  z.discriminatedUnion('op', [
    z.strictObject({ op: z.enum(['and', 'or']), of: z.array(conditionSchema).min(1).max(12) }),
    z.strictObject({ op: z.literal('not'), of: conditionSchema }),
    z.strictObject({ op: z.literal('equals'), option: optionKey, value: z.string().min(1).max(120) }),
    z.strictObject({
      op: z.literal('oneOf'),
      option: optionKey,
      values: z.array(z.string().min(1).max(120)).min(1).max(60),
    }),
    z.strictObject({ op: z.literal('isSet'), option: optionKey }),
    z.strictObject({ op: z.literal('greater'), option: optionKey, than: z.number() }),
  ]),
) as z.ZodType<Condition, Condition>;

export { optionKey };
