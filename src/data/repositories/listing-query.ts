import type { Chosen } from '~/core/catalogue';
import type { SearchRanks } from '~/core/search';

export type ListingSort =
  | 'relevance'
  | 'featured'
  | 'best-selling'
  | 'by-hand'
  | 'newest'
  | 'name'
  | 'price-up'
  | 'price-down'
  | 'rating'
  | 'picked';

/** Which products a listing holds. `page` starts at 1; one beyond the last is the last. */
export interface ListingQuery {
  readonly category?: string;
  /** A full-text query, as `resolveSearch` writes it. */
  readonly match?: string;
  /** What is closest to what was typed, as `resolveSearch` says; without it all that is found is as close. */
  readonly ranks?: SearchRanks | null;
  readonly inStockOnly?: boolean;
  readonly fromMinor?: number;
  readonly toMinor?: number;
  readonly tag?: string;
  /** What a shopper chose among what is there. */
  readonly chosen?: Chosen;
  /** Only these. */
  readonly slugs?: readonly string[];
  /** Not these. */
  readonly without?: readonly string[];
  /** Nothing with this tag. */
  readonly withoutTag?: string;
  readonly sort: ListingSort;
  readonly page: number;
  readonly pageSize: number;
}

/** Whether a product is among those that a full-text query finds. */
function found(query: string): string {
  return `p.id IN (SELECT rowid FROM product_search WHERE product_search MATCH ${query})`;
}

/** Name, words, SKUs, text: how much a word found there counts (BM25). */
const BM25 = 'bm25(product_search, 12, 6, 10, 1)';

export const ORDER_BY: Readonly<Record<ListingSort, string>> = {
  // A name typed whole is what was meant, however much else holds its words; then names, then what is written of it.
  relevance: `p.name = $typed COLLATE NOCASE DESC, ${found('$phraseInName')} DESC, ${found('$wordsInName')} DESC,
     ${found('$phrase')} DESC, ${BM25}, p.sold_count DESC, p.id`,
  featured: 'p.is_featured DESC, p.sold_count DESC, p.id',
  'best-selling': 'p.recent_count DESC, p.sold_count DESC, p.id',
  // Of a category; what its owner did not arrange follows.
  'by-hand': `(SELECT place FROM product_categories own JOIN categories c ON c.id = own.category_id
     WHERE own.product_id = p.id AND c.slug = $category) NULLS LAST, p.is_featured DESC, p.sold_count DESC, p.id`,
  newest: 'p.created_day DESC, p.id DESC',
  name: 'p.name COLLATE NOCASE, p.id',
  'price-up': 'p.shown_from_minor, p.id',
  'price-down': 'p.shown_from_minor DESC, p.id DESC',
  picked: '(SELECT key FROM json_each($slugs) WHERE value = p.slug)',
  rating: 'p.rating_stars IS NULL, p.rating_stars DESC, p.rating_count DESC, p.id',
};

/** An order that needs what is not asked for is the usual one. */
export function orderOf({ sort, match, category }: Pick<ListingQuery, 'sort' | 'match' | 'category'>): ListingSort {
  const isVoid = (sort === 'relevance' && !match) || (sort === 'by-hand' && !category);
  return isVoid ? 'featured' : sort;
}

/** What the order of relevance asks for. */
export function ranksFor(query: Pick<ListingQuery, 'sort' | 'match' | 'category' | 'ranks'>): object {
  if (orderOf(query) !== 'relevance') return {};
  const alike = { typed: '', phraseInName: query.match, wordsInName: query.match, phrase: query.match };
  return query.ranks ?? alike;
}

export const CATEGORY_TREE = `tree(id) AS (
  SELECT id FROM categories WHERE slug = $category UNION ALL SELECT c.id FROM categories c JOIN tree ON c.parent_id = tree.id)`;

/** The tables a listing looks through, and what it keeps of them. */
export function narrowed(query: Omit<ListingQuery, 'sort' | 'page' | 'pageSize'>): {
  readonly from: string;
  readonly where: string;
  readonly params: Readonly<Record<string, unknown>>;
} {
  const wheres = ['p.is_shown = 1'];
  const params: Record<string, unknown> = {};
  if (query.category) {
    wheres.push('p.id IN (SELECT product_id FROM product_categories WHERE category_id IN tree)');
    params['category'] = query.category;
  }
  if (query.match) {
    wheres.push('product_search MATCH $match');
    params['match'] = query.match;
  }
  if (query.tag) {
    wheres.push('p.id IN (SELECT product_id FROM tags WHERE name = $tag)');
    params['tag'] = query.tag;
  }
  if (query.slugs) {
    wheres.push('p.slug IN (SELECT value FROM json_each($slugs))');
    params['slugs'] = JSON.stringify(query.slugs);
  }
  if (query.withoutTag) {
    wheres.push('p.id NOT IN (SELECT product_id FROM tags WHERE name = $withoutTag)');
    params['withoutTag'] = query.withoutTag;
  }
  if (query.without) {
    wheres.push('p.slug NOT IN (SELECT value FROM json_each($without))');
    params['without'] = JSON.stringify(query.without);
  }
  if (query.inStockOnly) wheres.push('p.in_stock = 1');
  if (query.fromMinor !== undefined) {
    wheres.push('p.shown_to_minor >= $fromMinor');
    params['fromMinor'] = query.fromMinor;
  }
  if (query.toMinor !== undefined) {
    wheres.push('p.shown_from_minor <= $toMinor');
    params['toMinor'] = query.toMinor;
  }
  if (query.chosen) narrowBy(query.chosen, wheres, params);
  const from = query.match ? 'product_search CROSS JOIN products p ON p.id = product_search.rowid' : 'products p';
  return { from, where: wheres.join(' AND '), params };
}

/** Each part of a choice as a condition; names and values go as parameters. */
function narrowBy(chosen: Chosen, wheres: string[], params: Record<string, unknown>): void {
  let made = 0;
  const param = (value: unknown) => {
    const name = `chosen${(made += 1)}`;
    params[name] = value;
    return `$${name}`;
  };
  const among = (values: readonly string[]) => `(SELECT value FROM json_each(${param(JSON.stringify(values))}))`;
  for (const [key, values] of Object.entries(chosen.attributes))
    wheres.push(`p.id IN (SELECT product_id FROM attributes WHERE key = ${param(key)} AND value IN ${among(values)})`);
  for (const [key, { from, to }] of Object.entries(chosen.ranges))
    wheres.push(
      `p.id IN (SELECT product_id FROM attributes WHERE key = ${param(key)}
         AND CAST(value AS REAL) BETWEEN ${param(from ?? -1e15)} AND ${param(to ?? 1e15)})`,
    );
  for (const [key, values] of Object.entries(chosen.axes))
    wheres.push(
      `EXISTS (SELECT 1 FROM variants v JOIN json_each(v.choices) j WHERE v.product_id = p.id AND j.key = ${param(key)} AND j.value IN ${among(values)})`,
    );
  if (chosen.tags.length > 0) wheres.push(`p.id IN (SELECT product_id FROM tags WHERE name IN ${among(chosen.tags)})`);
  if (chosen.rating !== null) wheres.push(`p.rating_stars >= ${param(chosen.rating)}`);
}
