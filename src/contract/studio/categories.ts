import type { EditedCategory } from '~/core/catalogue';
import { z } from 'zod';
import { slug } from '~/contract/fields';
import { routes } from '~/contract/route';
import { LETTERS, MOST_ARRANGED } from '~/core/limits';
import { same, type Told } from '~/contract/tools';

export const arrangementSchema = z.strictObject({
  isArranged: z.boolean(),
  products: z.array(
    z.strictObject({
      slug: z.string(),
      name: z.string(),
      picture: z.string().nullable(),
    }),
  ),
});
export type Arrangement = Told<typeof arrangementSchema>;

export const editedCategorySchema = same<EditedCategory>()(
  z.strictObject({
    slug: z.string(),
    name: z.string(),
    text: z.string(),
    picture: z.string().nullable(),
    parent: z.string().nullable(),
    /** In it, those within it not counted. */
    products: z.number(),
  }),
);

const picture = z
  .string()
  .max(500)
  .regex(/^(https:\/\/[^\s"'<>]+|\/(?!\/)[^\s"'<>]+)$/, 'must be an address such as /media/kite.svg or https://…')
  .nullable();

/** All categories in the order shoppers see them; one that is left out is deleted, and its products stay. */
export const categoriesSchema = z.strictObject({
  categories: z
    .array(
      z.strictObject({
        /** Empty: new. */
        slug: z.string().max(LETTERS.slug),
        name: z.string().trim().min(1).max(LETTERS.categoryName),
        text: z.string().max(2000),
        picture,
        /** The slug of the category it stands in; null: at the top. */
        parent: z.string().max(LETTERS.slug).nullable(),
      }),
    )
    .max(2000),
});
export type SentCategories = z.infer<typeof categoriesSchema>;

export const categoryRoutes = routes({
  'PUT /api/studio/categories': {
    says: 'Puts categories in the place of all there are, in their order.',
    role: 'editor',
    body: categoriesSchema,
    answer: z.array(editedCategorySchema),
  },
  'GET /api/studio/categories/[slug]': {
    says: 'The products of a category in the order its owner gave them.',
    role: 'editor',
    params: z.strictObject({ slug: z.string() }),
    answer: arrangementSchema,
  },
  'PUT /api/studio/categories/[slug]': {
    says: 'Arranges the products of a category; none: no order of its own.',
    role: 'editor',
    params: z.strictObject({ slug: z.string() }),
    body: z.strictObject({ slugs: z.array(slug).max(MOST_ARRANGED) }),
    answer: arrangementSchema,
  },
});
