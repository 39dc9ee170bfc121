import type { LineSelection } from './selection';

/** How an owner's shop names things and writes sums and days. */
export interface OfferReader {
  readonly money: (amountMinor: number) => string;
  /** A moment (ISO 8601) as people write it, exact to what it says. */
  readonly moment: (iso: string) => string;
  readonly nameOf: (what: 'product' | 'category' | 'variant', key: string) => string;
}

export const percent = (basisPoints: number): string => `${basisPoints / 100} %`;
export const either = (texts: readonly string[]): string =>
  new Intl.ListFormat('en', { type: 'disjunction' }).format(texts);
export const items = (count: number): string => (count === 1 ? '1 item' : `${count} items`);
export const times = (count: number): string => (count === 1 ? 'once' : `${count} times`);
export const sorted = (texts: readonly string[]): string[] => [...new Set(texts)].sort();

/** What a selection holds, after “in”. */
export function readSelection(selection: LineSelection, { nameOf }: Pick<OfferReader, 'nameOf'>): string {
  const named = (of: NonNullable<NonNullable<LineSelection>['only']>) => [
    ...sorted(of.categories ?? []).map((slug) => `category “${nameOf('category', slug)}”`),
    ...sorted(of.tags ?? []).map((tag) => `tag “${tag}”`),
    ...sorted(of.products ?? []).map((slug) => `“${nameOf('product', slug)}”`),
    ...sorted(of.variants ?? []).map((sku) => `variant “${nameOf('variant', sku)}”`),
  ];
  if (!selection) return 'the whole shop';
  const what = selection.only ? either(named(selection.only)) || 'nothing at all' : 'the whole shop';
  const without = selection.except ? named(selection.except) : [];
  return without.length > 0 ? `${what} but not ${either(without)}` : what;
}
