import { z } from 'zod';
import { quantity } from '~/contract/fields';
import { routes } from '~/contract/route';
import { choicePriceSchema } from '~/contract/shapes/prices';
import { productFields, productSchema, suggestedCardSchema } from '~/contract/shapes/products';
import { LETTERS, MOST_PER_LINE } from '~/core/limits';
import { MOST_MINOR } from '~/core/money';
import type { Told } from '~/contract/tools';

const sum = z.coerce.number().int().min(-MOST_MINOR).max(MOST_MINOR).default(0);

/** A product as pages of other sites ask for it. */
export const aboutProductSchema = productFields.extend({
  /** Slugs of its categories, with those they stand in. */
  about: z.array(z.string()),
});
export type AboutProduct = Told<typeof aboutProductSchema>;

export const searchHitSchema = z.strictObject({
  name: z.string(),
  href: z.string(),
  /** As shoppers read it. */
  price: z.string(),
  picture: z.string().nullable(),
});
export type SearchHit = Told<typeof searchHitSchema>;

export const productRoutes = routes({
  'GET /api/products/[slug]': {
    says: 'A product as the quick view shows it.',
    role: 'anybody',
    params: z.strictObject({ slug: z.string() }),
    answer: productSchema,
    cache: 'private, max-age=15',
  },
  'GET /api/find-product': {
    says: 'The product that a SKU belongs to, for pages of other sites that name it by that.',
    role: 'anybody',
    query: z.object({
      sku: z
        .string()
        .default('')
        .transform((text) => text.trim().slice(0, LETTERS.sku)),
    }),
    answer: aboutProductSchema,
    cache: 'private, max-age=15',
  },
  'GET /api/quote': {
    says: 'What so many of a variant cost before they are in a cart.',
    role: 'anybody',
    query: z.object({
      variant: z.coerce.number().int().positive(),
      quantity: quantity.max(MOST_PER_LINE).default(1),
      /** What options add to each, and once: as the browser worked it out, and only to be shown there. */
      unit: sum,
      once: sum,
    }),
    answer: choicePriceSchema,
    cache: 'private, max-age=15',
  },
  'GET /api/search': {
    says: 'What a search would find first, while it is typed.',
    role: 'anybody',
    query: z.object({ q: z.string().trim().min(1).max(LETTERS.search) }),
    answer: z.array(searchHitSchema),
    cache: 'private, max-age=60',
    // Prices and names are in the language a cookie says.
    vary: 'cookie',
  },
  'GET /api/suggestions': {
    says: 'What goes with products; why is told to the shop’s own people.',
    role: 'anybody',
    query: z.object({
      near: z.string().min(1).max(4000),
      most: z.coerce.number().int().min(1).max(8).default(4),
    }),
    answer: z.array(suggestedCardSchema),
  },
});
