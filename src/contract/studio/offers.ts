import { z } from 'zod';
import { routes } from '~/contract/route';
import {
  backtestFields,
  belowFloorSchema,
  costedSchema,
  freeFromAnswerSchema,
  guardCapsSchema,
  overlapSchema,
  testedOrderSchema,
} from '~/contract/shapes/margins';
import { MOST_CODES_AT_ONCE, MOST_TRIED } from '~/core/limits';
import type { Told } from '~/contract/tools';

const offer = z.string().min(1).max(60);
const countsSchema = z.strictObject({ made: z.number(), used: z.number() });

/** Goods to try offers on, and how many of each an order had. */
export const triedGoodsSchema = z.strictObject({
  goods: z.array(costedSchema),
  lines: z.array(z.strictObject({ sku: z.string(), quantity: z.number() })),
});
export type TriedGoods = Told<typeof triedGoodsSchema>;

export const backtestAnswerSchema = backtestFields.extend({
  /** Orders that would have got it: how many, and the first of them. */
  got: z.number(),
  told: z.array(testedOrderSchema),
  /** So many orders had a margin from so much on, before and after; null: sold below cost. */
  shares: z.array(z.strictObject({ from: z.number().nullable(), before: z.number(), after: z.number() })),
});
export type BacktestAnswer = Told<typeof backtestAnswerSchema>;

export const guardAnswerSchema = z.strictObject({
  /** The cart that falls furthest below its floor, of those looked at; null when none does. */
  worst: belowFloorSchema.nullable(),
  carts: z.number(),
  /** Kinds of buyer, codes and moments each was tried under. */
  circumstances: z.number(),
  kinds: z.number(),
  pairsOf: z.number(),
  triplesOf: z.number(),
  caps: guardCapsSchema,
  /** Variants that could not be judged: nobody has said what they cost, or there is no floor. */
  unjudged: z.number(),
  overlaps: z.array(overlapSchema),
});
export type GuardTold = Told<typeof guardAnswerSchema>;

export const offerRoutes = routes({
  'POST /api/studio/offers/backtest': {
    says: 'Prices all past orders with and without an offer of the draft.',
    role: 'owner',
    body: z.strictObject({ offer }),
    lines: backtestAnswerSchema,
  },
  'POST /api/studio/offers/guard': {
    says: 'Looks for a cart of the draft’s offers that sells below the floor, and which offers meet.',
    role: 'editor',
    lines: guardAnswerSchema,
  },
  'GET /api/studio/offers/codes': {
    says: 'How many codes an offer has, of which each works once; `as=csv`: all of them.',
    role: 'owner',
    query: z.strictObject({ offer, as: z.literal('csv').optional() }),
    answer: countsSchema,
    file: ['text/csv'],
  },
  'POST /api/studio/offers/codes': {
    says: 'Makes codes for an offer of the draft.',
    role: 'owner',
    body: z.strictObject({ offer, count: z.number().int().min(1).max(MOST_CODES_AT_ONCE) }),
    answer: countsSchema,
  },
  'POST /api/studio/offers/free-from': {
    says: 'What free delivery from each of some sums would leave of an order.',
    role: 'owner',
    body: z.strictObject({ share: z.number().min(0).max(1), reach: z.number().min(0).max(1) }),
    answer: freeFromAnswerSchema,
  },
  'GET /api/studio/offers/goods': {
    says: 'Goods to try offers on: of products, or of an order with how many of each. Says what they cost the shop.',
    role: 'editor',
    query: z.strictObject({
      slugs: z
        .string()
        .max(8000)
        .default('')
        .transform((text) => text.split(',').filter(Boolean).slice(0, MOST_TRIED)),
      order: z.coerce.number().int().positive().optional(),
    }),
    answer: triedGoodsSchema,
  },
});
