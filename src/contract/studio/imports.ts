import { z } from 'zod';
import { routes } from '~/contract/route';
import { COLUMN_FIELDS, type ColumnField, type ImportRecord } from '~/core/formats';
import { MOST_COLUMNS, MOST_FILE_BYTES } from '~/core/limits';
import type { LeftOut } from '~/core/formats/catalogue-columns';
import { same, type Told } from '~/contract/tools';

export const importRecordSchema = same<ImportRecord>()(
  z.strictObject({
    state: z.enum(['done', 'running', 'failed', 'stopped']),
    /** Products written, of so many. */
    written: z.number(),
    total: z.number(),
    message: z.string().nullable(),
  }),
);

export const leftOutSchema = same<LeftOut>()(
  z.strictObject({
    /** Headings of columns that are not taken, with how many cells of theirs say something. */
    columns: z.array(
      z.strictObject({
        heading: z.string(),
        filled: z.number(),
      }),
    ),
    /** What that costs, a sentence each. */
    costs: z.array(z.string()),
  }),
);

export const importChangeSchema = z.strictObject({
  name: z.string(),
  sku: z.string(),
  field: z.enum([
    'weightGrams',
    'name',
    'priceMinor',
    'stock',
    'brand',
    'shortText',
    'fullText',
    'wasMinor',
    'costMinor',
  ]),
  from: z.union([z.string(), z.number()]).nullable(),
  to: z.union([z.string(), z.number()]),
});
export type ImportChange = Told<typeof importChangeSchema>;

export const importPreviewSchema = z.strictObject({
  encoding: z.string(),
  delimiter: z.string(),
  headings: z.array(z.string()),
  columns: z.array(
    z.enum([
      'sku',
      'name',
      'stock',
      'brand',
      'tags',
      'category',
      'price',
      'ignore',
      'sale',
      'was',
      'cost',
      'weight',
      'short',
      'full',
      'image',
      'choice',
      'attribute',
    ]),
  ),
  sample: z.array(z.array(z.string())),
  rows: z.number(),
  left: leftOutSchema,
  /** Problems with the columns; while there are any, there is no plan. */
  columnProblems: z.array(z.string()),
  counts: z.strictObject({
    productsCreated: z.number(),
    productsChanged: z.number(),
    variantsCreated: z.number(),
    variantsChanged: z.number(),
    /** Rows that are wrong themselves; the others of their products stay out with them. */
    rowsRefused: z.number(),
  }),
  problems: z.array(
    z.strictObject({
      row: z.number(),
      message: z.string(),
    }),
  ),
  products: z.array(
    z.strictObject({
      name: z.string(),
      isNew: z.boolean(),
      variants: z.number(),
      rows: z.array(z.number()),
    }),
  ),
  /** What of products that are there already would be different, the first of it; sums in minor units. */
  changes: z.array(importChangeSchema),
  /** Products that would cost nothing, and are not known to be meant so. */
  free: z.number(),
  /** How many there are, of the products looked at. */
  changeCount: z.number(),
});
export type ImportPreview = Told<typeof importPreviewSchema>;

const FIELDS = Object.keys(COLUMN_FIELDS) as [ColumnField, ...ColumnField[]];

export const importOptionsSchema = z.strictObject({
  /** What each column holds; without it, matched by the headings. */
  columns: z.array(z.enum(FIELDS)).max(MOST_COLUMNS).optional(),
  /** How prices are written; `found`: as those that can be read in one way only are. */
  decimalMark: z.enum(['found', 'comma', 'point']).default('found'),
  /** Write nothing when anything is refused. */
  allOrNothing: z.boolean().default(false),
  /** Whether what costs nothing is meant to; else it is not shown until it has a price. */
  isFree: z.boolean().default(false),
});
export type ImportOptions = z.infer<typeof importOptionsSchema>;

export const importRoutes = routes({
  'POST /api/studio/imports': {
    says: 'Says what a file would do to the catalogue; with `apply`, begins to do it (202).',
    role: 'editor',
    form: z.strictObject({
      file: z.file(),
      options: importOptionsSchema.prefault({}),
      apply: z.literal('1').optional(),
    }),
    mostBytes: MOST_FILE_BYTES,
    answer: z.union([importPreviewSchema, z.strictObject({ id: z.string() })]),
  },
  'GET /api/studio/imports/[id]': {
    says: 'How far an import is.',
    role: 'editor',
    params: z.strictObject({ id: z.string() }),
    answer: importRecordSchema,
  },
});
