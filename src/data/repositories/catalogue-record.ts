import type { ProductRecord } from '~/core/catalogue';
import type { Database } from '../database';

export function recordLists(db: Database) {
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
    // A position set by hand is kept.
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

  return { writeLists };
}

export function recordWriting(db: Database) {
  const { writeLists } = recordLists(db);
  /** Replaces a product's record. Call inside a transaction, and refresh figures and search after it. */
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
    // Renamed first: two variants may exchange their SKUs.
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

  return { writeRecord };
}
