import { z } from 'zod';
import { MOST_MINOR } from '~/core/money';
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
export type PricedLine = z.infer<typeof lineSchema>;

/** What selections tell lines apart by. */
export type LineFacts = Pick<PricedLine, 'product' | 'variant' | 'categories' | 'tags'>;

/** The price of one unit before any offer: goods and the options of a unit, never under 0. */
export function fullUnit(line: PricedLine): number {
  return Math.max(0, line.unitMinor + line.unitOptionsMinor);
}

export function fullPrice(line: PricedLine): number {
  return fullUnit(line) * line.quantity + line.onceOptionsMinor;
}
