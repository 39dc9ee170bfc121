import { z } from 'zod';
import type {
  BetterView,
  CartHint,
  LineView,
  CartView,
  CouponView,
  DeliveryOption,
  EstimateView,
  GiftView,
} from '~/core/cart/cart-view';
import { priceStepSchema } from '~/contract/shapes/prices';
import { answerSchema, answerTextSchema, pictureSchema } from '~/contract/shapes/products';
import { minorSchema, same } from '~/contract/tools';

export const betterViewSchema = same<BetterView>()(
  z.strictObject({
    slug: z.string(),
    name: z.string(),
    choices: z.string(),
    variantId: z.number(),
    answers: z.record(z.string(), answerSchema),
    changes: z.array(z.string()),
    /** What the whole cart costs more with it, as it would be charged. */
    moreMinor: minorSchema,
  }),
);

export const lineViewSchema = same<LineView>('LineView')(
  z.strictObject({
    id: z.string(),
    variantId: z.number(),
    slug: z.string(),
    /** Slugs of the product's categories, parents included. */
    categories: z.array(z.string()),
    name: z.string(),
    choices: z.string(),
    /** Answers to options, in words and as they were given. */
    answerTexts: z.array(answerTextSchema),
    answers: z.record(z.string(), answerSchema),
    /** How it comes where it does not leave at once by parcel, in words; null: as usual. */
    arrival: z.string().nullable(),
    /** Whether there is anything to choose: other variants, or options. */
    isChangeable: z.boolean(),
    /** What can stand in its place; null: nothing. */
    better: betterViewSchema.nullable(),
    /** In whose place it was taken, and what one costs there; null: nowhere, or for what it always costs. */
    instead: z
      .strictObject({
        of: z.string(),
        unitMinor: minorSchema,
      })
      .nullable(),
    picture: pictureSchema.nullable(),
    quantity: z.number(),
    stock: z.number().nullable(),
    /** One unit with its options; what counts once for the line is in the total only. */
    unitMinor: minorSchema,
    /** Before offers. */
    fullMinor: minorSchema,
    /** By the offers on it, without its share of what comes off the whole order. */
    lineMinor: minorSchema,
    totalMinor: minorSchema,
    steps: z.array(priceStepSchema),
    problem: z.string().nullable(),
  }),
);

export const giftViewSchema = same<GiftView>()(
  z.strictObject({
    offerId: z.string(),
    offer: z.string(),
    name: z.string(),
    choices: z.string(),
    picture: pictureSchema.nullable(),
    quantity: z.number(),
    /** What it costs otherwise, all of it. */
    valueMinor: minorSchema,
    /** That it has run out, in words; null: it comes along. */
    gone: z.string().nullable(),
  }),
);

export const cartHintSchema = same<CartHint>()(
  z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('code'),
      code: z.string(),
      savedMinor: z.number(),
    }),
    z.strictObject({
      kind: z.literal('told'),
      text: z.string(),
    }),
    z.strictObject({
      kind: z.literal('more'),
      name: z.string(),
      missingMinor: z.number(),
      thresholdMinor: z.number(),
    }),
  ]),
);

export const couponViewSchema = same<CouponView>()(
  z.strictObject({
    code: z.string(),
    takenMinor: minorSchema,
    problem: z.string().nullable(),
    /** What is wrong may come right at the next step: delivery or country are not known yet. */
    isWaiting: z.boolean(),
  }),
);

export const deliveryOptionSchema = same<DeliveryOption>()(
  z.strictObject({
    key: z.string(),
    name: z.string(),
    days: z.string(),
    /** As charged: after offers. */
    amountMinor: minorSchema,
  }),
);

export const estimateViewSchema = same<EstimateView>()(
  z.strictObject({
    country: z.string(),
    countryName: z.string(),
    postcode: z.string(),
    ways: z.array(deliveryOptionSchema),
  }),
);

export const cartViewSchema = same<CartView>('CartView')(
  z.strictObject({
    /** Grows with every change, so that an older answer is known as such. */
    version: z.number(),
    lines: z.array(lineViewSchema),
    gifts: z.array(giftViewSchema),
    /** Ids of the offers whose gifts come along, with spaces between them: sent with an order, so that one that runs out is told. */
    comesAlong: z.string(),
    count: z.number(),
    subtotalMinor: minorSchema,
    discountMinor: minorSchema,
    /** What makes it up, a row an offer; an empty label: it has no name. */
    discounts: z.array(
      z.strictObject({
        offerId: z.string(),
        label: z.string(),
        amountMinor: minorSchema,
      }),
    ),
    /** null until a destination is known, or when nothing is sent. */
    deliveryMinor: minorSchema.nullable(),
    taxMinor: minorSchema,
    taxIncluded: z.boolean(),
    taxBasisPoints: z.number(),
    totalMinor: minorSchema,
    freeDelivery: z
      .strictObject({
        thresholdMinor: minorSchema,
        missingMinor: minorSchema,
      })
      .nullable(),
    steps: z.array(priceStepSchema),
    /** When an offer of this cart ends (ms since 1970), the soonest, in its last two days. */
    deadline: z
      .strictObject({
        name: z.string(),
        at: z.number(),
      })
      .nullable(),
    hints: z.array(cartHintSchema),
    codes: z.array(couponViewSchema),
    /** Whether one more code would be taken beside these, and not in their place. */
    takesCode: z.boolean(),
    needsDelivery: z.boolean(),
    /** Where it can be sent to (ISO 3166-1), the shop’s own country first; none when nothing is sent. */
    countries: z.array(z.string()),
    estimate: estimateViewSchema.nullable(),
    note: z.string(),
  }),
);
