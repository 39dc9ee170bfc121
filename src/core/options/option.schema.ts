import { z } from 'zod';
import { LETTERS } from '~/core/limits';
import { MOST_MINOR } from '~/core/money';
import { conditionSchema, optionKey } from './condition.schema';

/** What an answer costs and weighs: for each unit of the line, or once for the line. For each it may lower the price, never below nothing. */
export const effectSchema = z
  .strictObject({
    amountMinor: z.number().int().min(-MOST_MINOR).max(MOST_MINOR),
    per: z.enum(['unit', 'once']),
    weightGrams: z.number().int().min(0).max(1_000_000),
  })
  .refine(({ amountMinor, per }) => per === 'unit' || amountMinor >= 0, {
    path: ['amountMinor'],
    message: 'must not lower the price where it counts once: count it for each, or make an offer of it',
  });
export type Effect = z.infer<typeof effectSchema>;

export const NO_EFFECT: Effect = { amountMinor: 0, per: 'unit', weightGrams: 0 };

const common = {
  key: optionKey,
  label: z.string().trim().min(1).max(LETTERS.optionLabel),
  help: z.string().trim().max(LETTERS.optionHelp),
  required: z.boolean(),
  shownWhen: conditionSchema.nullable(),
};

const choice = z.strictObject({
  value: optionKey,
  label: z.string().trim().min(1).max(LETTERS.optionLabel),
  effect: effectSchema,
});
const colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'must be a colour such as #1c4e5f');

export const FILE_FORMS = ['picture', 'drawing', 'pdf'] as const;
export type FileForm = (typeof FILE_FORMS)[number];
/** Most any upload may weigh; an option may ask for less. */
export const MOST_UPLOAD_BYTES = 5 * 1024 * 1024;

const addOnSchema = z.strictObject({ kind: z.literal('addOn'), ...common, sku: z.string().trim().min(1).max(80) });

/** The kinds that shoppers answer as the owner set them up. */
const answeredSchemas = [
  z.strictObject({
    kind: z.literal('text'),
    ...common,
    least: z.number().int().min(0).max(500),
    most: z.number().int().min(1).max(500),
    effect: effectSchema,
  }),
  z.strictObject({ kind: z.literal('one'), ...common, choices: z.array(choice).min(1).max(60) }),
  z.strictObject({
    kind: z.literal('many'),
    ...common,
    choices: z.array(choice).min(1).max(60),
    least: z.number().int().min(0).max(60),
    most: z.number().int().min(1).max(60),
  }),
  z.strictObject({
    kind: z.literal('swatch'),
    ...common,
    choices: z.array(choice.extend({ colour })).min(1).max(60),
  }),
  z.strictObject({
    kind: z.literal('number'),
    ...common,
    min: z.number().min(-1e6).max(1e6),
    max: z.number().min(-1e6).max(1e6),
    step: z.number().positive().max(1e6),
    unit: z.string().trim().max(12),
    /** `number`: the effect counts as often as the number says (a tail of 3 m costs three metres). */
    times: z.enum(['flat', 'number']),
    effect: effectSchema,
  }),
  z.strictObject({
    kind: z.literal('date'),
    ...common,
    /** Days from today; both ends included. */
    fromDays: z.number().int().min(-3650).max(3650),
    toDays: z.number().int().min(-3650).max(3650),
    effect: effectSchema,
  }),
  z.strictObject({
    kind: z.literal('file'),
    ...common,
    forms: z.array(z.enum(FILE_FORMS)).min(1).max(3),
    mostBytes: z.number().int().min(1024).max(MOST_UPLOAD_BYTES),
    effect: effectSchema,
  }),
] as const;

const optionRuleSchema = z.discriminatedUnion('kind', [...answeredSchemas, addOnSchema]);

/** An option as the owner sets it up. */
export type OptionRule = z.infer<typeof optionRuleSchema>;
export type OptionKind = OptionRule['kind'];
export const optionRulesSchema = z.array(optionRuleSchema).max(40);

export type OptionChoice = z.infer<typeof choice> & { readonly colour?: string };

/** What the catalogue says of an add-on now; null when its SKU is gone. */
const addOnFactsSchema = z.strictObject({
  variantId: z.number(),
  name: z.string(),
  priceMinor: z.number(),
  weightGrams: z.number(),
  stock: z.number().nullable(),
  isParcel: z.boolean(),
});
export type AddOnFacts = z.infer<typeof addOnFactsSchema>;

/** An option as shoppers answer it: add-ons know their product. */
export const productOptionSchema = z.discriminatedUnion('kind', [
  ...answeredSchemas,
  addOnSchema.extend({ product: addOnFactsSchema.nullable() }),
]);
export type ProductOption = z.infer<typeof productOptionSchema>;
