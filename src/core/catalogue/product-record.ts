import { z } from 'zod';
import { LETTERS } from '~/core/limits';
import isEqual from 'fast-deep-equal';
import { MOST_MINOR } from '~/core/money';
import type { Problem } from '~/core/problems';

const short = (limit: number) => z.string().trim().max(limit);
const sum = z.number().int().min(0).max(MOST_MINOR);
/** A picture of the shop's own, or one anywhere under https. */
const picture = z
  .string()
  .max(500)
  .regex(/^(https:\/\/[^\s"'<>]+|\/(?!\/)[^\s"'<>]+)$/, 'must be an address such as /media/kite.svg or https://…');

const variantSchema = z.strictObject({
  /** null: new. */
  id: z.number().int().nullable(),
  sku: short(80).min(1),
  choices: z.record(z.string().max(LETTERS.axisName), short(80)),
  priceMinor: sum,
  wasMinor: sum.nullable(),
  costMinor: sum.nullable(),
  /** null: not counted. */
  stock: z.number().int().min(0).max(10_000_000).nullable(),
  weightGrams: z.number().int().min(0).max(10_000_000),
  picture: picture.nullable(),
});

/** Everything of a product that its owner may change. */
export const productRecordSchema = z.strictObject({
  name: short(LETTERS.productName).min(1),
  brand: short(LETTERS.brand),
  shortText: short(LETTERS.shortText),
  fullText: z.string().max(LETTERS.productText),
  fulfilment: z.enum(['parcel', 'download', 'event']),
  leadDays: z.number().int().min(0).max(365).nullable(),
  isShown: z.boolean(),
  /** Whether a price of 0 is meant; without it what costs nothing is not shown. */
  isFree: z.boolean().default(false),
  /** Comes first where products stand in the shop's own order. */
  isFeatured: z.boolean(),
  /** A key among the shop's tax rates; null: the shop's usual rate. */
  taxRate: z.string().max(40).nullable(),
  /** What sending one of it adds to delivery. */
  itemDeliveryMinor: sum,
  /** Slugs of what goes with it, in order, before what is found. */
  suggestions: z.array(z.string().max(120)).max(24),
  /** Slug of the product that is better, offered in its place; null: none. */
  better: z.string().max(120).nullable().default(null),
  /** What one of it costs there; null: what it always costs. */
  betterMinor: sum.nullable().default(null),
  pictures: z.array(picture).max(40),
  /** Slugs. */
  categories: z.array(z.string().max(120)).max(40),
  tags: z.array(short(LETTERS.tag).min(1)).max(60),
  attributes: z.array(z.strictObject({ key: short(80).min(1), value: short(300) })).max(80),
  axes: z.array(short(LETTERS.axisName).min(1)).max(4),
  variants: z.array(variantSchema).min(1).max(500),
});

export type ProductRecord = z.infer<typeof productRecordSchema>;
export type VariantRecord = ProductRecord['variants'][number];

/** What keeps a record from being kept, beyond the shape of its fields; each names the field. */
export function checkRecord(record: ProductRecord): Problem[] {
  const problems: Problem[] = [];
  const twice = (values: readonly string[]) => values.find((value, i) => values.indexOf(value) < i);
  const axis = twice(record.axes.map((name) => name.toLowerCase()));
  if (axis !== undefined) problems.push({ path: 'axes', code: 'named-twice', facts: { name: axis } });
  const attribute = twice(record.attributes.map(({ key }) => key.toLowerCase()));
  if (attribute !== undefined) problems.push({ path: 'attributes', code: 'named-twice', facts: { name: attribute } });
  const [skus, made] = [new Set<string>(), new Set<string>()];
  for (const [i, variant] of record.variants.entries()) {
    const row = i + 1;
    if (skus.has(variant.sku))
      problems.push({ path: `variants.${i}.sku`, code: 'sku-twice', facts: { row, sku: variant.sku } });
    skus.add(variant.sku);
    const missing = record.axes.find((name) => !variant.choices[name]);
    if (missing !== undefined)
      problems.push({ path: `variants.${i}.${missing}`, code: 'axis-missing', facts: { row, axis: missing } });
    const combination = JSON.stringify(record.axes.map((name) => variant.choices[name]?.toLowerCase()));
    if (made.has(combination)) problems.push({ path: `variants.${i}.sku`, code: 'variant-twice', facts: { row } });
    made.add(combination);
    if (record.isShown && !record.isFree && variant.priceMinor === 0)
      problems.push({ path: `variants.${i}.priceMinor`, code: 'price-none', facts: { row } });
  }
  return problems;
}

export interface RecordChange {
  readonly what: string;
  readonly from: unknown;
  readonly to: unknown;
}

const FIELDS = Object.keys(productRecordSchema.shape).filter((key) => key !== 'variants') as Exclude<
  keyof ProductRecord,
  'variants'
>[];
const VARIANT_FIELDS = Object.keys(variantSchema.shape).filter((key) => key !== 'id') as (keyof VariantRecord)[];

/** What differs between two records, field by field; variants by their number, told by SKU. */
export function recordChanges(from: ProductRecord, to: ProductRecord): RecordChange[] {
  const changes: RecordChange[] = FIELDS.filter((key) => !isEqual(from[key], to[key])).map((key) => ({
    what: key,
    from: from[key],
    to: to[key],
  }));
  const before = new Map(from.variants.map((variant) => [variant.id, variant]));
  for (const variant of to.variants) {
    const old = variant.id === null ? undefined : before.get(variant.id);
    before.delete(variant.id);
    if (!old) changes.push({ what: `variant ${variant.sku}`, from: null, to: variant });
    else
      for (const key of VARIANT_FIELDS)
        if (!isEqual(old[key], variant[key]))
          changes.push({ what: `${old.sku} ${key}`, from: old[key], to: variant[key] });
  }
  for (const gone of before.values()) changes.push({ what: `variant ${gone.sku}`, from: gone, to: null });
  return changes;
}

export interface Merged {
  readonly record: ProductRecord;
  /** Fields that both changed, each to something else: mine stands in the record. */
  readonly clashes: readonly string[];
}

/** Joins what two windows made of one record, field by field. Neither loses a change that the other did not make as well. */
export function mergeRecords(base: ProductRecord, mine: ProductRecord, theirs: ProductRecord): Merged {
  const clashes: string[] = [];
  const pick = <T>(what: string, before: T, own: T, other: T): T => {
    if (isEqual(own, before) || isEqual(own, other)) return other;
    if (!isEqual(other, before)) clashes.push(what);
    return own;
  };
  const of = (record: ProductRecord) => new Map(record.variants.map((variant) => [variant.id, variant]));
  const [before, others] = [of(base), of(theirs)];
  const variants = mine.variants.flatMap((own): VariantRecord[] => {
    const [old, other] = [before.get(own.id), others.get(own.id)];
    if (own.id === null || !old) return [own];
    if (!other) {
      // They took it away; what was changed here goes first, and is told.
      if (isEqual(own, old)) return [];
      clashes.push(`variant ${own.sku}`);
      return [{ ...own, id: null }];
    }
    const joined = Object.fromEntries(
      VARIANT_FIELDS.map((key) => [key, pick(`${old.sku} ${key}`, old[key], own[key], other[key])]),
    );
    return [{ ...joined, id: own.id } as VariantRecord];
  });
  const mineIds = new Set(mine.variants.map((variant) => variant.id));
  const theirNew = theirs.variants.filter((variant) => !before.has(variant.id) && !mineIds.has(variant.id));
  for (const gone of base.variants.filter((variant) => !mineIds.has(variant.id))) {
    const other = others.get(gone.id);
    if (other && !isEqual(other, gone)) {
      clashes.push(`variant ${gone.sku}`);
      variants.push(other);
    }
  }
  const fields = Object.fromEntries(FIELDS.map((key) => [key, pick<unknown>(key, base[key], mine[key], theirs[key])]));
  return { record: { ...fields, variants: [...variants, ...theirNew] } as ProductRecord, clashes };
}
