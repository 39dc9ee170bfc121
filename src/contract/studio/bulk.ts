import { z } from 'zod';
import { idInAddress, slug } from '~/contract/fields';
import { routes } from '~/contract/route';
import { PRODUCT_FILTERS, type BulkSummary } from '~/core/catalogue';
import { LETTERS, MOST_ARRANGED } from '~/core/limits';
import type { BulkChange } from '~/core/catalogue/bulk';
import { same, type Told } from '~/contract/tools';

export const bulkChangeSchema = same<BulkChange>()(
  z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('price'),
      percent: z.number(),
      endMinor: z.number().nullable(),
    }),
    z.strictObject({
      kind: z.literal('tag'),
      tag: z.string(),
      on: z.boolean(),
    }),
    z.strictObject({
      kind: z.literal('shown'),
      on: z.boolean(),
    }),
  ]),
);

export const bulkSummarySchema = same<BulkSummary>()(
  z.strictObject({
    id: z.number(),
    /** Milliseconds since 1970; `undoneAt` null: it still counts. */
    at: z.number(),
    what: bulkChangeSchema,
    rows: z.number(),
    undoneAt: z.number().nullable(),
    /** Name of who made it; null: gone. */
    by: z.string().nullable(),
  }),
);

export const bulkRowSchema = z.strictObject({
  name: z.string(),
  sku: z.string().nullable(),
  from: z.number(),
  to: z.number(),
});
export type BulkRow = Told<typeof bulkRowSchema>;

export const bulkResultSchema = z.strictObject({
  rows: z.array(bulkRowSchema),
  /** Rows in all; `rows` holds the first. */
  count: z.number(),
  products: z.number(),
  /** What is left as it is, because it would be shown and cost nothing. */
  withoutPrice: z.number(),
  /** Whether the shop would show nothing any more. */
  hidesAll: z.boolean(),
  /** To undo it by; null while nothing was written. */
  id: z.number().nullable(),
});
export type BulkResult = Told<typeof bulkResultSchema>;

/** How an owner's list is narrowed; wrong values fall back. */
export const narrowedSchema = z.object({
  q: z.string().trim().max(LETTERS.search).catch('').default(''),
  filter: z.enum(PRODUCT_FILTERS).catch('all').default('all'),
  category: z.string().max(LETTERS.slug).catch('').default(''),
  /** Whether texts are looked through, too. */
  texts: z.enum(['', '1']).catch('').default(''),
});

const askedChangeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('price'),
    percent: z.number().min(-99).max(1000),
    endMinor: z.number().int().min(0).max(999).nullable().default(null),
  }),
  z.strictObject({ kind: z.literal('tag'), tag: z.string().trim().min(1).max(LETTERS.tag), on: z.boolean() }),
  z.strictObject({ kind: z.literal('shown'), on: z.boolean() }),
]);

export const bulkSchema = z.strictObject({
  /** Which products: as the owner's list is narrowed. */
  list: narrowedSchema,
  /** Those that are ticked; none: all of the list. */
  slugs: z.array(slug).max(MOST_ARRANGED).default([]),
  change: askedChangeSchema,
  apply: z.boolean(),
});
export type AskedBulk = z.infer<typeof bulkSchema>;

export const bulkRoutes = routes({
  'GET /api/studio/bulk': {
    says: 'The last changes of many products.',
    role: 'viewer',
    answer: z.array(bulkSummarySchema),
  },
  'POST /api/studio/bulk': {
    says: 'Says what a change would do to all products a search finds; with `apply`, does it.',
    role: 'editor',
    body: bulkSchema,
    answer: bulkResultSchema,
  },
  'DELETE /api/studio/bulk/[id]': {
    says: 'Undoes a change of many products.',
    role: 'editor',
    params: z.strictObject({ id: idInAddress }),
    answer: z.strictObject({ id: z.number() }),
  },
});
