import equal from 'fast-deep-equal';
import { z } from 'zod';
import { maybe, names } from './fields';
import type { LineFacts } from './line';

const named = z.strictObject({
  products: names.nullish(),
  variants: names.nullish(),
  categories: names.nullish(),
  tags: names.nullish(),
});
type Named = z.infer<typeof named>;

/** Which lines an offer is about; null and `{}`: all. */
export const selectionSchema = maybe(
  z.strictObject({ only: named.nullish(), except: named.nullish() }).meta({ id: 'LineSelection' }),
);
export type LineSelection = z.infer<typeof selectionSchema>;

function matches(line: LineFacts, { products, variants, categories, tags }: Named): boolean {
  return (
    (products?.includes(line.product) ?? false) ||
    (variants?.includes(line.variant) ?? false) ||
    (categories ? line.categories.some((category) => categories.includes(category)) : false) ||
    (tags ? line.tags.some((tag) => tags.includes(tag)) : false)
  );
}

/** A line fits when it matches anything listed in `only` (without one: always) and nothing listed in `except`. */
export function fits(line: LineFacts, selection: LineSelection): boolean {
  if (selection === null) return true;
  if (selection.only && !matches(line, selection.only)) return false;
  return !(selection.except && matches(line, selection.except));
}

const alike = new WeakMap<object, boolean>();

/** The same of an offer's two, found out once. */
export function buysWhatItGives(offer: { readonly buy: LineSelection; readonly get: LineSelection }): boolean {
  let known = alike.get(offer);
  if (known === undefined) alike.set(offer, (known = isSameSelection(offer.buy, offer.get)));
  return known;
}

/**
 * Whether two selections are written alike: null and `{}` are one, `{ only: null }` is another, the order within lists counts, that
 * of the fields does not.
 */
function isSameSelection(a: LineSelection, b: LineSelection): boolean {
  return equal(a ?? {}, b ?? {});
}
