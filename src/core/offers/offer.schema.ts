import { z } from 'zod';

const id = z.string().min(1).max(60);
const name = z.string().min(1).max(80);
const sum = z.number().int().min(0).max(100_000_000);

const coupon = {
  id,
  name,
  on: z.boolean(),
  /** As shoppers type it; capitals and spaces around it do not matter. */
  code: z.string().trim().toUpperCase().min(3).max(30),
  /** The goods must come to this much before it counts. */
  fromMinor: sum,
  /** The last day it is taken, YYYY-MM-DD in the shop's zone; null: no end. */
  lastDay: z.iso.date().nullable(),
};

/** Any rule that changes a price. Discriminated by `kind`; each kind is applied in `price-cart.ts`. */
export const offerSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('freeShipping'),
    id,
    name,
    on: z.boolean(),
    thresholdMinor: sum,
    /** The ways of delivery it makes free; none named: all. */
    methods: z.array(z.string().min(1).max(20)).max(10).default([]),
  }),
  z.strictObject({ kind: z.literal('couponPercent'), ...coupon, basisPoints: z.number().int().min(1).max(10_000) }),
  z.strictObject({ kind: z.literal('couponAmount'), ...coupon, amountMinor: sum.min(1) }),
]);

export type Offer = z.infer<typeof offerSchema>;
export type Coupon = Extract<Offer, { code: string }>;
