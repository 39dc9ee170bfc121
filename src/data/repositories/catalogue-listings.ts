import type { CardExtras, Category, Chosen, OrderRow, ProductCard } from '~/core/catalogue';
import type { CategoryTexts, Mentions, ShopNames } from '~/core/lane';
import { minor } from '~/core/money';
import type { SearchRanks } from '~/core/search';
import type { Relatable } from '~/core/suggest';
import type { Database } from '../database';
import { ratingOf, type ProductRow } from './product-row';

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

const ORDER_BY: Readonly<Record<ListingSort, string>> = {
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

const CARD = `p.id, p.slug, p.name, p.short_text, p.options <> '[]' has_options, p.from_minor, p.to_minor, p.in_stock, p.rating_stars, p.rating_count,
   (SELECT json_array(count(*), min(id), min(CASE WHEN was_minor > price_minor AND price_minor = p.from_minor AND low_minor IS NOT NULL THEN was_minor END)) FROM variants v WHERE v.product_id = p.id) variants,
   (SELECT json_array(src, alt) FROM images i WHERE i.product_id = p.id ORDER BY position LIMIT 1) image`;

/** An order that needs what is not asked for is the usual one. */
function orderOf({ sort, match, category }: Pick<ListingQuery, 'sort' | 'match' | 'category'>): ListingSort {
  const isVoid = (sort === 'relevance' && !match) || (sort === 'by-hand' && !category);
  return isVoid ? 'featured' : sort;
}

/** What the order of relevance asks for. */
function ranksFor(query: Pick<ListingQuery, 'sort' | 'match' | 'category' | 'ranks'>): object {
  if (orderOf(query) !== 'relevance') return {};
  const alike = { typed: '', phraseInName: query.match, wordsInName: query.match, phrase: query.match };
  return query.ranks ?? alike;
}

export const CATEGORY_TREE = `tree(id) AS (
  SELECT id FROM categories WHERE slug = $category UNION ALL SELECT c.id FROM categories c JOIN tree ON c.parent_id = tree.id)`;

const CATEGORY_NAMES = `(SELECT json_group_array(name) FROM (SELECT c.name FROM product_categories pc
  JOIN categories c ON c.id = pc.category_id WHERE pc.product_id = p.id ORDER BY c.position, c.id))`;

type Packed = 'choices' | 'axes' | 'isOpen' | 'categories' | 'attributes';
/** A variant as it is read: what has several values is JSON. */
type VariantRow = Omit<OrderRow, Packed> & {
  readonly [Key in Exclude<Packed, 'axes' | 'isOpen'>]: string;
} & { readonly isOpen: number };

/** What the catalogue shows many at a time, and looks through. */
export function catalogueListings(db: Database) {
  /** The products of a page, found first by number and in order: only theirs are read whole. */
  const readPage = (query: ListingQuery, page: number) => readRows(query, (page - 1) * query.pageSize, query.pageSize);

  async function readRows(
    query: Omit<ListingQuery, 'page' | 'pageSize'>,
    offset: number,
    limit: number,
  ): Promise<ProductCard[]> {
    const { from, where, params } = narrowed(query);
    const sort = orderOf(query);
    const rows = await db.select<CardRow>(
      `WITH RECURSIVE ${query.category ? `${CATEGORY_TREE},` : ''} hits(id, place) AS MATERIALIZED (
           SELECT id, row_number() OVER () FROM (SELECT p.id id FROM ${from} WHERE ${where}
             ORDER BY ${ORDER_BY[sort]} LIMIT $limit OFFSET $offset))
         SELECT ${CARD} FROM hits JOIN products p ON p.id = hits.id ORDER BY hits.place`,
      {
        ...params,
        ...ranksFor(query),
        limit,
        offset,
      },
    );
    return rows.map(toCard);
  }

  /** A stretch of a listing. */
  async function listFrom(
    query: Omit<ListingQuery, 'page' | 'pageSize'>,
    first: number,
    count: number,
  ): Promise<ProductCard[]> {
    return readRows(query, first, count);
  }

  /** The variants of the first products of a listing that fit what is chosen of variants, product by product in its order. */
  async function listVariants(
    query: Omit<ListingQuery, 'page' | 'pageSize'>,
    { products, rows: limit, described }: { products: number; rows: number; described: boolean },
  ): Promise<OrderRow[]> {
    const { from, where, params } = narrowed(query);
    const axes = Object.entries(query.chosen?.axes ?? {}).map(([key, values]) => ({ key, values }));
    const rows = await db.select<VariantRow>(
      `WITH RECURSIVE ${query.category ? `${CATEGORY_TREE},` : ''} hits(id, place) AS MATERIALIZED (
           SELECT id, row_number() OVER () FROM (SELECT p.id id FROM ${from} WHERE ${where}
             ORDER BY ${ORDER_BY[orderOf(query)]} LIMIT $products))
         SELECT v.id variantId, p.slug, p.name, v.choices, v.sku, p.short_text shortText, v.price_minor priceMinor, s.quantity stock,
           EXISTS (SELECT 1 FROM json_each(p.options) o WHERE o.value ->> 'required') isOpen,
           coalesce(v.image_src, (SELECT src FROM images i WHERE i.product_id = p.id ORDER BY position LIMIT 1)) picture,
           p.rating_stars stars,
           ${described ? CATEGORY_NAMES : "'[]'"} categories,
           ${described ? '(SELECT json_group_object(key, value) FROM attributes a WHERE a.product_id = p.id)' : "'{}'"} attributes
         FROM hits JOIN products p ON p.id = hits.id JOIN variants v ON v.product_id = p.id LEFT JOIN stock_levels s ON s.variant_id = v.id
         WHERE NOT EXISTS (SELECT 1 FROM json_each($axes) axis WHERE NOT EXISTS (SELECT 1 FROM json_each(v.choices) j
             WHERE j.key = axis.value ->> 'key' AND j.value IN (SELECT value FROM json_each(axis.value -> 'values'))))
           AND ($inStockOnly = 0 OR s.quantity IS NULL OR s.quantity > 0)
         ORDER BY hits.place, v.position, v.id LIMIT $limit`,
      {
        ...params,
        ...ranksFor(query),
        products,
        limit,
        axes: JSON.stringify(axes),
        inStockOnly: query.inStockOnly ? 1 : 0,
      },
    );
    return rows.map(({ isOpen, choices, categories, attributes, ...row }) => {
      const axesOf = JSON.parse(choices) as OrderRow['axes'];
      return {
        ...row,
        isOpen: isOpen === 1,
        choices: Object.values(axesOf).join(', '),
        axes: axesOf,
        categories: JSON.parse(categories) as string[],
        attributes: JSON.parse(attributes) as OrderRow['attributes'],
      };
    });
  }

  async function listCards(query: ListingQuery): Promise<{ cards: ProductCard[]; total: number; page: number }> {
    const cards = await readPage(query, query.page);
    // A first page that is not full is the whole listing; counting again is for the others.
    if (query.page === 1 && cards.length < query.pageSize) return { cards, total: cards.length, page: 1 };
    const total = await countProducts(query);
    const last = Math.max(1, Math.ceil(total / query.pageSize));
    if (query.page <= last) return { cards, total, page: query.page };
    return { cards: await readPage(query, last), total, page: last };
  }

  /** What a listing begins with, uncounted. */
  const listFirst = (query: Omit<ListingQuery, 'page'>) => readPage({ ...query, page: 1 }, 1);

  async function countProducts(query: Omit<ListingQuery, 'sort' | 'page' | 'pageSize'>): Promise<number> {
    const { from, where, params } = narrowed(query);
    const [count] = await db.select<{ n: number }>(
      `WITH RECURSIVE ${query.category ? CATEGORY_TREE : 'tree(id) AS (SELECT 0)'} SELECT count(*) n FROM ${from} WHERE ${where}`,
      params,
    );
    return count!.n;
  }

  /** Cards of the products named, in no order. */
  async function cardsOf(slugs: readonly string[]): Promise<ProductCard[]> {
    if (slugs.length === 0) return [];
    const rows = await db.select<CardRow>(
      `SELECT ${CARD} FROM products p WHERE p.is_shown = 1 AND p.slug IN (SELECT value FROM json_each($slugs))`,
      { slugs: JSON.stringify(slugs) },
    );
    return rows.map(toCard);
  }

  /** What cards of these products say beyond what every card does. */
  async function extrasOf(ids: readonly number[]): Promise<Map<number, CardExtras>> {
    const rows = await db.select<{ id: number; stock: number | null; itemDeliveryMinor: number; attributes: string }>(
      `SELECT p.id, p.item_delivery_minor itemDeliveryMinor,
         (SELECT iif(count(*) = count(s.quantity), sum(s.quantity), NULL) FROM variants v
            LEFT JOIN stock_levels s ON s.variant_id = v.id WHERE v.product_id = p.id) stock,
         (SELECT json_group_array(json_object('key', key, 'value', value)) FROM
            (SELECT key, value FROM attributes WHERE product_id = p.id ORDER BY position, key)) attributes
       FROM products p WHERE p.id IN (SELECT value FROM json_each($ids))`,
      { ids: JSON.stringify(ids) },
    );
    return new Map(
      rows.map(({ id, attributes, ...facts }) => [
        id,
        { ...facts, attributes: JSON.parse(attributes) as CardExtras['attributes'] },
      ]),
    );
  }

  /** What owners say goes with these products, in the order of the products, then in theirs. */
  async function listPicked(slugs: readonly string[]): Promise<string[]> {
    const rows = await db.select<{ slug: string }>(
      `SELECT s.value slug FROM json_each($slugs) near JOIN products p ON p.slug = near.value JOIN json_each(p.suggestions) s
       ORDER BY near.key, s.key LIMIT 100`,
      { slugs: JSON.stringify(slugs) },
    );
    return [...new Set(rows.map((row) => row.slug))];
  }

  /** Of these, those that have a tag. */
  async function taggedAmong(slugs: readonly string[], tag: string): Promise<string[]> {
    const rows = await db.select<{ slug: string }>(
      `SELECT p.slug FROM json_each($slugs) asked JOIN products p ON p.slug = asked.value
         JOIN tags t ON t.product_id = p.id AND t.name = $tag`,
      { slugs: JSON.stringify(slugs), tag },
    );
    return rows.map((row) => row.slug);
  }

  /** The better one that a product's owner named; null where there is none. */
  async function betterOf(slug: string): Promise<string | null> {
    const [row] = await db.select<{ better: string | null }>('SELECT better FROM products WHERE slug = $slug', {
      slug,
    });
    return row?.better ?? null;
  }

  /**
   * What nearness is judged by, of these products and of those that share most with them: enough to choose from, and never
   * the whole catalogue. Categories with their parents.
   */
  async function listRelatable(slugs: readonly string[], most = 120): Promise<Relatable[]> {
    const rows = await db.select<{
      slug: string;
      categories: string;
      tags: string;
      attributes: string;
      inStock: number;
      soldCount: number;
    }>(
      `WITH own(id) AS (SELECT id FROM products WHERE slug IN (SELECT value FROM json_each($slugs))),
       places(id) AS (
         SELECT DISTINCT s.id FROM product_categories pc JOIN categories c ON c.id = pc.category_id
           JOIN categories s ON s.id = c.id OR s.parent_id = c.parent_id OR s.parent_id = c.id OR s.id = c.parent_id
         WHERE pc.product_id IN own),
       shared(id, points) AS (
         SELECT product_id, 2 FROM (SELECT product_id FROM tags WHERE name IN (SELECT name FROM tags WHERE product_id IN own) LIMIT $mostShared)
         UNION ALL SELECT product_id, 1 FROM product_categories WHERE category_id IN places),
       chosen(id) AS (
         SELECT s.id FROM shared s JOIN products p ON p.id = s.id WHERE p.is_shown = 1 AND p.in_stock = 1
         GROUP BY s.id ORDER BY sum(s.points) DESC, p.sold_count DESC, p.id LIMIT $most)
       SELECT p.slug, p.in_stock inStock, p.sold_count soldCount,
         (SELECT json_group_array(name) FROM tags t WHERE t.product_id = p.id) tags,
         (SELECT json_group_array(key || ': ' || value) FROM attributes a WHERE a.product_id = p.id) attributes,
         (SELECT json_group_array(DISTINCT s.slug) FROM product_categories pc JOIN categories c ON c.id = pc.category_id
            JOIN categories s ON s.id = c.id OR s.id = c.parent_id WHERE pc.product_id = p.id) categories
       FROM products p WHERE p.is_shown = 1 AND p.id IN (SELECT id FROM chosen UNION SELECT id FROM own)`,
      { slugs: JSON.stringify(slugs), most, mostShared: 5 * most },
    );
    return rows.map((row) => ({
      slug: row.slug,
      categories: JSON.parse(row.categories) as string[],
      tags: JSON.parse(row.tags) as string[],
      attributes: JSON.parse(row.attributes) as string[],
      inStock: row.inStock === 1,
      soldCount: row.soldCount,
    }));
  }

  async function listCategories(): Promise<Category[]> {
    const rows = await db.select<{
      id: number;
      slug: string;
      name: string;
      description: string;
      parent: string | null;
      image_src: string | null;
      n: number;
      isArranged: number;
    }>(
      // Counted once for all: each product in its categories and in those above them.
      `WITH RECURSIVE above(id, ancestor) AS (
         SELECT id, id FROM categories UNION ALL SELECT a.id, c.parent_id FROM above a JOIN categories c ON c.id = a.ancestor WHERE c.parent_id IS NOT NULL),
       counts(id, n) AS (
         SELECT a.ancestor, count(DISTINCT pc.product_id) FROM product_categories pc JOIN above a ON a.id = pc.category_id
           JOIN products pr ON pr.id = pc.product_id AND pr.is_shown = 1 GROUP BY a.ancestor)
       SELECT c.id, c.slug, c.name, c.description, p.slug parent, c.image_src, coalesce(counts.n, 0) n,
         EXISTS (SELECT 1 FROM product_categories pc WHERE pc.category_id = c.id AND pc.place IS NOT NULL) isArranged
       FROM categories c LEFT JOIN categories p ON p.id = c.parent_id LEFT JOIN counts ON counts.id = c.id
       ORDER BY c.position, c.name`,
    );
    return rows.map((row) => ({
      id: row.id,
      slug: row.slug,
      name: row.name,
      description: row.description,
      parentSlug: row.parent,
      picture: row.image_src ? { src: row.image_src, alt: '' } : null,
      productCount: row.n,
      isArranged: row.isArranged === 1,
    }));
  }

  /** Names of the products shown, by slug. */
  async function listNames(): Promise<Record<string, string>> {
    const rows = await db.select<{ slug: string; name: string }>('SELECT slug, name FROM products WHERE is_shown = 1');
    return Object.fromEntries(rows.map(({ slug, name }) => [slug, name]));
  }

  /** Names of some products that are shown, by slug. */
  async function namesOf(slugs: readonly string[]): Promise<Record<string, string>> {
    if (slugs.length === 0) return {};
    const rows = await db.select<{ slug: string; name: string }>(
      'SELECT slug, name FROM products WHERE is_shown = 1 AND slug IN (SELECT value FROM json_each($slugs))',
      { slugs: JSON.stringify(slugs) },
    );
    return Object.fromEntries(rows.map(({ slug, name }) => [slug, name]));
  }

  /** What things are called, shown or not; variants by their product and their choices. */
  async function shopNames({ product, category, variant }: Mentions): Promise<ShopNames> {
    const ask = (sql: string, keys: readonly string[]) =>
      keys.length === 0
        ? []
        : db.select<{ key: string; name: string }>(`${sql} IN (SELECT value FROM json_each($keys))`, {
            keys: JSON.stringify(keys),
          });
    const [products, categories, variants] = await Promise.all([
      ask('SELECT slug key, name FROM products WHERE slug', product),
      ask('SELECT slug key, name FROM categories WHERE slug', category),
      ask(
        `SELECT v.sku key, p.name || coalesce(', ' || (SELECT group_concat(value, ', ') FROM json_each(v.choices)), '') name
         FROM variants v JOIN products p ON p.id = v.product_id WHERE v.sku`,
        variant,
      ),
    ]);
    const byKey = (rows: readonly { key: string; name: string }[]) =>
      Object.fromEntries(rows.map(({ key, name }) => [key, name]));
    return { product: byKey(products), category: byKey(categories), variant: byKey(variants) };
  }

  /** Names and texts of the categories whose text names a piece or a fact. */
  async function categoryTexts(): Promise<CategoryTexts> {
    const rows = await db.select<{ slug: string; name: string; text: string }>(
      `SELECT slug, name, description text FROM categories WHERE description LIKE '%<pl-%'`,
    );
    return Object.fromEntries(rows.map(({ slug, ...rest }) => [slug, rest]));
  }

  async function listSlugs(): Promise<Record<'products' | 'categories' | 'tags', Set<string>>> {
    const rows = await db.select<{ slug: string; of: 'products' | 'categories' | 'tags' }>(
      `SELECT slug, 'products' "of" FROM products UNION ALL SELECT slug, 'categories' FROM categories
       UNION ALL SELECT DISTINCT name, 'tags' FROM tags`,
    );
    const those = (kind: string) => new Set(rows.filter((row) => row.of === kind).map(({ slug }) => slug));
    return { products: those('products'), categories: those('categories'), tags: those('tags') };
  }

  /** The slug of a product for each kind of hard case there is in this catalogue. */
  async function findSamples(): Promise<Record<string, string>> {
    const first = async (name: string, sql: string) => {
      const [row] = await db.select<{ slug: string }>(
        `SELECT p.slug FROM products p WHERE p.is_shown = 1 AND ${sql} LIMIT 1`,
      );
      return row ? ([[name, row.slug]] as const) : [];
    };
    const variants = '(SELECT count(*) FROM variants v WHERE v.product_id = p.id)';
    const images = '(SELECT count(*) FROM images i WHERE i.product_id = p.id)';
    const found = await Promise.all([
      first('plain', `in_stock = 1 AND short_text <> '' AND ${images} > 1 ORDER BY rating_count DESC, sold_count DESC`),
      first('long-name', '1 ORDER BY length(name) DESC'),
      first('sold-out', 'in_stock = 0'),
      first('no-picture', `${images} = 0`),
      first('no-text', `short_text = '' ORDER BY length(full_text) DESC`),
      first('many-variants', `1 ORDER BY ${variants} DESC`),
      first('options', `options <> '[]' ORDER BY json_array_length(options) DESC`),
      first('on-sale', 'EXISTS (SELECT 1 FROM variants v WHERE v.product_id = p.id AND v.was_minor > v.price_minor)'),
    ]);
    return Object.fromEntries(found.flat());
  }

  return {
    listCards,
    listFirst,
    listFrom,
    listVariants,
    extrasOf,
    countProducts,
    cardsOf,
    listPicked,
    listRelatable,
    taggedAmong,
    betterOf,
    listCategories,
    listNames,
    namesOf,
    shopNames,
    categoryTexts,
    listSlugs,
    findSamples,
  };
}

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

/** What a card is made from, in one row: `variants` and `image` are JSON arrays. */
interface CardRow extends Pick<
  ProductRow,
  'id' | 'slug' | 'name' | 'short_text' | 'from_minor' | 'to_minor' | 'in_stock' | 'rating_stars' | 'rating_count'
> {
  has_options: number;
  variants: string;
  image: string | null;
}

function toCard(row: CardRow): ProductCard {
  const [count, firstId, was] = JSON.parse(row.variants) as [number, number, number | null];
  const [src, alt] = row.image ? (JSON.parse(row.image) as [string, string]) : [];
  return {
    id: row.id,
    slug: row.slug,
    name: row.name,
    shortText: row.short_text,
    fromMinor: minor(row.from_minor),
    toMinor: minor(row.to_minor),
    wasMinor: was !== null && was > row.from_minor ? minor(was) : null,
    inStock: row.in_stock === 1,
    onlyVariantId: count === 1 && row.has_options === 0 ? firstId : null,
    hasOptions: row.has_options === 1,
    picture: src ? { src, alt: alt || row.name } : null,
    rating: ratingOf(row),
  };
}
