import { soldVariants, variantLookups, type VariantRow } from './catalogue-variants';
import { addOnsAndOptions } from './catalogue-options';
import type { Picture, Product, Review, Variant } from '~/core/catalogue';
import { minor } from '~/core/money';
import type { OptionRule } from '~/core/options';
import type { Database } from '../database';
import { catalogueBulk } from './catalogue-bulk';
import { catalogueCategories } from './catalogue-categories';
import { catalogueEditing } from './catalogue-editing';
import { catalogueFacets } from './catalogue-facets';
import { catalogueListings } from './catalogue-listings';
import { catalogueSearch } from './catalogue-search';
import { catalogueState } from './catalogue-state';
import { catalogueStock } from './catalogue-stock';
import { ratingOf, type ProductRow } from './product-row';

/** Products as they are sold, with their options; listings and stock are beside it. */
export function catalogueRepository(db: Database) {
  const { readState } = catalogueState(db);
  const { withAddOns } = addOnsAndOptions(db);

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
      db.select<Review>(
        'SELECT author, stars, text, day, answer FROM reviews WHERE product_id = $id AND is_hidden = 0 ORDER BY stars DESC, day DESC LIMIT 20',
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
      leadDays: row.lead_days,
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
  /** Every product, shown or not. */
  async function countAll(): Promise<number> {
    const [row] = await db.select<{ n: number }>('SELECT count(*) n FROM products');
    return row!.n;
  }
  /** Products that shoppers see, and those of them with a variant that costs nothing. */
  async function countShown(): Promise<{ shown: number; free: number }> {
    const [row] = await db.select<{ shown: number; free: number }>(
      `SELECT count(*) shown, coalesce(sum(p.is_free = 0 AND EXISTS (SELECT 1 FROM variants v WHERE v.product_id = p.id AND v.price_minor = 0)), 0) free
       FROM products p WHERE p.is_shown = 1`,
    );
    return row!;
  }
  return {
    ...addOnsAndOptions(db),
    ...soldVariants(db),
    ...variantLookups(db),
    countAll,
    countShown,
    ...catalogueBulk(db),
    ...catalogueCategories(db),
    ...catalogueEditing(db),
    ...catalogueFacets(db),
    ...catalogueListings(db),
    ...catalogueStock(db),
    ...catalogueSearch(db),
    readState,
    findProduct,
  };
}

function toVariant(row: VariantRow, name: string): Variant {
  return {
    id: row.id,
    sku: row.sku,
    choices: JSON.parse(row.choices) as Record<string, string>,
    priceMinor: minor(row.price_minor),
    // Struck through is only what was shown before it was lowered.
    wasMinor:
      row.was_minor !== null && row.was_minor > row.price_minor && row.low_minor !== null ? minor(row.was_minor) : null,
    lowMinor: row.low_minor === null ? null : minor(row.low_minor),
    stock: row.quantity,
    weightGrams: row.weight_grams,
    picture: row.image_src ? { src: row.image_src, alt: name } : null,
  };
}
