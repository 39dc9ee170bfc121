import { z } from 'zod';
import type { BelowFloor, Costed, GuardCaps } from '~/core/pricing/margin/margins';
import type { Interval, TestedOrder } from '~/core/pricing/trying/backtest';
import type { FreeFrom, FreeFromAnswer } from '~/core/pricing/trying/free-from';
import type { Overlap } from '~/core/pricing/trying/overlaps';
import { pricedGoodsSchema } from '~/contract/shapes/prices';
import { same } from '~/contract/tools';

export const freeFromSchema = same<FreeFrom>()(
  z.strictObject({
    fromMinor: z.number(),
    perOrderMinor: z.number(),
    /** If nobody filled up, and if twice as many did. */
    lowMinor: z.number(),
    highMinor: z.number(),
    /** Of all orders that are sent, those that would have been sent free as they were. */
    freeShare: z.number(),
  }),
);

export const freeFromAnswerSchema = same<FreeFromAnswer>()(
  z.strictObject({
    orders: z.number(),
    /** Orders whose costs are not all known, or that are not sent. */
    leftOut: z.number(),
    steps: z.array(freeFromSchema),
  }),
);

export const testedOrderSchema = same<TestedOrder>()(
  z.strictObject({
    id: z.number(),
    at: z.number(),
    /** What it would have cost, tax included as prices are. */
    costMinor: z.number(),
    goodsMinor: z.number(),
    marginBefore: z.number().nullable(),
    /** What delivery loses taken off, too. */
    marginAfter: z.number().nullable(),
  }),
);

export const intervalSchema = same<Interval>()(
  z.strictObject({
    value: z.number(),
    /** 95 %. */
    low: z.number(),
    high: z.number(),
  }),
);

export const backtestFields = z.strictObject({
  orders: z.number(),
  /** Those that would have got it. */
  got: z.array(testedOrderSchema),
  costMinor: z.number(),
  /** Of those that would have got it and whose costs are all known. */
  marginBeforeMinor: z.number(),
  marginAfterMinor: z.number(),
  unknownCosts: z.number(),
  /** How many more such orders would have to come for the margin to stay the same; null when none would be enough. */
  uplift: intervalSchema.nullable(),
});

export const costedSchema = same<Costed>()(
  z.strictObject({
    sku: z.string(),
    slug: z.string(),
    name: z.string(),
    choices: z.string(),
    priceMinor: z.number(),
    /** null: nobody has said. */
    costMinor: z.number().nullable(),
    categories: z.array(z.string()),
    tags: z.array(z.string()),
    taxBasisPoints: z.number().nullable(),
  }),
);

export const belowFloorSchema = same<BelowFloor>()(
  z.strictObject({
    lines: z.array(
      z.strictObject({
        good: costedSchema,
        quantity: z.number(),
      }),
    ),
    codes: z.array(z.string()),
    at: z.number(),
    shopper: z.enum(['new', 'returning']),
    country: z.string().nullable(),
    priced: pricedGoodsSchema,
    /** What it brings before tax, and the least it may. */
    bringsMinor: z.number(),
    leastMinor: z.number(),
  }),
);

export const guardCapsSchema = same<GuardCaps>()(
  z.strictObject({
    /** Of one variant alone. */
    quantity: z.number(),
    /** Variants with the smallest margin that are tried two together, up to `together` of each. */
    pairsOf: z.number(),
    triplesOf: z.number(),
    together: z.number(),
  }),
);

export const overlapSchema = same<Overlap>()(
  z.strictObject({
    a: z.string(),
    b: z.string(),
    /** `add-up`: both count. `one-each`: each item gets the better one. `one-of-two`: an order gets the better one, whether or not they are about the same goods. `same-code`: one code for both. */
    how: z.enum(['add-up', 'one-each', 'one-of-two', 'same-code']),
    /** Variants that both are about; null: none, or of delivery or gifts. */
    variants: z.number().nullable(),
  }),
);
