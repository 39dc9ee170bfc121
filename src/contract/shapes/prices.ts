import { z } from 'zod';
import type { OfferRefusal } from '~/core/pricing/engine/price';
import type { ChoicePrice } from '~/core/pricing/receipt/price-choice';
import type { PricedCode, PricedGoods } from '~/core/pricing/receipt/price-goods';
import type { LinePrice, PriceStep } from '~/core/pricing/receipt/price-line';
import type { ThresholdView } from '~/core/pricing/receipt/threshold';
import type { Off, ToldEffect } from '~/core/pricing/basis/told-words';
import type { Told } from '~/core/pricing/telling/told';
import { selectionSchema as lineSelectionSchema } from '~/core/pricing/basis/selection';
import { REFUSAL_CODES, whenSchema } from '~/core/pricing/conditions';
import { minorSchema, same } from '~/contract/tools';

export const priceStepSchema = same<PriceStep>('PriceStep')(
  z.union([
    z.strictObject({
      code: z.literal('list-price'),
      amountMinor: minorSchema,
      quantity: z.number(),
      unitMinor: minorSchema,
    }),
    z.strictObject({
      code: z.literal('option'),
      amountMinor: minorSchema,
      key: z.string(),
      label: z.string(),
      per: z.enum(['unit', 'once']),
      /** Of one unit; for `once` the whole. */
      eachMinor: minorSchema,
    }),
    z.strictObject({
      code: z.literal('floor'),
      amountMinor: minorSchema,
    }),
    z.strictObject({
      code: z.literal('offer'),
      amountMinor: minorSchema,
      offerId: z.string(),
      name: z.string(),
      coupon: z.string().nullable(),
      /** Whether it is a share of what comes off the whole order. */
      isOfOrder: z.boolean(),
    }),
    z.strictObject({
      code: z.literal('gift'),
      amountMinor: minorSchema,
      offerId: z.string(),
      name: z.string(),
      valueMinor: minorSchema,
    }),
    z.strictObject({
      code: z.literal('delivery'),
      amountMinor: minorSchema,
    }),
    z.strictObject({
      code: z.enum(['tax-included', 'tax-on-top']),
      amountMinor: minorSchema,
      basisPoints: z.number(),
    }),
  ]),
);

export const offSchema = same<Off>()(
  z.union([
    z.strictObject({
      basisPoints: z.number(),
    }),
    z.strictObject({
      amountMinor: z.number(),
    }),
  ]),
);

export const toldEffectSchema = same<ToldEffect>()(
  z.union([
    z.strictObject({
      code: z.literal('same-set'),
      buy: z.number(),
      get: z.number(),
      basisPoints: z.number(),
    }),
    z.strictObject({
      code: z.enum(['gets', 'comes-with']),
      buy: z.number(),
      get: z.number(),
      basisPoints: z.number(),
      /** The other goods of it. */
      what: lineSelectionSchema,
    }),
    z.strictObject({
      code: z.literal('bundle'),
      items: z.array(
        z.strictObject({
          selection: lineSelectionSchema,
          quantity: z.number(),
        }),
      ),
      priceMinor: z.number(),
    }),
    z.strictObject({
      code: z.literal('capped'),
      off: offSchema,
      maxMinor: z.number(),
    }),
    z.strictObject({
      code: z.literal('order'),
      off: offSchema,
      what: lineSelectionSchema,
    }),
    z.strictObject({
      code: z.literal('together'),
      from: z.number(),
      what: lineSelectionSchema,
      each: z.union([
        z.strictObject({
          basisPoints: z.number(),
        }),
        z.strictObject({
          amountMinor: z.number(),
        }),
        z.strictObject({
          unitMinor: z.number(),
        }),
      ]),
    }),
    z.strictObject({
      code: z.literal('off'),
      off: offSchema,
    }),
    z.strictObject({
      code: z.literal('price'),
      amountMinor: z.number(),
    }),
    z.strictObject({
      code: z.literal('gift'),
      variant: z.string(),
      quantity: z.number(),
    }),
  ]),
);

export const toldSchema = same<Told>()(
  z.strictObject({
    offerId: z.string(),
    effect: toldEffectSchema,
    when: whenSchema,
    perShopper: z.number().nullable(),
    /** Whether another offer can take its place. */
    isWhileAlone: z.boolean(),
  }),
);

export const choicePriceSchema = same<ChoicePrice>()(
  z.strictObject({
    /** One unit with what its options add to each. */
    eachMinor: minorSchema,
    /** What counts once, however many. */
    onceMinor: minorSchema,
    /** What the cart will say of the line before offers. */
    totalMinor: minorSchema,
    /** The same before the price was lowered; null when it was not. */
    wasTotalMinor: minorSchema.nullable(),
    /** Whether the total is more than one unit's price, and needs explaining. */
    hasParts: z.boolean(),
  }),
);

export const linePriceSchema = same<LinePrice>()(
  z.strictObject({
    lineId: z.string(),
    /** Before offers: goods and options. */
    fullMinor: minorSchema,
    totalMinor: minorSchema,
    steps: z.array(priceStepSchema),
  }),
);

const plainCodeSchema = z.enum(['off', ...REFUSAL_CODES]);

export const offerRefusalSchema = same<OfferRefusal>()(
  z.union([
    z.strictObject({
      code: plainCodeSchema,
    }),
    z.strictObject({
      code: z.literal('needs-more'),
      missingMinor: z.number(),
    }),
    z.strictObject({
      code: z.literal('needs-items'),
      missing: z.number(),
    }),
    z.strictObject({
      code: z.enum(['not-searched', 'delivery-not-chosen', 'no-effect']),
    }),
    z.strictObject({
      code: z.literal('outdone'),
      by: z.array(z.string()),
    }),
  ]),
);

export const pricedCodeSchema = same<PricedCode>()(
  z.strictObject({
    code: z.string(),
    offerId: z.string().nullable(),
    takenMinor: minorSchema,
    /** Null when it counts. */
    refusal: z.union([offerRefusalSchema, z.strictObject({ code: z.literal('unknown') })]).nullable(),
  }),
);

export const thresholdViewSchema = same<ThresholdView>()(
  z.strictObject({
    offerId: z.string(),
    thresholdMinor: minorSchema,
    /** 0 when it is reached. */
    missingMinor: minorSchema,
  }),
);

export const pricedGoodsSchema = same<PricedGoods>('PricedGoods')(
  z.strictObject({
    lines: z.array(linePriceSchema),
    /** The lines before offers. */
    subtotalMinor: minorSchema,
    /** What offers take off the lines; zero or more. */
    discountMinor: minorSchema,
    /** null until delivery is chosen. */
    deliveryMinor: minorSchema.nullable(),
    taxMinor: minorSchema,
    totalMinor: minorSchema,
    /** What belongs to no line: delivery and tax. */
    steps: z.array(priceStepSchema),
    codes: z.array(pricedCodeSchema),
    /** How far the goods are from free delivery; null without such an offer. */
    freeDelivery: thresholdViewSchema.nullable(),
    taken: z.record(z.string(), z.number()),
    refused: z.record(z.string(), offerRefusalSchema),
    gifts: z.array(
      z.strictObject({
        offerId: z.string(),
        variant: z.string(),
        quantity: z.number(),
      }),
    ),
    /** Another combination would make the goods cheaper, and all together dearer. */
    isGoodsDearer: z.boolean(),
  }),
);
