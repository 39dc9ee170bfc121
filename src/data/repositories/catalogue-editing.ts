import { recordWriting } from './catalogue-record';
import { ownersList } from './catalogue-owner-list';
import type { ProductRecord, StoredReview } from '~/core/catalogue';
import type { Database } from '../database';
import { catalogueState } from './catalogue-state';

export interface StoredProduct {
  readonly id: number;
  readonly slug: string;
  /** Counts every change; a change must name the one it was made on. */
  readonly edit: number;
  readonly record: ProductRecord;
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

function reviewsAndPrices(db: Database) {
  const { bumpVersion } = catalogueState(db);
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

  return { listPrices, listReviews, writeReview };
}

function exampleProducts(db: Database) {
  const { bumpVersion } = catalogueState(db);
  /** Marks products whose SKUs begin so as examples; returns how many. */
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
  /** Deletes the examples and the categories that are empty without them; returns how many products went. */
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

  return { markExamples, countExamples, deleteExamples };
}

/** Products as their owner edits them. */
export function catalogueEditing(db: Database) {
  const { bumpVersion } = catalogueState(db);
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
  /** Creates a product with only a name; returns its id. Write its record afterwards. */
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
  async function deleteProduct(productId: number): Promise<void> {
    await db.run('DELETE FROM product_search WHERE rowid = $productId', { productId });
    await db.run('DELETE FROM products WHERE id = $productId', { productId });
    await bumpVersion();
  }
  return {
    ...ownersList(db),
    ...recordWriting(db),
    ...reviewsAndPrices(db),
    ...exampleProducts(db),
    readRecord,
    insertProduct,
    findTakenSkus,
    deleteProduct,
  };
}
