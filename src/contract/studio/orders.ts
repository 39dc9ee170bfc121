import { z } from 'zod';
import { idInAddress } from '~/contract/fields';
import { routes } from '~/contract/route';
import { LETTERS, MOST_ASKED, MOST_FILE_BYTES, ORDERS_A_PAGE } from '~/core/limits';
import { MOST_MINOR } from '~/core/money';
import { ORDER_FILTERS } from '~/core/orders';
import {
  addressSchema,
  itemReturnSchema,
  orderKeepingSchema,
  orderLineSchema,
  orderStatusSchema,
  refundableSchema,
  storedRefundSchema,
} from '~/contract/shapes/orders';
import { priceStepSchema } from '~/contract/shapes/prices';
import { minorSchema, type ReadOnly, type Told } from '~/contract/tools';

export const tracesSchema = z.strictObject({
  orders: z.number(),
  checkouts: z.number(),
  files: z.number(),
  mails: z.number(),
});
export type Traces = Told<typeof tracesSchema>;

export const keptOrderSchema = z.strictObject({
  order: z.strictObject({
    name: z.string(),
    id: z.number(),
    lines: z.array(orderLineSchema),
    subtotalMinor: minorSchema,
    discountMinor: minorSchema,
    deliveryMinor: minorSchema,
    taxMinor: minorSchema,
    /** Whether the prices of its lines hold the tax. */
    taxIncluded: z.boolean(),
    /** The shop's own rate then, which delivery has as well; null for orders from before it was kept. */
    taxBasisPoints: z.number().nullable(),
    totalMinor: minorSchema,
    steps: z.array(priceStepSchema),
    note: z.string(),
    delivery: z.string(),
    /** The codes that counted, if any, with commas between them. */
    coupon: z.string().nullable(),
    email: z.string(),
    token: z.string(),
    status: orderStatusSchema,
    address: addressSchema,
    /** As the carrier called it then, and how long it takes. */
    deliveryName: z.string(),
    deliveryDays: z.string(),
    /** The language it was made in: its mail and its page speak it. */
    language: z.string(),
    currency: z.string(),
    /** What was shown before it was paid, where less was charged: an offer asked who buys. */
    shownTotalMinor: minorSchema.nullable(),
    laneRevision: z.number(),
    visitId: z.string().nullable(),
    /** The provider's reference; of a failed order, why it failed. */
    paymentReference: z.string().nullable(),
    placedAt: z.number(),
    day: z.string(),
    cartVersion: z.number().nullable(),
  }),
  number: z.string(),
  keeping: orderKeepingSchema,
  refunds: z.array(storedRefundSchema),
  returns: z.array(itemReturnSchema),
  left: refundableSchema,
  mails: z.array(
    z.strictObject({
      text: z.string(),
      id: z.string(),
      /** Milliseconds since 1970. */
      at: z.number(),
      subject: z.string(),
    }),
  ),
  /** What the buyer did on the way, oldest first; empty where nothing was recorded. */
  way: z.array(
    z.strictObject({
      at: z.number(),
      kind: z.string(),
      page: z.string().nullable(),
      product: z.string().nullable(),
    }),
  ),
});
export type KeptOrder = Told<typeof keptOrderSchema>;

export const dispatchedSchema = z.strictObject({
  /** How many orders are sent now that were not before. */
  sent: z.number(),
  /** Orders that were sent already. */
  already: z.number(),
  /** What could not be taken, by the line of the file. */
  problems: z.array(
    z.strictObject({
      row: z.number(),
      message: z.string(),
    }),
  ),
});
export type Dispatched = Told<typeof dispatchedSchema>;

const day = z.iso.date().or(z.literal('')).catch('').default('');

/** The owner's list as its address asks for it; wrong values fall back. */
export const orderListSchema = z.object({
  q: z.string().trim().max(LETTERS.search).catch('').default(''),
  filter: z.enum(ORDER_FILTERS).catch('all').default('all'),
  from: day,
  to: day,
  page: z.coerce.number().int().min(1).max(100_000).catch(1).default(1),
});
export type OrderListAsked = z.infer<typeof orderListSchema>;

const units = z
  .array(z.strictObject({ line: z.number().int().min(0).max(500), quantity: z.number().int().min(1).max(MOST_ASKED) }))
  .max(500);
const returnId = z.number().int().min(1);
const reason = z.string().trim().max(LETTERS.reason).default('');

export const orderActionSchema = z.discriminatedUnion('action', [
  z.strictObject({ action: z.literal('pack') }),
  z.strictObject({ action: z.literal('send'), tracking: z.string().trim().max(LETTERS.tracking).default('') }),
  /** Takes packed or sent back. */
  z.strictObject({ action: z.literal('reopen') }),
  z.strictObject({
    action: z.literal('refund'),
    units,
    delivery: z.boolean(),
    restock: z.boolean(),
    reason,
    /** As goodwill, for no item. */
    sumMinor: z.number().int().min(0).max(MOST_MINOR).optional(),
  }),
  z.strictObject({ action: z.literal('cancel'), restock: z.boolean(), reason }),
  /** Items come back, are back, or do not come back after all. */
  z.strictObject({ action: z.literal('return'), units, note: reason }),
  z.strictObject({ action: z.literal('return-came'), returnId, restock: z.boolean() }),
  z.strictObject({ action: z.literal('return-dropped'), returnId }),
]);
export type OrderAction = z.infer<typeof orderActionSchema>;
/** As it is sent. */
export type SentAction = ReadOnly<z.input<typeof orderActionSchema>>;

/** Most orders that are marked by one press: those of a page. */
export const manyOrdersSchema = z.strictObject({
  ids: z.array(z.number().int().min(1)).min(1).max(ORDERS_A_PAGE),
  action: z.enum(['pack', 'send']),
});
export type ManyOrders = z.infer<typeof manyOrdersSchema>;

export const studioOrderRoutes = routes({
  'GET /api/studio/orders': {
    says: 'Orders as a CSV file, narrowed as the list is.',
    role: 'owner',
    query: orderListSchema,
    file: ['text/csv'],
  },
  'POST /api/studio/orders': {
    says: 'Marks several as packed or sent.',
    role: 'owner',
    body: manyOrdersSchema,
    answer: z.strictObject({
      done: z.number(),
      refused: z.array(z.strictObject({ number: z.string(), message: z.string() })),
    }),
  },
  'POST /api/studio/orders/[id]': {
    says: 'Packs, sends, refunds or cancels an order; answers how it is then.',
    role: 'owner',
    params: z.strictObject({ id: idInAddress }),
    body: orderActionSchema,
    answer: keptOrderSchema,
  },
  'POST /api/studio/orders/dispatch': {
    says: 'Marks the orders of a CSV file as sent.',
    role: 'owner',
    mostBytes: MOST_FILE_BYTES,
    answer: dispatchedSchema,
  },
  'POST /api/studio/erase': {
    says: 'What there is of a buyer; with `apply`, it is erased.',
    role: 'owner',
    body: z.strictObject({ email: z.string().trim().min(3).max(LETTERS.email), apply: z.boolean() }),
    answer: tracesSchema,
  },
});
