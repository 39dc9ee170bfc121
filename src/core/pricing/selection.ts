import type { LineSelection, PricedLine } from './pricing.schema';

type Named = NonNullable<NonNullable<LineSelection>['only']>;

type Goods = Pick<PricedLine, 'product' | 'variant' | 'categories' | 'tags'>;

function matches(line: Goods, { products, variants, categories, tags }: Named): boolean {
  return (
    (products?.includes(line.product) ?? false) ||
    (variants?.includes(line.variant) ?? false) ||
    (categories !== undefined && line.categories.some((category) => categories.includes(category))) ||
    (tags !== undefined && line.tags.some((tag) => tags.includes(tag)))
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

/** Whether two selections are written alike: null and `{}` are one, the order within lists counts. */
function isSameSelection(a: LineSelection, b: LineSelection): boolean {
  const written = (selection: LineSelection) => {
    const of = (named: Named | null | undefined) =>
      named ? [named.products, named.variants, named.categories, named.tags].map((list) => list ?? null) : null;
    return JSON.stringify([of(selection?.only), of(selection?.except)]);
  };
  return written(a) === written(b);
}
