import { z } from 'zod';
import { DONE, edit, slugName } from '~/contract/fields';
import { routes } from '~/contract/route';
import { aboutProductSchema } from '~/contract/shop/products';
import { selectionSchema } from '~/core/lane';
import { LETTERS, MOST_PICTURE_BYTES } from '~/core/limits';
import { productRecordSchema, type StoredReview } from '~/core/catalogue';
import { optionRulesSchema, productOptionSchema } from '~/core/options';
import { same, type Told } from '~/contract/tools';

export const storedReviewSchema = same<StoredReview>()(
  z.strictObject({
    id: z.number(),
    isHidden: z.boolean(),
    author: z.string(),
    stars: z.number(),
    text: z.string(),
    day: z.string(),
    /** What the shop says to it; empty: nothing. */
    answer: z.string(),
  }),
);

export const betterSoldSchema = z.strictObject({
  slug: z.string(),
  /** What it costs at least. */
  fromMinor: z.number(),
  /** The lowest price at which all of it keeps to the floor; null where no cost or no floor is known. */
  leastMinor: z.number().nullable(),
});
export type BetterSold = Told<typeof betterSoldSchema>;

export const productViewSchema = z.strictObject({
  /** Newest first. */
  prices: z.array(
    z.strictObject({
      sku: z.string(),
      priceMinor: z.number(),
      at: z.number(),
    }),
  ),
  /** Newest first. */
  reviews: z.array(storedReviewSchema),
  /** What it suggests, by name. */
  suggested: z.array(
    z.strictObject({
      slug: z.string(),
      name: z.string(),
    }),
  ),
  betterSold: betterSoldSchema.nullable(),
  id: z.number(),
  slug: z.string(),
  /** Counts every change; a change must name the one it was made on. */
  edit: z.number(),
  record: productRecordSchema,
});
export type ProductView = z.infer<typeof productViewSchema>;

export const optionsViewSchema = z.strictObject({
  rules: optionRulesSchema,
  /** The same as shoppers are asked them: add-ons with their product. */
  asked: z.array(productOptionSchema),
});
export type OptionsView = z.infer<typeof optionsViewSchema>;

const oneProduct = z.strictObject({ slug: z.string() });
const sku = z
  .string()
  .default('')
  .transform((text) => text.slice(0, LETTERS.sku));

export const keepReviewSchema = z.strictObject({
  id: z.number().int().min(1),
  isHidden: z.boolean(),
  answer: z.string().trim().max(LETTERS.reviewAnswer),
});
export type KeepReview = z.infer<typeof keepReviewSchema>;

export const studioProductRoutes = routes({
  'GET /api/studio/products': {
    says: 'Names and slugs of products that match, for pickers.',
    role: 'viewer',
    query: z.strictObject({ q: z.string().trim().max(LETTERS.search).catch('').default('') }),
    answer: z.array(slugName),
  },
  'POST /api/studio/products': {
    says: 'Begins a product.',
    role: 'editor',
    body: z.strictObject({ name: z.string().trim().min(1).max(LETTERS.productName) }),
    answer: oneProduct,
  },
  'GET /api/studio/products/names': {
    says: 'What products are called, by slug; those that are gone are left out.',
    role: 'viewer',
    query: z.strictObject({ slug: z.union([z.string().transform((one) => [one]), z.array(z.string())]).default([]) }),
    answer: z.record(z.string(), z.string()),
  },
  'GET /api/studio/products/of-sku': {
    says: 'The product a SKU belongs to; null where it is not sold.',
    role: 'viewer',
    query: z.strictObject({ sku }),
    answer: z.strictObject({ product: aboutProductSchema.nullable() }),
  },
  'GET /api/studio/products/[slug]': {
    says: 'A product as its owner edits it.',
    role: 'viewer',
    params: oneProduct,
    answer: productViewSchema,
  },
  'PUT /api/studio/products/[slug]': {
    says: 'Keeps a product; a stale one answers the newer product.',
    role: 'editor',
    params: oneProduct,
    body: z.strictObject({ edit, record: productRecordSchema }),
    answer: productViewSchema,
    conflict: z.strictObject({ product: productViewSchema.nullable() }),
  },
  'DELETE /api/studio/products/[slug]': {
    says: 'Deletes a product.',
    role: 'editor',
    params: oneProduct,
    answer: oneProduct,
  },
  'GET /api/studio/products/[slug]/options': {
    says: 'The options of a product: as set up, and as shoppers are asked.',
    role: 'viewer',
    params: oneProduct,
    answer: optionsViewSchema,
  },
  'PUT /api/studio/products/[slug]/options': {
    says: 'Keeps the options of a product.',
    role: 'editor',
    params: oneProduct,
    body: z.strictObject({ rules: optionRulesSchema }),
    answer: optionsViewSchema,
  },
  'PUT /api/studio/products/[slug]/reviews': {
    says: 'Hides, shows or answers one review.',
    role: 'editor',
    params: oneProduct,
    body: keepReviewSchema,
    answer: DONE,
  },
  'POST /api/studio/selection': {
    says: 'How many products a selection holds now, and the first of them by name.',
    role: 'viewer',
    body: selectionSchema,
    answer: z.strictObject({ total: z.number(), names: z.array(z.string()) }),
  },
  'POST /api/studio/icons': {
    says: 'Takes a picture in: an icon, or one as large as a page shows it.',
    role: 'editor',
    form: z.strictObject({ file: z.file(), use: z.enum(['icon', 'picture']).default('icon') }),
    mostBytes: MOST_PICTURE_BYTES,
    answer: z.strictObject({ src: z.string() }),
  },
  'POST /api/studio/examples': {
    says: 'Puts example products into an empty catalogue.',
    role: 'editor',
    answer: z.strictObject({ products: z.number() }),
  },
  'DELETE /api/studio/examples': {
    says: 'Takes the example products out.',
    role: 'editor',
    answer: z.strictObject({ products: z.number() }),
  },
});
