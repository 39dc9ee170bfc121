import { namesOfGoods } from './catalogue-names';
import { productRelations } from './catalogue-relations';
import { listingRows, listingVariants } from './catalogue-listing-rows';
import type { Category } from '~/core/catalogue';
import type { CategoryTexts } from '~/core/lane';
import type { Database } from '../database';

/** Lists and searches of the catalogue. */
export function catalogueListings(db: Database) {
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
      // Counted in one pass: each product in its categories and their parents.
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
  /** Names and texts of the categories whose text refers to a piece or a fact. */
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
    ...listingRows(db),
    ...listingVariants(db),
    ...productRelations(db),
    ...namesOfGoods(db),
    listCategories,
    categoryTexts,
    listSlugs,
    findSamples,
  };
}
