import equal from 'fast-deep-equal';
import type { LineSelection, PricedLine } from './pricing.schema';

type Named = NonNullable<NonNullable<LineSelection>['only']>;

type Goods = Pick<PricedLine, 'product' | 'variant' | 'categories' | 'tags'>;

function matches(line: Goods, { products, variants, categories, tags }: Named): boolean {
  return (
    (products?.includes(line.product) ?? false) ||
    (variants?.includes(line.variant) ?? false) ||
    (categories ? line.categories.some((category) => categories.includes(category)) : false) ||
    (tags ? line.tags.some((tag) => tags.includes(tag)) : false)
  );
}

/** A line fits when it matches anything listed in `only` (without one: always) and nothing listed in `except`. */
export function fits(line: Goods, selection: LineSelection): boolean {
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
