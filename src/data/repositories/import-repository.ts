import { importRecords } from './import-records';
import { uniqueSlug, type Fulfilment } from '~/core/catalogue';
import type { KnownSku, PlannedProduct } from '~/core/formats';
import type { Database } from '../database';

/** What the generator of the demo knows beyond what a file can say. */
export interface ImportedProduct extends PlannedProduct {
  readonly slug: string;
  readonly fulfilment?: Fulfilment;
  readonly videoSrc?: string | null;
  readonly leadDays?: number | null;
  readonly downloadFile?: string | null;
  readonly createdDay: string;
}

/** What a file may change of a variant and its product. */
export interface KnownFacts {
  readonly name: string;
  readonly brand: string;
  readonly shortText: string;
  readonly fullText: string;
  readonly priceMinor: number;
  readonly wasMinor: number | null;
  readonly costMinor: number | null;
  readonly stock: number | null;
  readonly weightGrams: number;
}

function importedRows(db: Database) {
  async function writeProductRows(products: readonly ImportedProduct[]): Promise<Map<string, number>> {
    const rows = products.map((product) => ({ ...product, variants: undefined }));
    await db.run(
      `UPDATE products SET name = r.value ->> 'name', brand = coalesce(r.value ->> 'brand', brand), short_text = coalesce(r.value ->> 'shortText', short_text),
         full_text = coalesce(r.value ->> 'fullText', full_text),
         axes = CASE WHEN json_array_length(r.value -> 'axes') > 0 THEN r.value -> 'axes' ELSE axes END
       FROM json_each($rows) r WHERE products.id = r.value ->> 'productId'`,
      { rows: JSON.stringify(rows) },
    );
    const fresh = rows.filter((row) => row.productId === null);
    await db.run(
      `INSERT INTO products (slug, name, brand, short_text, full_text, fulfilment, axes, video_src, lead_days, download_file, created_day)
       SELECT value ->> 'slug', value ->> 'name', coalesce(value ->> 'brand', ''), coalesce(value ->> 'shortText', ''), coalesce(value ->> 'fullText', ''),
         coalesce(value ->> 'fulfilment', 'parcel'), value -> 'axes', value ->> 'videoSrc', value ->> 'leadDays', value ->> 'downloadFile', value ->> 'createdDay' FROM json_each($rows)`,
      { rows: JSON.stringify(fresh) },
    );
    const found = await db.select<{ id: number; slug: string }>(
      'SELECT id, slug FROM products WHERE slug IN (SELECT value FROM json_each($slugs))',
      {
        slugs: JSON.stringify(fresh.map((row) => row.slug)),
      },
    );
    return new Map(found.map((row) => [row.slug, row.id]));
  }
  async function writeImages(
    products: readonly ImportedProduct[],
    idOf: (product: ImportedProduct) => number,
  ): Promise<void> {
    const withImages = products.filter((product) => product.images !== null);
    await db.run('DELETE FROM images WHERE product_id IN (SELECT value FROM json_each($ids))', {
      ids: JSON.stringify(withImages.map(idOf)),
    });
    const rows = withImages.flatMap((product) =>
      product.images!.map((src, position) => [idOf(product), src, product.name, position]),
    );
    await db.run(
      'INSERT INTO images (product_id, src, alt, position) SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3 FROM json_each($rows)',
      { rows: JSON.stringify(rows) },
    );
  }
  /** Categories are found by name under their parent, and made when they are new. */
  async function writeCategories(
    products: readonly ImportedProduct[],
    idOf: (product: ImportedProduct) => number,
  ): Promise<void> {
    const known = await db.select<{ id: number; name: string; parent_id: number | null; slug: string }>(
      'SELECT id, name, parent_id, slug FROM categories',
    );
    const slugs = new Set(known.map((category) => category.slug));
    const links: [number, number][] = [];
    for (const product of products) {
      for (const path of product.categories ?? []) {
        let parent: number | null = null;
        for (const name of path) {
          let found: (typeof known)[number] | undefined = known.find(
            (category) => category.name === name && category.parent_id === parent,
          );
          if (!found) {
            const slug = uniqueSlug(name, slugs);
            await db.run(
              'INSERT INTO categories (slug, name, parent_id, position) VALUES ($slug, $name, $parent, 1000)',
              { slug, name, parent },
            );
            const [row] = await db.select<{ id: number }>('SELECT id FROM categories WHERE slug = $slug', { slug });
            known.push((found = { id: row!.id, name, parent_id: parent, slug }));
          }
          parent = found.id;
        }
        if (parent !== null) links.push([idOf(product), parent]);
      }
    }
    await db.run(
      'INSERT OR IGNORE INTO product_categories (product_id, category_id) SELECT value ->> 0, value ->> 1 FROM json_each($rows)',
      { rows: JSON.stringify(links) },
    );
  }

  return { writeProductRows, writeImages, writeCategories };
}

function importedProducts(db: Database) {
  const { writeProductRows, writeImages, writeCategories } = importedRows(db);
  /**
   * Writes products with everything that hangs on them, by JSON parameters. Facts that are null keep what is there.
   * Call inside a transaction. Answers the ids of the products.
   */
  async function writeProducts(products: readonly ImportedProduct[], now: number): Promise<number[]> {
    const ids = await writeProductRows(products);
    const idOf = (product: ImportedProduct) => product.productId ?? ids.get(product.slug)!;
    await writeVariants(products, idOf, now);
    await writeImages(products, idOf);
    await writeCategories(products, idOf);
    const tags = products.flatMap((product) => (product.tags ?? []).map((tag) => [idOf(product), tag]));
    await db.run(
      'INSERT OR IGNORE INTO tags (product_id, name) SELECT value ->> 0, value ->> 1 FROM json_each($rows)',
      { rows: JSON.stringify(tags) },
    );
    const attributes = products.flatMap((product) =>
      product.attributes.map(({ key, value }, position) => [idOf(product), key, value, position]),
    );
    await db.run(
      `INSERT INTO attributes (product_id, key, value, position) SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3 FROM json_each($rows) WHERE true
       ON CONFLICT (product_id, key) DO UPDATE SET value = excluded.value`,
      { rows: JSON.stringify(attributes) },
    );
    return products.map(idOf);
  }
  async function writeVariants(
    products: readonly ImportedProduct[],
    idOf: (product: ImportedProduct) => number,
    now: number,
  ): Promise<void> {
    const rows = products.flatMap((product) =>
      product.variants.map((variant, position) => ({
        ...variant,
        choices: JSON.stringify(variant.choices),
        productId: idOf(product),
        position,
      })),
    );
    const params = { rows: JSON.stringify(rows) };
    await db.run(
      `INSERT INTO price_changes (variant_id, price_minor, changed_at) SELECT v.id, r.value ->> 'priceMinor', $now FROM json_each($rows) r
       JOIN variants v ON v.sku = r.value ->> 'sku' WHERE v.price_minor <> r.value ->> 'priceMinor'`,
      { ...params, now },
    );
    await db.run(
      `INSERT INTO variants (product_id, sku, choices, price_minor, was_minor, cost_minor, weight_grams, image_src, position)
       SELECT value ->> 'productId', value ->> 'sku', value ->> 'choices', value ->> 'priceMinor', value ->> 'wasMinor', value ->> 'costMinor',
         coalesce(value ->> 'weightGrams', 0), value ->> 'imageSrc', value ->> 'position' FROM json_each($rows) WHERE true
       ON CONFLICT (sku) DO UPDATE SET choices = excluded.choices, price_minor = excluded.price_minor,
         was_minor = coalesce(excluded.was_minor, was_minor), cost_minor = coalesce(excluded.cost_minor, cost_minor),
         weight_grams = CASE WHEN excluded.weight_grams > 0 THEN excluded.weight_grams ELSE weight_grams END`,
      params,
    );
    await db.run(
      `INSERT INTO price_changes (variant_id, price_minor, changed_at) SELECT v.id, v.price_minor, $now FROM json_each($rows) r
       JOIN variants v ON v.sku = r.value ->> 'sku' WHERE NOT EXISTS (SELECT 1 FROM price_changes c WHERE c.variant_id = v.id)`,
      { ...params, now },
    );
    await db.run(
      `INSERT INTO stock_levels (variant_id, quantity) SELECT v.id, r.value ->> 'stock' FROM json_each($rows) r
       JOIN variants v ON v.sku = r.value ->> 'sku' WHERE r.value ->> 'stock' IS NOT NULL
       ON CONFLICT (variant_id) DO UPDATE SET quantity = excluded.quantity`,
      params,
    );
  }

  return { writeProducts };
}

export function importRepository(db: Database) {
  async function knownSkus(): Promise<Map<string, KnownSku>> {
    const rows = await db.select<{ sku: string; id: number; name: string }>(
      'SELECT v.sku, p.id, p.name FROM variants v JOIN products p ON p.id = v.product_id',
    );
    return new Map(rows.map((row) => [row.sku, { productId: row.id, productName: row.name }]));
  }
  /** What variants with these SKUs are now, and their products. */
  async function findFacts(skus: readonly string[]): Promise<Map<string, KnownFacts>> {
    const rows = await db.select<KnownFacts & { sku: string }>(
      `SELECT v.sku, p.name, p.brand, p.short_text shortText, p.full_text fullText, v.price_minor priceMinor, v.was_minor wasMinor,
         v.cost_minor costMinor, s.quantity stock, v.weight_grams weightGrams
       FROM variants v JOIN products p ON p.id = v.product_id LEFT JOIN stock_levels s ON s.variant_id = v.id
       WHERE v.sku IN (SELECT value FROM json_each($skus))`,
      { skus: JSON.stringify(skus) },
    );
    return new Map(rows.map(({ sku, ...facts }) => [sku, facts]));
  }
  /** What is known of these SKUs. */
  async function findSkus(skus: readonly string[]): Promise<Map<string, KnownSku>> {
    const rows = await db.select<{ sku: string; id: number; name: string }>(
      `SELECT v.sku, p.id, p.name FROM variants v JOIN products p ON p.id = v.product_id
       WHERE v.sku IN (SELECT value FROM json_each($skus))`,
      { skus: JSON.stringify(skus) },
    );
    return new Map(rows.map((row) => [row.sku, { productId: row.id, productName: row.name }]));
  }
  /** Slugs of products made after one, and the number of the last. */
  async function listSlugsAfter(id: number): Promise<{ id: number; slug: string }[]> {
    return db.select('SELECT id, slug FROM products WHERE id > $id ORDER BY id', { id });
  }
  /** Which of these products are meant to cost nothing. */
  async function findFree(productIds: readonly number[]): Promise<Set<number>> {
    const rows = await db.select<{ id: number }>(
      'SELECT id FROM products WHERE is_free = 1 AND id IN (SELECT value FROM json_each($ids))',
      { ids: JSON.stringify(productIds) },
    );
    return new Set(rows.map(({ id }) => id));
  }
  /** Marks products without a price as free, or hides them until they have one. */
  async function keepFree(productIds: readonly number[], isMeant: boolean): Promise<void> {
    await db.run(
      `UPDATE products SET ${isMeant ? 'is_free = 1' : 'is_shown = 0'}
       WHERE is_free = 0 AND id IN (SELECT value FROM json_each($ids))
         AND EXISTS (SELECT 1 FROM variants v WHERE v.product_id = products.id AND v.price_minor = 0)`,
      { ids: JSON.stringify(productIds) },
    );
  }
  return {
    ...importRecords(db),
    ...importedProducts(db),
    knownSkus,
    findFacts,
    findSkus,
    findFree,
    keepFree,
    listSlugsAfter,
  };
}
