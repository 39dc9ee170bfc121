import type { Relatable } from '~/core/suggest';
import type { Database } from '../database';

/** Which products go with others. */
export function productRelations(db: Database) {
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

  return { listPicked, taggedAmong, betterOf, listRelatable };
}
