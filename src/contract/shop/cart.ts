import { z } from 'zod';
import { answers, changeId, quantity } from '~/contract/fields';
import { routes } from '~/contract/route';
import { LETTERS, MOST_ASKED, MOST_AT_ONCE } from '~/core/limits';
import { MOST_UPLOAD_BYTES } from '~/core/options';
import { checkoutSchema } from '~/core/orders/checkout.schema';
import { cartViewSchema, deliveryOptionSchema } from '~/contract/shapes/carts';
import type { Told } from '~/contract/tools';

export const changedCartSchema = z.strictObject({
  view: cartViewSchema,
  /** The line that was added or changed; null where there is none. */
  lineId: z.string().nullable(),
});
export type ChangedCart = Told<typeof changedCartSchema>;

export const manyAddedSchema = z.strictObject({
  view: cartViewSchema,
  added: z.array(z.number()),
  refused: z.array(
    z.strictObject({
      variantId: z.number(),
      message: z.string(),
    }),
  ),
});
export type ManyAdded = Told<typeof manyAddedSchema>;

export const checkoutQuoteSchema = z.strictObject({
  cart: cartViewSchema,
  ways: z.array(deliveryOptionSchema),
  chosen: z.string().nullable(),
});
export type CheckoutQuote = Told<typeof checkoutQuoteSchema>;

const chosen = {
  variantId: z.coerce.number().int().positive().optional(),
  product: z.string().max(LETTERS.slug).optional(),
  sku: z.string().max(LETTERS.sku).optional(),
  choices: z.record(z.string().max(80), z.string().max(120)).default({}),
  answers,
};
const lineId = z.string().max(60);
/** A change may carry an id, under which it is made once however often it is sent. */
const once = { changeId: changeId.optional() };
const askedQuantity = z.coerce.number().int().min(0).max(MOST_ASKED);

/** A change as forms and the runtime send it. An add names a variant, or a product and its choices. */
export const cartRequestSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('add'), ...once, ...chosen, quantity: askedQuantity.min(1).default(1) }),
  z.strictObject({ kind: z.literal('set'), ...once, lineId, quantity: askedQuantity }),
  z.strictObject({ kind: z.literal('remove'), ...once, lineId }),
  z.strictObject({ kind: z.literal('put-back'), ...once, lineId }),
  z.strictObject({ kind: z.literal('reshape'), ...once, lineId, ...chosen }),
  z.strictObject({ kind: z.literal('coupon'), ...once, code: z.string().trim().max(LETTERS.code).default('') }),
  z.strictObject({ kind: z.literal('coupon-off'), ...once, code: z.string().trim().max(LETTERS.code) }),
  z.strictObject({
    kind: z.literal('destination'),
    ...once,
    country: z.string().max(2).default(''),
    postcode: z.string().trim().max(LETTERS.postcode).default(''),
  }),
  z.strictObject({ kind: z.literal('note'), ...once, note: z.string().trim().max(LETTERS.cartNote).default('') }),
]);
export type CartRequest = z.infer<typeof cartRequestSchema>;

export const addManySchema = z.strictObject({
  items: z
    .array(z.strictObject({ variantId: z.coerce.number().int().positive(), quantity: quantity.max(MOST_ASKED) }))
    .min(1, 'must hold something')
    .max(MOST_AT_ONCE),
  /** All or nothing; else what is refused keeps nothing else out. */
  whole: z.boolean().default(false),
  changeId: changeId.optional(),
});
export type AddMany = z.infer<typeof addManySchema>;

/** The checkout form as it is kept: never the card. */
export const keptFormSchema = checkoutSchema.omit({ cardNumber: true });
export type KeptForm = z.infer<typeof keptFormSchema>;

const optionName = z
  .string()
  .min(1)
  .regex(/^[^\0]*$/);

export const cartRoutes = routes({
  'GET /api/cart': {
    says: 'The cart of whoever asks.',
    role: 'anybody',
    answer: cartViewSchema,
    cache: 'no-store',
  },
  'POST /api/cart': {
    says: 'Changes the cart and answers it priced; with a change id it is made once.',
    role: 'anybody',
    body: cartRequestSchema,
    answer: changedCartSchema,
  },
  'POST /api/cart/many': {
    says: 'Puts many items into the cart at once.',
    role: 'anybody',
    body: addManySchema,
    answer: manyAddedSchema,
  },
  'POST /api/carry': {
    says: 'Gives a code that brings the cart of another site over to the shop.',
    role: 'anybody',
    /** Empty where nothing is recorded. */
    body: z.strictObject({ visit: z.string().regex(/^([\w-]{6,60})?$/) }),
    answer: z.strictObject({ code: z.string() }),
  },
  'POST /api/checkout': {
    says: 'Keeps what is typed so far (never the card) and answers the cart priced for it.',
    role: 'anybody',
    body: z.strictObject({ form: keptFormSchema }),
    answer: checkoutQuoteSchema,
  },
  'POST /api/orders': {
    says: 'Places the order; the same key again answers the same order.',
    role: 'anybody',
    body: z.strictObject({
      key: z.uuid(),
      cartVersion: z.number().int().min(0),
      form: checkoutSchema,
      seenTotalMinor: z.number().int().min(0).nullable().default(null),
      seenGifts: z.string().max(5000).nullable().default(null),
    }),
    answer: z.strictObject({ token: z.string() }),
  },
  'POST /api/uploads': {
    says: 'Takes a shopper’s file for an option of a product; it belongs to the cart.',
    role: 'anybody',
    query: z.strictObject({
      product: optionName.max(LETTERS.slug),
      option: optionName.max(40),
      name: z.string().max(400).default(''),
    }),
    mostBytes: MOST_UPLOAD_BYTES,
    answer: z.strictObject({ id: z.string(), name: z.string() }),
  },
  'GET /api/uploads/[id]': {
    says: 'A kept file, for its owner and the shop.',
    role: 'anybody',
    params: z.strictObject({ id: z.string() }),
    file: ['image/png', 'image/jpeg', 'image/svg+xml', 'application/pdf'],
  },
});
