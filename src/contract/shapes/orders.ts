import type { OrderKeeping, StoredRefund } from '~/core/orders';
import { z } from 'zod';
import type { Address, OrderLine, OrderStatus } from '~/core/orders/order';
import type { Refundable, RefundedUnits } from '~/core/orders/refund';
import type { ItemReturn } from '~/core/orders/returns';
import { priceStepSchema } from '~/contract/shapes/prices';
import { answerTextSchema } from '~/contract/shapes/products';
import { minorSchema, same } from '~/contract/tools';

export const orderLineSchema = same<OrderLine>()(
  z.strictObject({
    variantId: z.number().nullable(),
    sku: z.string(),
    name: z.string(),
    choices: z.string(),
    quantity: z.number(),
    unitMinor: minorSchema,
    totalMinor: minorSchema,
    costMinor: z.number().nullable(),
    /** The tax rate of its product, in hundredths of a percent; null: the order's. */
    taxBasisPoints: z.number().nullable(),
    steps: z.array(priceStepSchema),
    answers: z.array(answerTextSchema),
    /** Variants that came along, one for each unit. */
    addOns: z.array(z.number()),
  }),
);

export const orderStatusSchema = same<OrderStatus>()(z.enum(['failed', 'reserved', 'paid']));

export const addressSchema = same<Address>()(
  z.strictObject({
    line1: z.string(),
    line2: z.string(),
    postcode: z.string(),
    city: z.string(),
    country: z.string(),
  }),
);

export const orderKeepingSchema = same<OrderKeeping>()(
  z.strictObject({
    packedAt: z.number().nullable(),
    sentAt: z.number().nullable(),
    cancelledAt: z.number().nullable(),
    /** Number or address at the carrier; may be empty. */
    tracking: z.string(),
  }),
);

export const refundedUnitsSchema = same<RefundedUnits>()(
  z.strictObject({
    line: z.number(),
    quantity: z.number(),
  }),
);

export const storedRefundSchema = same<StoredRefund>()(
  z.strictObject({
    id: z.number(),
    at: z.number(),
    amountMinor: minorSchema,
    units: z.array(refundedUnitsSchema),
    delivery: z.boolean(),
    /** Of the amount: what was given as goodwill. */
    sumMinor: minorSchema,
    /** Whether the units went back on the shelf. */
    restocked: z.boolean(),
    reason: z.string(),
    key: z.string(),
    state: z.enum(['done', 'asked']),
  }),
);

export const itemReturnSchema = same<ItemReturn>()(
  z.strictObject({
    id: z.number(),
    at: z.number(),
    units: z.array(refundedUnitsSchema),
    note: z.string(),
    /** null: still on its way. */
    cameAt: z.number().nullable(),
    /** Whether they went back on the shelf when they came. */
    restocked: z.boolean(),
  }),
);

export const refundableSchema = same<Refundable>()(
  z.strictObject({
    lines: z.array(
      z.strictObject({
        quantity: z.number(),
        amountMinor: minorSchema,
      }),
    ),
    /** 0 when it was given back, or nothing was paid for it. */
    deliveryMinor: minorSchema,
    totalMinor: minorSchema,
  }),
);
