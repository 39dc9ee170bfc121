import { z } from 'zod';
import { parseJson } from '~/core/formats/parse-json';
import { goodsSchema } from '~/core/lane/settings/types/goods';
import { routes } from '~/contract/route';
import { MOST_ANSWERS_LETTERS } from '~/core/limits';
import type { LinkVariant } from '~/core/links/parts';
import { same, type Told } from '~/contract/tools';

export const linkVariantSchema = same<LinkVariant>()(
  z.strictObject({
    sku: z.string(),
    /** What tells it from the others, and what so many of it cost. */
    label: z.string(),
    totalMinor: z.number(),
    isGone: z.boolean(),
  }),
);

export const linkFactsSchema = z.strictObject({
  name: z.string(),
  /** As shoppers read it. */
  price: z.string(),
  shortText: z.string(),
  /** An address of the shop; null: there is none. */
  picture: z.string().nullable(),
  /** How high it is for its width. */
  pictureRatio: z.number().optional(),
  /** The same as mail programs can show it. */
  mailPicture: z.string().nullable().optional(),
  /** Of the link itself, whole. */
  address: z.string().optional(),
  /** The name of the product alone, and all its variants, where shoppers choose. */
  productName: z.string().optional(),
  variants: z.array(linkVariantSchema).optional(),
  problem: z.enum(['sold-out', 'too-few', 'needs-answers']).nullable(),
});
export type LinkTold = Told<typeof linkFactsSchema>;

/** The answers of a link, as its address holds them. */
function readAnswers(text: string, context: z.RefinementCtx): unknown {
  const value = parseJson(text);
  if (value === undefined) context.addIssue({ code: 'custom', message: 'must be JSON' });
  return value;
}

export const linkRoutes = routes({
  'GET /api/studio/links': {
    says: 'What snippets say of goods, as a buy link holds them.',
    role: 'viewer',
    query: z.strictObject({
      sku: goodsSchema.shape.sku,
      quantity: z.coerce.number().pipe(goodsSchema.shape.quantity).default(1),
      code: goodsSchema.shape.code.default(''),
      /** As JSON. */
      answers: z
        .string()
        .max(MOST_ANSWERS_LETTERS)
        .default('{}')
        .transform(readAnswers)
        .pipe(goodsSchema.shape.answers),
      /** Whether the shopper chooses the variant. */
      asks: z.literal('1').optional(),
    }),
    answer: linkFactsSchema,
  },
});
