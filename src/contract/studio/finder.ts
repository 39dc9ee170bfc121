import type { DecidedPair } from '~/core/finder';
import { z } from 'zod';
import { DONE, slugName } from '~/contract/fields';
import { routes } from '~/contract/route';
import { ORDER_FIELDS, type OrderField } from '~/core/formats';
import { LETTERS, MOST_COLUMNS, MOST_FILE_BYTES } from '~/core/limits';
import type { Pair, Triple, Verdict } from '~/core/finder/find';
import { same, type Told } from '~/contract/tools';

export const decidedPairSchema = same<DecidedPair>()(
  z.strictObject({
    a: z.string(),
    b: z.string(),
    state: z.enum(['refused', 'accepted']),
    both: z.number(),
    baskets: z.number(),
    lift: z.number(),
  }),
);

export const verdictSchema = same<Verdict>()(z.enum(['together', 'seasonal', 'popular']));

export const pairSchema = same<Pair>()(
  z.strictObject({
    a: z.string(),
    b: z.string(),
    /** Baskets with both, with the first, with the second. */
    both: z.number(),
    withA: z.number(),
    withB: z.number(),
    /** Of all baskets. */
    support: z.number(),
    /** Of those with the rarer one. */
    confidence: z.number(),
    /** How many times as often as if they had nothing to do with each other. */
    lift: z.number(),
    /** Fisher's exact test, one-sided. */
    p: z.number(),
    verdict: verdictSchema,
  }),
);

export const tripleSchema = same<Triple>()(
  z.strictObject({
    products: z.tuple([z.string(), z.string(), z.string()]),
    all: z.number(),
    support: z.number(),
    /** Of those with two of them, the weakest of the three ways. */
    confidence: z.number(),
    lift: z.number(),
    /** The largest of the three tests of one against the two others together. */
    p: z.number(),
  }),
);

export const foundFields = z.strictObject({
  baskets: z.number(),
  products: z.number(),
  pairs: z.array(pairSchema),
  triples: z.array(tripleSchema),
  /** How many pairs and triples were tested; the corrections are for as many. */
  testedPairs: z.number(),
  testedTriples: z.number(),
  rate: z.number(),
  /** Products bought too seldom to say anything of. */
  tooSeldom: z.number(),
});

export const ordersPreviewSchema = z.strictObject({
  headings: z.array(z.string()),
  columns: z.array(z.enum(['date', 'product', 'order', 'ignore'])),
  sample: z.array(z.array(z.string())),
  orders: z.number(),
  rows: z.number(),
  hasDays: z.boolean(),
  unknown: z.array(
    z.strictObject({
      name: z.string(),
      rows: z.number(),
    }),
  ),
  unknownCount: z.number(),
  problems: z.array(
    z.strictObject({
      row: z.number(),
      message: z.string(),
    }),
  ),
  problemCount: z.number(),
  /** What is missing before it can be looked through. */
  missing: z.array(z.string()),
});
export type OrdersPreview = Told<typeof ordersPreviewSchema>;

export const pairsFoundSchema = foundFields.extend({
  decided: z.array(decidedPairSchema),
  /** Products with no suggestion at all. */
  uncovered: z.array(slugName),
});
export type PairsFound = Told<typeof pairsFoundSchema>;

const side = z.string().min(1).max(LETTERS.slug);

export const decideSchema = z.strictObject({
  state: z.enum(['accepted', 'refused']),
  pairs: z
    .array(
      z.strictObject({
        a: side,
        b: side,
        both: z.number().int().min(0),
        baskets: z.number().int().min(0),
        lift: z.number().min(0),
      }),
    )
    .min(1)
    .max(500),
});
export type Decide = z.infer<typeof decideSchema>;

export const ordersOptionsSchema = z.strictObject({
  columns: z
    .array(z.enum(Object.keys(ORDER_FIELDS) as [OrderField, ...OrderField[]]))
    .max(MOST_COLUMNS)
    .optional(),
  /** Whether the shop's own orders are looked through with them. */
  withOwn: z.boolean().default(false),
});
export type OrdersOptions = z.infer<typeof ordersOptionsSchema>;

export const finderRoutes = routes({
  'POST /api/studio/suggestions/find': {
    says: 'Looks through all orders for what is bought together.',
    role: 'editor',
    lines: pairsFoundSchema,
  },
  'PUT /api/studio/suggestions': {
    says: 'Takes or refuses pairs that were found.',
    role: 'editor',
    body: decideSchema,
    answer: DONE,
  },
  'POST /api/studio/suggestions/orders': {
    says: 'Says how a file of past orders is understood; with `find`, looks through it.',
    role: 'editor',
    form: z.strictObject({
      file: z.file(),
      options: ordersOptionsSchema.prefault({}),
      find: z.literal('1').optional(),
    }),
    mostBytes: MOST_FILE_BYTES,
    answer: ordersPreviewSchema,
    lines: pairsFoundSchema,
  },
});
