import type { Category, Fulfilment, Picture, Product, ProductCard, Variant } from '~/core/catalogue';
import { minor, type Minor } from '~/core/money';
import type { AddOnFacts, OptionRule, ProductOption } from '~/core/options';
import type { Relatable } from '~/core/suggest';
import type { Database } from '../database';

export type ListingSort = 'featured' | 'newest' | 'name' | 'price-up' | 'price-down' | 'rating';

/** Which products a listing holds. `page` starts at 1. */
export interface ListingQuery {
  readonly category?: string;
  readonly search?: string;
  readonly inStockOnly?: boolean;
  readonly fromMinor?: number;
  readonly toMinor?: number;
  readonly tag?: string;
  readonly sort: ListingSort;
  readonly page: number;
  readonly pageSize: number;
}

/** What the cart, prices and orders need to know of a variant. `costMinor` stays on the server. */
export interface VariantFacts {
  readonly variantId: number;
  readonly sku: string;
  readonly slug: string;
  readonly name: string;
  readonly choices: Readonly<Record<string, string>>;
  readonly fulfilment: Fulfilment;
  readonly priceMinor: Minor;
  readonly costMinor: number | null;
  readonly stock: number | null;
  readonly weightGrams: number;
  readonly picture: Picture | null;
  readonly options: readonly ProductOption[];
  /** Slugs, parents included. */
  readonly categories: readonly string[];
  /** Whether its product has other variants. */
  readonly hasSiblings: boolean;
}

const ORDER_BY: Readonly<Record<ListingSort, string>> = {
  featured: 'p.sold_count DESC, p.id',
  newest: 'p.created_day DESC, p.id DESC',
  name: 'p.name COLLATE NOCASE, p.id',
  'price-up': 'p.from_minor, p.id',
  'price-down': 'p.from_minor DESC, p.id',
  rating: 'p.rating_stars IS NULL, p.rating_stars DESC, p.rating_count DESC, p.id',
};

interface ProductRow {
  id: number;
  slug: string;
  name: string;
  brand: string;
  short_text: string;
  full_text: string;
  fulfilment: Fulfilment;
  axes: string;
  video_src: string | null;
  from_minor: number;
  to_minor: number;
  in_stock: number;
  rating_stars: number | null;
  rating_count: number;
  options: string;
}

interface VariantRow {
  id: number;
  product_id: number;
  sku: string;
  choices: string;
  price_minor: number;
  was_minor: number | null;
  weight_grams: number;
  image_src: string | null;
  quantity: number | null;
}

const CARD = `SELECT p.id, p.slug, p.name, p.short_text, p.options <> '[]' has_options, p.from_minor, p.to_minor, p.in_stock, p.rating_stars, p.rating_count,
   (SELECT json_array(count(*), min(id), min(CASE WHEN was_minor > price_minor THEN was_minor END)) FROM variants v WHERE v.product_id = p.id) variants,
   (SELECT json_array(src, alt) FROM images i WHERE i.product_id = p.id ORDER BY position LIMIT 1) image
 FROM products p`;

const CATEGORY_TREE = `WITH RECURSIVE tree(id) AS (
  SELECT id FROM categories WHERE slug = $category UNION ALL SELECT c.id FROM categories c JOIN tree t ON c.parent_id = t.id)`;

export function catalogueRepository(db: Database) {
  async function listCards(query: ListingQuery): Promise<{ cards: ProductCard[]; total: number }> {
    const wheres = ['p.is_shown = 1'];
    const params: Record<string, unknown> = {};
    if (query.category) {
      wheres.push('p.id IN (SELECT product_id FROM product_categories WHERE category_id IN tree)');
      params['category'] = query.category;
    }
    if (query.search) {
      wheres.push(`(p.name LIKE $search ESCAPE '\\' OR p.short_text LIKE $search ESCAPE '\\' OR p.id IN
        (SELECT product_id FROM variants WHERE sku LIKE $search ESCAPE '\\') OR p.id IN (SELECT product_id FROM tags WHERE name LIKE $search ESCAPE '\\'))`);
      params['search'] = `%${query.search.replace(/[\\%_]/g, '\\$&')}%`;
    }
    if (query.tag) {
      wheres.push('p.id IN (SELECT product_id FROM tags WHERE name = $tag)');
      params['tag'] = query.tag;
    }
    if (query.inStockOnly) wheres.push('p.in_stock = 1');
    if (query.fromMinor !== undefined) {
      wheres.push('p.to_minor >= $fromMinor');
      params['fromMinor'] = query.fromMinor;
    }
    if (query.toMinor !== undefined) {
      wheres.push('p.from_minor <= $toMinor');
      params['toMinor'] = query.toMinor;
    }
    const tree = query.category ? CATEGORY_TREE : '';
    const rows = await db.select<CardRow>(
      `${tree} ${CARD} WHERE ${wheres.join(' AND ')} ORDER BY ${ORDER_BY[query.sort]} LIMIT $limit OFFSET $offset`,
      { ...params, limit: query.pageSize, offset: (query.page - 1) * query.pageSize },
    );
    // A first page that is not full is the whole listing; counting again is for the others.
    if (query.page === 1 && rows.length < query.pageSize) return { cards: rows.map(toCard), total: rows.length };
    const [count] = await db.select<{ n: number }>(
      `${tree} SELECT count(*) n FROM products p WHERE ${wheres.join(' AND ')}`,
      params,
    );
    return { cards: rows.map(toCard), total: count!.n };
  }

  /** Cards of the products named, in no order. */
  async function cardsOf(slugs: readonly string[]): Promise<ProductCard[]> {
    if (slugs.length === 0) return [];
    const rows = await db.select<CardRow>(
      `${CARD} WHERE p.is_shown = 1 AND p.slug IN (SELECT value FROM json_each($slugs))`,
      { slugs: JSON.stringify(slugs) },
    );
    return rows.map(toCard);
  }

  /** What nearness between products is judged by; categories with their parents. */
  async function listRelatable(): Promise<Relatable[]> {
    const rows = await db.select<{
      slug: string;
      categories: string;
      tags: string;
      inStock: number;
      soldCount: number;
    }>(
      `SELECT p.slug, p.in_stock inStock, p.sold_count soldCount,
         (SELECT json_group_array(name) FROM tags t WHERE t.product_id = p.id) tags,
         (SELECT json_group_array(DISTINCT s.slug) FROM product_categories pc JOIN categories c ON c.id = pc.category_id
            JOIN categories s ON s.id = c.id OR s.id = c.parent_id WHERE pc.product_id = p.id) categories
       FROM products p WHERE p.is_shown = 1`,
    );
    return rows.map((row) => ({
      slug: row.slug,
      categories: JSON.parse(row.categories) as string[],
      tags: JSON.parse(row.tags) as string[],
      inStock: row.inStock === 1,
      soldCount: row.soldCount,
    }));
  }

  async function findProduct(slug: string): Promise<Product | null> {
    const [row] = await db.select<ProductRow>('SELECT * FROM products WHERE slug = $slug AND is_shown = 1', { slug });
    if (!row) return null;
    const params = { id: row.id };
    const [options, variants, images, attributes, categories, tags, reviews] = await Promise.all([
      withAddOns(JSON.parse(row.options) as OptionRule[]),
      db.select<VariantRow>(
        `SELECT v.*, s.quantity FROM variants v LEFT JOIN stock_levels s ON s.variant_id = v.id WHERE product_id = $id ORDER BY position, v.id`,
        params,
      ),
      db.select<Picture>('SELECT src, alt FROM images WHERE product_id = $id ORDER BY position, id', params),
      db.select<{ key: string; value: string }>(
        'SELECT key, value FROM attributes WHERE product_id = $id ORDER BY position, key',
        params,
      ),
      db.select<{ slug: string; name: string }>(
        'SELECT c.slug, c.name FROM product_categories pc JOIN categories c ON c.id = pc.category_id WHERE pc.product_id = $id ORDER BY c.parent_id IS NOT NULL, c.position',
        params,
      ),
      db.select<{ name: string }>('SELECT name FROM tags WHERE product_id = $id ORDER BY name', params),
      db.select<{ author: string; stars: number; text: string; day: string }>(
        'SELECT author, stars, text, day FROM reviews WHERE product_id = $id ORDER BY stars DESC, day DESC LIMIT 20',
        params,
      ),
    ]);
    return {
      id: row.id,
      slug: row.slug,
      name: row.name,
      brand: row.brand,
      shortText: row.short_text,
      fullText: row.full_text,
      fulfilment: row.fulfilment,
      axes: JSON.parse(row.axes) as string[],
      variants: variants.map((variant) => toVariant(variant, row.name)),
      pictures: images.map((image) => ({ src: image.src, alt: image.alt || row.name })),
      videoSrc: row.video_src,
      attributes,
      categories,
      tags: tags.map((tag) => tag.name),
      rating: ratingOf(row),
      reviews,
      options,
    };
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
    }>(
      `SELECT c.id, c.slug, c.name, c.description, p.slug parent, c.image_src, (
         SELECT count(DISTINCT pc.product_id) FROM product_categories pc JOIN products pr ON pr.id = pc.product_id AND pr.is_shown = 1
         WHERE pc.category_id = c.id OR pc.category_id IN (SELECT id FROM categories WHERE parent_id = c.id)) n
       FROM categories c LEFT JOIN categories p ON p.id = c.parent_id ORDER BY c.position, c.name`,
    );
    return rows.map((row) => ({
      id: row.id,
      slug: row.slug,
      name: row.name,
      description: row.description,
      parentSlug: row.parent,
      picture: row.image_src ? { src: row.image_src, alt: '' } : null,
      productCount: row.n,
    }));
  }

  async function variantFacts(ids: readonly number[]): Promise<Map<number, VariantFacts>> {
    const rows = await db.select<
      VariantRow & {
        cost_minor: number | null;
        slug: string;
        name: string;
        fulfilment: Fulfilment;
        first_image: string | null;
        options: string;
        variant_count: number;
        category_slugs: string;
      }
    >(
      `SELECT v.*, s.quantity, p.slug, p.name, p.fulfilment, p.options,
         (SELECT count(*) FROM variants o WHERE o.product_id = p.id) variant_count,
         (SELECT json_group_array(DISTINCT s.slug) FROM product_categories pc JOIN categories c ON c.id = pc.category_id
            JOIN categories s ON s.id = c.id OR s.id = c.parent_id WHERE pc.product_id = p.id) category_slugs,
         (SELECT src FROM images i WHERE i.product_id = p.id ORDER BY position LIMIT 1) first_image
       FROM variants v JOIN products p ON p.id = v.product_id LEFT JOIN stock_levels s ON s.variant_id = v.id
       WHERE v.id IN (SELECT value FROM json_each($ids)) AND p.is_shown = 1`,
      { ids: JSON.stringify(ids) },
    );
    const rules = new Map(rows.map((row) => [row.id, JSON.parse(row.options) as OptionRule[]]));
    const addOns = await addOnsOf([...rules.values()].flat());
    return new Map(
      rows.map((row) => {
        const src = row.image_src ?? row.first_image;
        return [
          row.id,
          {
            variantId: row.id,
            sku: row.sku,
            slug: row.slug,
            name: row.name,
            choices: JSON.parse(row.choices) as Record<string, string>,
            fulfilment: row.fulfilment,
            priceMinor: minor(row.price_minor),
            costMinor: row.cost_minor,
            stock: row.quantity,
            weightGrams: row.weight_grams,
            picture: src ? { src, alt: row.name } : null,
            options: rules.get(row.id)!.map((rule) => asked(rule, addOns)),
            categories: JSON.parse(row.category_slugs) as string[],
            hasSiblings: row.variant_count > 1,
          },
        ];
      }),
    );
  }

  /** What add-ons among these rules are now, by SKU. */
  async function addOnsOf(rules: readonly OptionRule[]): Promise<Map<string, AddOnFacts>> {
    const skus = rules.flatMap((rule) => (rule.kind === 'addOn' ? [rule.sku] : []));
    if (skus.length === 0) return new Map();
    const rows = await db.select<Omit<AddOnFacts, 'isParcel'> & { sku: string; fulfilment: Fulfilment }>(
      `SELECT v.sku, p.fulfilment, v.id variantId, p.name, v.price_minor priceMinor, v.weight_grams weightGrams, s.quantity stock
       FROM variants v JOIN products p ON p.id = v.product_id LEFT JOIN stock_levels s ON s.variant_id = v.id
       WHERE v.sku IN (SELECT value FROM json_each($skus)) AND p.is_shown = 1`,
      { skus: JSON.stringify(skus) },
    );
    return new Map(rows.map(({ sku, fulfilment, ...facts }) => [sku, { ...facts, isParcel: fulfilment === 'parcel' }]));
  }

  async function withAddOns(rules: readonly OptionRule[]): Promise<ProductOption[]> {
    const addOns = await addOnsOf(rules);
    return rules.map((rule) => asked(rule, addOns));
  }

  async function readOptions(slug: string): Promise<OptionRule[] | null> {
    const [row] = await db.select<{ options: string }>('SELECT options FROM products WHERE slug = $slug', { slug });
    return row ? (JSON.parse(row.options) as OptionRule[]) : null;
  }

  /** Which of these SKUs there are. */
  async function knownSkus(skus: readonly string[]): Promise<Set<string>> {
    const rows = await db.select<{ sku: string }>(
      'SELECT sku FROM variants WHERE sku IN (SELECT value FROM json_each($skus))',
      { skus: JSON.stringify(skus) },
    );
    return new Set(rows.map((row) => row.sku));
  }

  async function writeOptions(slug: string, rules: readonly OptionRule[]): Promise<void> {
    await db.run('UPDATE products SET options = $rules WHERE slug = $slug', { slug, rules: JSON.stringify(rules) });
  }

  /** Takes stock if there is enough; false, with nothing taken, when there is not. Uncounted variants always succeed. */
  async function takeStock(variantId: number, quantity: number): Promise<boolean> {
    const taken = await db.run(
      'UPDATE stock_levels SET quantity = quantity - $quantity WHERE variant_id = $variantId AND quantity >= $quantity',
      { variantId, quantity },
    );
    if (taken === 1) return true;
    const [counted] = await db.select<{ n: number }>(
      'SELECT count(*) n FROM stock_levels WHERE variant_id = $variantId',
      { variantId },
    );
    return counted!.n === 0;
  }

  async function returnStock(variantId: number, quantity: number): Promise<void> {
    await db.run('UPDATE stock_levels SET quantity = quantity + $quantity WHERE variant_id = $variantId', {
      variantId,
      quantity,
    });
  }

  /** Counts what was sold, and whether anything is left. */
  async function recordSale(
    lines: readonly { readonly variantId: number | null; readonly quantity: number }[],
  ): Promise<void> {
    const params = { rows: JSON.stringify(lines.map((line) => [line.variantId, line.quantity])) };
    await db.run(
      `UPDATE products SET sold_count = sold_count + r.n FROM (SELECT v.product_id, sum(value ->> 1) n FROM json_each($rows) JOIN variants v ON v.id = value ->> 0 GROUP BY 1) r
       WHERE products.id = r.product_id`,
      params,
    );
    const ids = await db.select<{ id: number }>(
      'SELECT DISTINCT product_id id FROM variants WHERE id IN (SELECT value ->> 0 FROM json_each($rows))',
      params,
    );
    await refreshFigures(ids.map((row) => row.id));
  }

  async function listSlugs(): Promise<{ products: Set<string>; categories: Set<string> }> {
    const rows = await db.select<{ slug: string; isProduct: number }>(
      'SELECT slug, 1 isProduct FROM products UNION ALL SELECT slug, 0 FROM categories',
    );
    return {
      products: new Set(rows.filter((row) => row.isProduct).map((row) => row.slug)),
      categories: new Set(rows.filter((row) => !row.isProduct).map((row) => row.slug)),
    };
  }

  /** Brings the figures kept on products (price range, in stock) up to date; all products when no ids are given. */
  async function refreshFigures(ids?: readonly number[]): Promise<void> {
    await db.run(
      `UPDATE products SET
         from_minor = coalesce((SELECT min(price_minor) FROM variants v WHERE v.product_id = products.id), 0),
         to_minor = coalesce((SELECT max(price_minor) FROM variants v WHERE v.product_id = products.id), 0),
         in_stock = EXISTS (SELECT 1 FROM variants v LEFT JOIN stock_levels s ON s.variant_id = v.id
           WHERE v.product_id = products.id AND (s.quantity IS NULL OR s.quantity > 0))
       ${ids ? 'WHERE id IN (SELECT value FROM json_each($ids))' : ''}`,
      ids ? { ids: JSON.stringify(ids) } : {},
    );
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
    findProduct,
    cardsOf,
    listRelatable,
    readOptions,
    writeOptions,
    withAddOns,
    knownSkus,
    listCategories,
    variantFacts,
    takeStock,
    returnStock,
    recordSale,
    listSlugs,
    refreshFigures,
    findSamples,
  };
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

/** A rule as shoppers are asked it. */
function asked(rule: OptionRule, addOns: ReadonlyMap<string, AddOnFacts>): ProductOption {
  return rule.kind === 'addOn' ? { ...rule, product: addOns.get(rule.sku) ?? null } : rule;
}

function ratingOf(row: Pick<ProductRow, 'rating_stars' | 'rating_count'>): Product['rating'] {
  return row.rating_stars === null ? null : { stars: row.rating_stars, count: row.rating_count };
}

function toVariant(row: VariantRow, name: string): Variant {
  return {
    id: row.id,
    sku: row.sku,
    choices: JSON.parse(row.choices) as Record<string, string>,
    priceMinor: minor(row.price_minor),
    wasMinor: row.was_minor !== null && row.was_minor > row.price_minor ? minor(row.was_minor) : null,
    stock: row.quantity,
    weightGrams: row.weight_grams,
    picture: row.image_src ? { src: row.image_src, alt: name } : null,
  };
}
