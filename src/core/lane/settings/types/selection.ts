import { z } from 'zod';
import { LETTERS } from '~/core/limits';
import type { NameOf } from '../shop-names';
import { BEST_SELLING_DAYS } from '~/core/catalogue/best-selling';
import type { Placed, SettingType, Without } from './setting-type';

/** Where the products of a selection come from. */
export const SELECTION_SOURCES = {
  page: 'What the page is about; of a product, its variants',
  all: 'All products',
  category: 'A category',
  tag: 'A tag',
  search: 'What a search finds',
  picked: 'Picked by hand',
} as const;
export type SelectionSource = keyof typeof SELECTION_SOURCES;

/** Orders a selection can be in. */
export const SELECTION_ORDERS = {
  featured: 'Featured, then best selling',
  'best-selling': `Best selling of the last ${BEST_SELLING_DAYS} days`,
  'by-hand': 'As arranged in its category',
  newest: 'Newest first',
  name: 'By name',
  'price-up': 'Cheapest first',
  'price-down': 'Dearest first',
  rating: 'Best rated first',
} as const;
export type SelectionOrder = keyof typeof SELECTION_ORDERS;

/** Products in a selection, at most. */
export const MOST_SELECTED = 2000;

const slugs = z.array(z.string().min(1).max(120)).max(200);

/** Which products: where they come from, which not, in which order, at most how many. Picked ones stand in their own order. */
export const selectionSchema = z.strictObject({
  from: z.enum(Object.keys(SELECTION_SOURCES) as [SelectionSource, ...SelectionSource[]]),
  category: z.string().max(LETTERS.slug),
  tag: z.string().max(LETTERS.tag),
  search: z.string().max(LETTERS.search),
  picked: z.strictObject({ slugs }),
  without: z.strictObject({ slugs }),
  order: z.enum(Object.keys(SELECTION_ORDERS) as [SelectionOrder, ...SelectionOrder[]]),
  inStockOnly: z.boolean(),
  most: z.number().int().min(1).max(MOST_SELECTED),
});
export type Selection = z.infer<typeof selectionSchema>;

export function selectionOf(over: Partial<Selection> = {}): Selection {
  return {
    from: 'all',
    category: '',
    tag: '',
    search: '',
    picked: { slugs: [] },
    without: { slugs: [] },
    order: 'featured',
    inStockOnly: false,
    most: 24,
    ...over,
  };
}

/** A selection as a part of a sentence. */
export function selectionText(selection: Selection, nameOf: NameOf): string {
  const products = (slugs: readonly string[]) => slugs.map((slug) => nameOf('product', slug)).join(', ');
  const { from, order, most, without, inStockOnly } = selection;
  const what = {
    page: 'what the page is about',
    all: 'all products',
    category: selection.category ? `category “${nameOf('category', selection.category)}”` : 'no category yet',
    tag: selection.tag ? `tag “${selection.tag}”` : 'no tag yet',
    search: selection.search ? `search for “${selection.search}”` : 'no search yet',
    picked: products(selection.picked.slugs) || 'nothing picked yet',
  }[from];
  return [
    what,
    without.slugs.length > 0 && `without ${products(without.slugs)}`,
    inStockOnly && 'in stock only',
    from !== 'picked' && SELECTION_ORDERS[order].toLowerCase(),
    `at most ${most}`,
  ]
    .filter(Boolean)
    .join('; ');
}

/** Which products a piece shows. */
export interface SelectionSetting extends Placed {
  readonly type: 'selection';
  readonly default: Selection;
  /** Whether “what the page is about” can be chosen. */
  readonly canFollowPage: boolean;
}

export function selection(spec: Without<SelectionSetting>): SelectionSetting {
  return { type: 'selection', ...spec };
}

export const selectionType: SettingType<SelectionSetting, Selection> = {
  held: selectionSchema,
  schema: (spec) => selectionSchema.default(() => structuredClone(spec.default)),
  text: (_spec, value, { nameOf }) => selectionText(value, nameOf),
};
