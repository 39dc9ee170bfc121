import { z } from 'zod';
import { MOST_MINOR } from '~/core/money';
import { effectSums, type OptionEffect } from '~/core/options/effects';
import { basisPoints, key, maybe, names, sum } from './fields';

export const lineSchema = z.strictObject({
  id: key,
  product: key,
  variant: key,
  categories: names.default([]),
  tags: names.default([]),
  quantity: z.number().int().min(1).max(10_000),
  unitMinor: sum,
  unitOptionsMinor: z.number().int().min(-MOST_MINOR).max(MOST_MINOR).default(0),
  onceOptionsMinor: sum.default(0),
  taxBasisPoints: maybe(basisPoints),
});
type LineDocument = z.infer<typeof lineSchema>;

/** A line of goods on its way to a price: so many of a variant, with what the answers to its options add. */
export interface PricedLine extends Readonly<Omit<LineDocument, 'categories' | 'tags'>> {
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  /** What the sums of its options are made of; absent where the sums alone are known. */
  readonly effects?: readonly OptionEffect[];
}

/** What selections tell lines apart by. */
export type LineFacts = Pick<PricedLine, 'product' | 'variant' | 'categories' | 'tags'>;

/** A variant with what its price hangs on. */
export interface LineGoods {
  readonly slug: string;
  readonly sku: string;
  /** Slugs, parents included. */
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  readonly priceMinor: number;
  /** Its own tax rate; absent or null: the shop's. */
  readonly taxBasisPoints?: number | null;
}

export const lineFacts = ({ slug, sku, categories, tags }: Omit<LineGoods, 'priceMinor'>): LineFacts => ({
  product: slug,
  variant: sku,
  categories,
  tags,
});

/** So many of a variant, with what the answers to its options add. */
export function pricedLine(
  goods: LineGoods,
  quantity: number,
  { id = goods.sku, effects = [] }: { readonly id?: string; readonly effects?: readonly OptionEffect[] } = {},
): PricedLine {
  const { unitMinor, onceMinor } = effectSums(effects);
  return {
    id,
    ...lineFacts(goods),
    quantity,
    unitMinor: goods.priceMinor,
    unitOptionsMinor: unitMinor,
    onceOptionsMinor: Math.max(0, onceMinor),
    taxBasisPoints: goods.taxBasisPoints ?? null,
    effects,
  };
}

/** The price of one unit before any offer: goods and the options of a unit, never under 0. */
export function fullUnit(line: PricedLine): number {
  return Math.max(0, line.unitMinor + line.unitOptionsMinor);
}

export function fullPrice(line: PricedLine): number {
  return fullUnit(line) * line.quantity + line.onceOptionsMinor;
}
