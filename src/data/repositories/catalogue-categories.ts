import type { EditedCategory } from '~/core/catalogue';
import type { Database } from '../database';
import { catalogueState } from './catalogue-state';

/** Categories as their owner edits them. */
export function catalogueCategories(db: Database) {
  const { bumpVersion } = catalogueState(db);

  async function listEdited(): Promise<EditedCategory[]> {
    return db.select(
      `SELECT c.slug, c.name, c.description text, c.image_src picture, p.slug parent,
         (SELECT count(*) FROM product_categories pc WHERE pc.category_id = c.id) products
       FROM categories c LEFT JOIN categories p ON p.id = c.parent_id
       ORDER BY coalesce(p.position, c.position), coalesce(p.id, c.id), p.id IS NOT NULL, c.position, c.id`,
    );
  }

  /** Puts these in the place of all there are. Call inside a transaction. */
  async function writeCategories(
    rows: readonly (Omit<EditedCategory, 'products'> & { readonly position: number })[],
  ): Promise<void> {
    const params = { rows: JSON.stringify(rows) };
    await db.run(`DELETE FROM categories WHERE slug NOT IN (SELECT value ->> 'slug' FROM json_each($rows))`, params);
    await db.run(
      `INSERT INTO categories (slug, name, description, image_src, position)
       SELECT value ->> 'slug', value ->> 'name', value ->> 'text', value ->> 'picture', value ->> 'position' FROM json_each($rows) WHERE true
       ON CONFLICT (slug) DO UPDATE SET name = excluded.name, description = excluded.description, image_src = excluded.image_src,
         position = excluded.position`,
      params,
    );
    await db.run(
      `UPDATE categories SET parent_id = (SELECT p.id FROM json_each($rows) r JOIN categories p ON p.slug = r.value ->> 'parent'
         WHERE r.value ->> 'slug' = categories.slug)`,
      params,
    );
    await bumpVersion();
  }

  /** Products that stand in a category itself, arranged ones first. */
  async function listArranged(
    category: string,
    most: number,
  ): Promise<{ slug: string; name: string; picture: string | null; place: number | null }[]> {
    return db.select(
      `SELECT p.slug, p.name, pc.place, (SELECT src FROM images i WHERE i.product_id = p.id ORDER BY position LIMIT 1) picture
       FROM product_categories pc JOIN categories c ON c.id = pc.category_id JOIN products p ON p.id = pc.product_id
       WHERE c.slug = $category ORDER BY pc.place NULLS LAST, p.is_featured DESC, p.sold_count DESC, p.id LIMIT $most`,
      { category, most },
    );
  }

  /** Places by the order of the names; every other product of the category has none. */
  async function writePlaces(category: string, slugs: readonly string[]): Promise<void> {
    await db.run(
      `UPDATE product_categories SET place = (SELECT n.key FROM json_each($slugs) n JOIN products p ON p.slug = n.value
         WHERE p.id = product_categories.product_id) WHERE category_id = (SELECT id FROM categories WHERE slug = $category)`,
      { category, slugs: JSON.stringify(slugs) },
    );
    await bumpVersion();
  }

  /** Products in these categories, or in one within them. */
  async function listProductsIn(slugs: readonly string[]): Promise<number[]> {
    const rows = await db.select<{ id: number }>(
      `SELECT DISTINCT pc.product_id id FROM product_categories pc JOIN categories c ON c.id = pc.category_id
       LEFT JOIN categories p ON p.id = c.parent_id WHERE c.slug IN (SELECT value FROM json_each($slugs)) OR p.slug IN (SELECT value FROM json_each($slugs))`,
      { slugs: JSON.stringify(slugs) },
    );
    return rows.map((row) => row.id);
  }

  return { listEdited, writeCategories, listArranged, writePlaces, listProductsIn };
}
