import type { ProductFilter, ProductRecord, Review } from '~/core/catalogue';
import type { Database } from '../database';
import { catalogueState } from './catalogue-state';

export interface StoredProduct {
  readonly id: number;
  readonly slug: string;
  /** Counts every change; a change must name the one it was made on. */
  readonly edit: number;
  readonly record: ProductRecord;
}

export interface StoredReview extends Review {
  readonly id: number;
  readonly isHidden: boolean;
}

/** A product in its owner's list, shown in the shop or not. */
export interface ListedProduct {
  readonly slug: string;
  readonly name: string;
  readonly shortText: string;
  readonly isShown: boolean;
  readonly hasOptions: boolean;
  readonly variants: number;
  readonly fromMinor: number;
  readonly toMinor: number;
  /** What is left of all variants; null where one of them is not counted. */
  readonly stock: number | null;
  readonly picture: string | null;
}

const SQL_OF_FILTER: Readonly<Record<ProductFilter, string>> = {
  all: 'true',
  shown: 'p.is_shown = 1',
  hidden: 'p.is_shown = 0',
  'in-stock': 'p.in_stock = 1 AND p.is_shown = 1',
  'sold-out': 'p.in_stock = 0 AND p.is_shown = 1',
};
/** More words than these narrow no further. */
const MOST_WORDS = 8;

export interface StudioQuery {
  /** A full-text query, as `resolveSearch` writes it; null: names and SKUs alone are looked through. */
  readonly match: string | null;
  /** What was typed. */
  readonly typed: string;
  readonly filter: ProductFilter;
  /** Of this category or one under it; empty: of any. */
  readonly category: string;
  /** These alone; none: all. */
  readonly slugs: readonly string[];
  readonly page: number;
  readonly pageSize: number;
}

interface ProductFields {
  id: number;
  edit: number;
  name: string;
  brand: string;
  shortText: string;
  fullText: string;
  fulfilment: ProductRecord['fulfilment'];
  leadDays: number | null;
  isShown: number;
  isFree: number;
  isFeatured: number;
  taxRate: string | null;
  itemDeliveryMinor: number;
  suggestions: string;
  axes: string;
  pictures: string;
  categories: string;
  tags: string;
  attributes: string;
  variants: string;
  better: string;
  betterMinor: number | null;
}

/** Products as their owner edits them. */
export function catalogueEditing(db: Database) {
  const { bumpVersion } = catalogueState(db);

  /** Each word stands in the name or in a SKU, or the text has them: the index of words holds what is shown. */
  function narrow({ match, typed, filter, category, slugs }: Omit<StudioQuery, 'page' | 'pageSize'>): {
    where: string;
    params: Record<string, unknown>;
  } {
    const wheres: string[] = [SQL_OF_FILTER[filter]];
    const params: Record<string, unknown> = {};
    if (category !== '') {
      wheres.push(`p.id IN (SELECT pc.product_id FROM product_categories pc JOIN categories c ON c.id = pc.category_id
        LEFT JOIN categories parent ON parent.id = c.parent_id WHERE $category IN (c.slug, parent.slug))`);
      params['category'] = category;
    }
    if (slugs.length > 0) {
      wheres.push('p.slug IN (SELECT value FROM json_each($slugs))');
      params['slugs'] = JSON.stringify(slugs);
    }
    const words = typed.split(/\s+/).filter(Boolean).slice(0, MOST_WORDS);
    const named = words.map((word, i) => {
      params[`word${i}`] = `%${word.replace(/[\\%_]/g, '\\$&')}%`;
      return `(p.name LIKE $word${i} ESCAPE '\\'
        OR EXISTS (SELECT 1 FROM variants v WHERE v.product_id = p.id AND v.sku LIKE $word${i} ESCAPE '\\'))`;
    });
    if (match !== null) params['match'] = match;
    const inTexts =
      match === null ? 'false' : 'p.id IN (SELECT rowid FROM product_search WHERE product_search MATCH $match)';
    if (named.length > 0) wheres.push(`((${named.join(' AND ')}) OR ${inTexts})`);
    return { where: wheres.join(' AND '), params };
  }

  /** Products by name, with how many there are. */
  async function listForOwner(query: StudioQuery): Promise<{ products: ListedProduct[]; total: number }> {
    const { where, params } = narrow(query);
    const [counted] = await db.select<{ n: number }>(`SELECT count(*) n FROM products p WHERE ${where}`, params);
    const rows = await db.select<
      Omit<ListedProduct, 'isShown' | 'hasOptions'> & { isShown: number; hasOptions: number }
    >(
      `SELECT p.slug, p.name, p.short_text shortText, p.is_shown isShown, p.options <> '[]' hasOptions, p.from_minor fromMinor, p.to_minor toMinor,
         (SELECT count(*) FROM variants v WHERE v.product_id = p.id) variants,
         (SELECT iif(count(*) = count(s.quantity), sum(s.quantity), NULL) FROM variants v
            LEFT JOIN stock_levels s ON s.variant_id = v.id WHERE v.product_id = p.id) stock,
         (SELECT src FROM images i WHERE i.product_id = p.id ORDER BY position LIMIT 1) picture
       FROM products p WHERE ${where} ORDER BY p.name COLLATE NOCASE, p.id LIMIT $limit OFFSET $offset`,
      { ...params, limit: query.pageSize, offset: (query.page - 1) * query.pageSize },
    );
    const products = rows.map((row) => ({ ...row, isShown: row.isShown === 1, hasOptions: row.hasOptions === 1 }));
    return { products, total: counted!.n };
  }

  /** The ids of all products the list would show, page by page. */
  async function listIdsForOwner(query: StudioQuery): Promise<number[]> {
    const { where, params } = narrow(query);
    const rows = await db.select<{ id: number }>(
      `SELECT p.id FROM products p WHERE ${where} ORDER BY p.id LIMIT $limit`,
      {
        ...params,
        limit: query.pageSize,
      },
    );
    return rows.map((row) => row.id);
  }

  async function readRecord(slug: string): Promise<StoredProduct | null> {
    const [row] = await db.select<ProductFields>(
      `SELECT id, edit, name, brand, short_text shortText, full_text fullText, fulfilment, lead_days leadDays, is_shown isShown, is_free isFree, is_featured isFeatured, tax_rate taxRate,
         item_delivery_minor itemDeliveryMinor, suggestions, better, better_price_minor betterMinor, axes,
         (SELECT json_group_array(src) FROM (SELECT src FROM images WHERE product_id = p.id ORDER BY position, id)) pictures,
         (SELECT json_group_array(slug) FROM (SELECT c.slug FROM product_categories pc JOIN categories c ON c.id = pc.category_id
            WHERE pc.product_id = p.id ORDER BY c.position, c.id)) categories,
         (SELECT json_group_array(name) FROM (SELECT name FROM tags WHERE product_id = p.id ORDER BY name)) tags,
         (SELECT json_group_array(json_object('key', key, 'value', value)) FROM
            (SELECT key, value FROM attributes WHERE product_id = p.id ORDER BY position, key)) attributes,
         (SELECT json_group_array(json_object('id', id, 'sku', sku, 'choices', json(choices), 'priceMinor', price_minor, 'wasMinor', was_minor,
            'costMinor', cost_minor, 'stock', quantity, 'weightGrams', weight_grams, 'picture', image_src)) FROM
            (SELECT v.*, s.quantity FROM variants v LEFT JOIN stock_levels s ON s.variant_id = v.id WHERE v.product_id = p.id
             ORDER BY v.position, v.id)) variants
       FROM products p WHERE slug = $slug`,
      { slug },
    );
    if (!row) return null;
    const { id, edit, axes, suggestions, pictures, categories, tags, attributes, variants, ...fields } = row;
    // Every list was written from a record.
    const read = <Key extends keyof ProductRecord>(text: string) => JSON.parse(text) as ProductRecord[Key];
    return {
      id,
      slug,
      edit,
      record: {
        ...fields,
        isShown: row.isShown === 1,
        isFree: row.isFree === 1,
        isFeatured: row.isFeatured === 1,
        axes: read<'axes'>(axes),
        suggestions: read<'suggestions'>(suggestions),
        pictures: read<'pictures'>(pictures),
        categories: read<'categories'>(categories),
        tags: read<'tags'>(tags),
        attributes: read<'attributes'>(attributes),
        variants: read<'variants'>(variants),
      },
    };
  }

  /** Makes a product with nothing but a name; answers its id. Write its record after it. */
  async function insertProduct(slug: string, name: string, createdDay: string): Promise<number> {
    const [row] = await db.select<{ id: number }>(
      'INSERT INTO products (slug, name, created_day) VALUES ($slug, $name, $createdDay) RETURNING id',
      { slug, name, createdDay },
    );
    return row!.id;
  }

  /** SKUs among these that variants of other products have. */
  async function findTakenSkus(productId: number, skus: readonly string[]): Promise<string[]> {
    const rows = await db.select<{ sku: string }>(
      'SELECT sku FROM variants WHERE sku IN (SELECT value FROM json_each($skus)) AND product_id <> $productId',
      { productId, skus: JSON.stringify(skus) },
    );
    return rows.map((row) => row.sku);
  }

  /** Puts a record in the place of what there was. Call inside a transaction, and refresh figures and search after it. */
  async function writeRecord(productId: number, record: ProductRecord, now: number): Promise<void> {
    const {
      variants,
      pictures,
      categories,
      tags,
      attributes,
      axes,
      suggestions,
      isShown,
      isFree,
      isFeatured,
      ...fields
    } = record;
    const rows = JSON.stringify(variants.map((variant, position) => ({ ...variant, position })));
    await db.run(
      `UPDATE products SET edit = edit + 1, name = $name, brand = $brand, short_text = $shortText, full_text = $fullText,
         fulfilment = $fulfilment, lead_days = $leadDays, is_shown = $isShown, is_free = $isFree, is_featured = $isFeatured, tax_rate = $taxRate,
         item_delivery_minor = $itemDeliveryMinor, suggestions = $suggestions, better = $better,
         better_price_minor = $betterMinor, axes = $axes WHERE id = $productId`,
      {
        ...fields,
        isShown: isShown ? 1 : 0,
        isFree: isFree ? 1 : 0,
        isFeatured: isFeatured ? 1 : 0,
        axes: JSON.stringify(axes),
        suggestions: JSON.stringify(suggestions),
        productId,
      },
    );
    await db.run(
      `DELETE FROM variants WHERE product_id = $productId
         AND id NOT IN (SELECT value ->> 'id' FROM json_each($rows) WHERE value ->> 'id' IS NOT NULL)`,
      { productId, rows },
    );
    await db.run(
      `INSERT INTO price_changes (variant_id, price_minor, changed_at) SELECT v.id, r.value ->> 'priceMinor', $now
       FROM json_each($rows) r JOIN variants v ON v.id = r.value ->> 'id' WHERE v.price_minor <> r.value ->> 'priceMinor'`,
      { rows, now },
    );
    // Out of the way first: two variants may exchange their numbers.
    await db.run(`UPDATE variants SET sku = '\u0001' || id WHERE product_id = $productId`, { productId });
    await db.run(
      `UPDATE variants SET sku = r.value ->> 'sku', choices = r.value -> 'choices', price_minor = r.value ->> 'priceMinor',
         was_minor = r.value ->> 'wasMinor', cost_minor = r.value ->> 'costMinor', weight_grams = r.value ->> 'weightGrams',
         image_src = r.value ->> 'picture', position = r.value ->> 'position'
       FROM json_each($rows) r WHERE variants.id = r.value ->> 'id' AND variants.product_id = $productId`,
      { productId, rows },
    );
    await db.run(
      `INSERT INTO variants (product_id, sku, choices, price_minor, was_minor, cost_minor, weight_grams, image_src, position)
       SELECT $productId, value ->> 'sku', value -> 'choices', value ->> 'priceMinor', value ->> 'wasMinor', value ->> 'costMinor',
         value ->> 'weightGrams', value ->> 'picture', value ->> 'position' FROM json_each($rows) WHERE value ->> 'id' IS NULL`,
      { productId, rows },
    );
    await db.run(
      `INSERT INTO price_changes (variant_id, price_minor, changed_at) SELECT id, price_minor, $now FROM variants v
       WHERE product_id = $productId AND NOT EXISTS (SELECT 1 FROM price_changes c WHERE c.variant_id = v.id)`,
      { productId, now },
    );
    await db.run(
      `DELETE FROM stock_levels WHERE variant_id IN (SELECT v.id FROM json_each($rows) r JOIN variants v ON v.sku = r.value ->> 'sku'
         WHERE r.value ->> 'stock' IS NULL)`,
      { rows },
    );
    await db.run(
      `INSERT INTO stock_levels (variant_id, quantity) SELECT v.id, r.value ->> 'stock' FROM json_each($rows) r
       JOIN variants v ON v.sku = r.value ->> 'sku' WHERE r.value ->> 'stock' IS NOT NULL
       ON CONFLICT (variant_id) DO UPDATE SET quantity = excluded.quantity`,
      { rows },
    );
    await writeLists(productId, { pictures, categories, tags, attributes });
  }

  async function writeLists(
    productId: number,
    lists: Pick<ProductRecord, 'pictures' | 'categories' | 'tags' | 'attributes'>,
  ): Promise<void> {
    const places = await db.select<{ categoryId: number; place: number }>(
      'SELECT category_id categoryId, place FROM product_categories WHERE product_id = $productId AND place IS NOT NULL',
      { productId },
    );
    for (const table of ['images', 'product_categories', 'tags', 'attributes'])
      await db.run(`DELETE FROM ${table} WHERE product_id = $productId`, { productId });
    await db.run('INSERT INTO images (product_id, src, position) SELECT $productId, value, key FROM json_each($list)', {
      productId,
      list: JSON.stringify(lists.pictures),
    });
    await db.run(
      `INSERT OR IGNORE INTO product_categories (product_id, category_id) SELECT $productId, c.id FROM json_each($list)
       JOIN categories c ON c.slug = value`,
      { productId, list: JSON.stringify(lists.categories) },
    );
    // Where it stood by hand it stands still.
    await db.run(
      `UPDATE product_categories SET place = (SELECT value ->> 'place' FROM json_each($places)
         WHERE value ->> 'categoryId' = category_id) WHERE product_id = $productId`,
      { productId, places: JSON.stringify(places) },
    );
    await db.run('INSERT OR IGNORE INTO tags (product_id, name) SELECT $productId, value FROM json_each($list)', {
      productId,
      list: JSON.stringify(lists.tags),
    });
    await db.run(
      `INSERT INTO attributes (product_id, key, value, position) SELECT $productId, value ->> 'key', value ->> 'value', key
       FROM json_each($list)`,
      { productId, list: JSON.stringify(lists.attributes) },
    );
  }

  /** Prices a product has had, newest first. */
  async function listPrices(
    productId: number,
    limit: number,
  ): Promise<{ sku: string; priceMinor: number; at: number }[]> {
    return db.select(
      `SELECT v.sku, c.price_minor priceMinor, c.changed_at at FROM price_changes c JOIN variants v ON v.id = c.variant_id
       WHERE v.product_id = $productId ORDER BY c.changed_at DESC, c.id DESC LIMIT $limit`,
      { productId, limit },
    );
  }

  /** What buyers said of a product, newest first. */
  async function listReviews(productId: number, limit: number): Promise<StoredReview[]> {
    const rows = await db.select<Omit<StoredReview, 'isHidden'> & { isHidden: number }>(
      `SELECT id, author, stars, text, day, answer, is_hidden isHidden FROM reviews WHERE product_id = $productId
       ORDER BY day DESC, id DESC LIMIT $limit`,
      { productId, limit },
    );
    return rows.map((row) => ({ ...row, isHidden: row.isHidden === 1 }));
  }

  /** Hides, shows or answers a review of a product; its stars count while it is shown. False: there is no such review. */
  async function writeReview(
    productId: number,
    id: number,
    { isHidden, answer }: Pick<StoredReview, 'isHidden' | 'answer'>,
  ): Promise<boolean> {
    const written = await db.run(
      'UPDATE reviews SET is_hidden = $isHidden, answer = $answer WHERE id = $id AND product_id = $productId',
      { id, productId, isHidden: isHidden ? 1 : 0, answer },
    );
    if (written === 0) return false;
    await db.run(
      `UPDATE products SET (rating_stars, rating_count) = (SELECT round(avg(stars), 1), count(*) FROM reviews r
         WHERE r.product_id = products.id AND is_hidden = 0) WHERE id = $productId`,
      { productId },
    );
    await bumpVersion();
    return true;
  }

  async function deleteProduct(productId: number): Promise<void> {
    await db.run('DELETE FROM product_search WHERE rowid = $productId', { productId });
    await db.run('DELETE FROM products WHERE id = $productId', { productId });
    await bumpVersion();
  }

  /** Says of products whose SKUs begin so that they are examples; answers how many. */
  async function markExamples(skuStart: string): Promise<number> {
    return db.run(
      'UPDATE products SET is_example = 1 WHERE id IN (SELECT product_id FROM variants WHERE substr(sku, 1, length($skuStart)) = $skuStart)',
      { skuStart },
    );
  }

  async function countExamples(): Promise<number> {
    const [row] = await db.select<{ n: number }>('SELECT count(*) n FROM products WHERE is_example = 1');
    return row!.n;
  }

  /** Takes away the examples, and categories that hold nothing after that but held one. Answers how many products went. */
  async function deleteExamples(): Promise<number> {
    const held = await db.select<{ id: number }>(
      'SELECT DISTINCT category_id id FROM product_categories WHERE product_id IN (SELECT id FROM products WHERE is_example = 1)',
    );
    await db.run('DELETE FROM product_search WHERE rowid IN (SELECT id FROM products WHERE is_example = 1)');
    const gone = await db.run('DELETE FROM products WHERE is_example = 1');
    await db.run(
      `DELETE FROM categories WHERE id IN (SELECT value FROM json_each($ids))
         AND NOT EXISTS (SELECT 1 FROM product_categories WHERE category_id = categories.id)
         AND NOT EXISTS (SELECT 1 FROM categories child WHERE child.parent_id = categories.id)`,
      { ids: JSON.stringify(held.map((row) => row.id)) },
    );
    await bumpVersion();
    return gone;
  }

  return {
    listForOwner,
    listIdsForOwner,
    readRecord,
    insertProduct,
    findTakenSkus,
    writeRecord,
    listPrices,
    listReviews,
    writeReview,
    deleteProduct,
    markExamples,
    countExamples,
    deleteExamples,
  };
}
