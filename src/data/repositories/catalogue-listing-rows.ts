import { type ListingQuery, ORDER_BY, orderOf, ranksFor, CATEGORY_TREE, narrowed } from './listing-query';
import type { CardExtras, OrderRow, ProductCard } from '~/core/catalogue';
import { minor } from '~/core/money';
import type { Database } from '../database';
import { ratingOf, type ProductRow } from './product-row';

const CARD = `p.id, p.slug, p.name, p.short_text, p.options <> '[]' has_options, p.from_minor, p.to_minor, p.in_stock, p.rating_stars, p.rating_count,
   (SELECT json_array(count(*), min(id), min(CASE WHEN was_minor > price_minor AND price_minor = p.from_minor AND low_minor IS NOT NULL THEN was_minor END)) FROM variants v WHERE v.product_id = p.id) variants,
   (SELECT json_array(src, alt) FROM images i WHERE i.product_id = p.id ORDER BY position LIMIT 1) image`;

const CATEGORY_NAMES = `(SELECT json_group_array(name) FROM (SELECT c.name FROM product_categories pc
  JOIN categories c ON c.id = pc.category_id WHERE pc.product_id = p.id ORDER BY c.position, c.id))`;

type Packed = 'choices' | 'axes' | 'isOpen' | 'categories' | 'attributes';

/** A variant as it is read: what has several values is JSON. */
type VariantRow = Omit<OrderRow, Packed> & {
  readonly [Key in Exclude<Packed, 'axes' | 'isOpen'>]: string;
} & { readonly isOpen: number };

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

/** Products and variants of a listing, page by page. */
export function listingRows(db: Database) {
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
  async function listCards(query: ListingQuery): Promise<{ cards: ProductCard[]; total: number; page: number }> {
    const cards = await readPage(query, query.page);
    // A first page that is not full is the whole listing: no count is needed.
    if (query.page === 1 && cards.length < query.pageSize) return { cards, total: cards.length, page: 1 };
    const total = await countProducts(query);
    const last = Math.max(1, Math.ceil(total / query.pageSize));
    if (query.page <= last) return { cards, total, page: query.page };
    return { cards: await readPage(query, last), total, page: last };
  }
  /** The first cards of a listing, without a count. */
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

  return { listFrom, listCards, listFirst, countProducts, cardsOf, extrasOf };
}

export function listingVariants(db: Database) {
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

  return { listVariants };
}
