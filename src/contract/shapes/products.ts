import { z } from 'zod';
import type { Attribute, Fulfilment, Picture, Product, Review, Variant } from '~/core/catalogue/product';
import type { AnswerText } from '~/core/options/answer-texts';
import type { Answer } from '~/core/options/answers';
import type { SuggestedCard } from '~/core/suggest/suggested';
import { toldSchema } from '~/contract/shapes/prices';
import { productOptionSchema } from '~/core/options';
import { minorSchema, same } from '~/contract/tools';

export const answerTextSchema = same<AnswerText>('AnswerText')(
  z.strictObject({
    key: z.string(),
    label: z.string(),
    text: z.string(),
    uploadId: z.string().optional(),
  }),
);

export const answerSchema = same<Answer>()(z.union([z.string(), z.array(z.string())]));

export const pictureSchema = same<Picture>()(
  z.strictObject({
    src: z.string(),
    alt: z.string(),
  }),
);

export const fulfilmentSchema = same<Fulfilment>()(z.enum(['parcel', 'download', 'event']));

export const variantSchema = same<Variant>()(
  z.strictObject({
    id: z.number(),
    sku: z.string(),
    choices: z.record(z.string(), z.string()),
    /** What one costs now, offers that need no code included. */
    priceMinor: minorSchema,
    wasMinor: minorSchema.nullable(),
    /** Where it stands lowered, the lowest price of the 30 days before; null: not known. */
    lowMinor: minorSchema.nullable().optional(),
    /** Before offers, where they make it cheaper. */
    listMinor: minorSchema.optional(),
    stock: z.number().nullable(),
    weightGrams: z.number(),
    picture: pictureSchema.nullable(),
  }),
);

export const attributeSchema = same<Attribute>()(
  z.strictObject({
    key: z.string(),
    value: z.string(),
  }),
);

export const reviewSchema = same<Review>()(
  z.strictObject({
    author: z.string(),
    stars: z.number(),
    text: z.string(),
    day: z.string(),
    /** What the shop says to it; empty: nothing. */
    answer: z.string(),
  }),
);

export const productFields = z.strictObject({
  id: z.number(),
  /** Whether offers touch it: what several of it cost, or one with options, is then the server's to say. */
  isOffered: z.boolean().optional(),
  /** Offers that its prices do not show, a line each. */
  told: z.array(z.string()).optional(),
  /** Said beside every price, where the tax is not in it yet. */
  priceNote: z.string().optional(),
  slug: z.string(),
  name: z.string(),
  brand: z.string(),
  shortText: z.string(),
  fullText: z.string(),
  fulfilment: fulfilmentSchema,
  /** Days until what is made to order leaves; null for what lies on the shelf. */
  leadDays: z.number().nullable(),
  axes: z.array(z.string()),
  variants: z.array(variantSchema),
  pictures: z.array(pictureSchema),
  videoSrc: z.string().nullable(),
  attributes: z.array(attributeSchema),
  categories: z.array(
    z.strictObject({
      slug: z.string(),
      name: z.string(),
    }),
  ),
  tags: z.array(z.string()),
  rating: z
    .strictObject({
      stars: z.number(),
      count: z.number(),
    })
    .nullable(),
  reviews: z.array(reviewSchema),
  /** Choices beyond variants, in the order they are asked. */
  options: z.array(productOptionSchema),
});
export const productSchema = same<Product>('Product')(productFields);

export const suggestedCardSchema = same<SuggestedCard>('SuggestedCard')(
  z.strictObject({
    why: z.string().optional(),
    id: z.number(),
    slug: z.string(),
    name: z.string(),
    shortText: z.string(),
    fromMinor: minorSchema,
    toMinor: minorSchema,
    wasMinor: minorSchema.nullable(),
    inStock: z.boolean(),
    onlyVariantId: z.number().nullable(),
    hasOptions: z.boolean(),
    picture: pictureSchema.nullable(),
    rating: z
      .strictObject({
        stars: z.number(),
        count: z.number(),
      })
      .nullable(),
    /** Offers that its price does not show. */
    told: z.array(toldSchema).optional(),
    /** Said beside its price, where the tax is not in it yet; cards that the server draws say it themselves. */
    priceNote: z.string().optional(),
  }),
);
