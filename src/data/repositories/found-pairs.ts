import type { DecidedPair } from '~/core/finder';
import type { Database } from '../database';

/** Products bought together, and what the owner decided about them. */
export function foundPairs(db: Database) {
  /** Products of all paid orders, oldest first, an order's together; weeks count from 1970. */
  async function listBaskets(): Promise<{ basket: number; product: string; week: number }[]> {
    return db.select(
      `SELECT o.id basket, p.slug product, o.placed_at / 604800000 week FROM orders o
         JOIN order_lines l ON l.order_id = o.id JOIN variants v ON v.id = l.variant_id JOIN products p ON p.id = v.product_id
       WHERE o.status = 'paid' AND o.cancelled_at IS NULL AND p.is_shown = 1 ORDER BY o.id`,
    );
  }

  /** SKUs and names of what is sold, with the product each means. */
  async function listNames(): Promise<{ name: string; slug: string }[]> {
    return db.select(
      `SELECT name, slug FROM products UNION ALL
         SELECT v.sku, p.slug FROM variants v JOIN products p ON p.id = v.product_id`,
    );
  }

  async function listDecided(): Promise<DecidedPair[]> {
    return db.select<DecidedPair>('SELECT a, b, state, both, baskets, lift FROM found_pairs');
  }

  /** Call inside a transaction. */
  async function decide(pairs: readonly DecidedPair[], at: number): Promise<void> {
    await db.run(
      `INSERT INTO found_pairs (a, b, state, both, baskets, lift, at)
         SELECT value ->> 'a', value ->> 'b', value ->> 'state', value ->> 'both', value ->> 'baskets', value ->> 'lift', $at
         FROM json_each($pairs) WHERE true
       ON CONFLICT (a, b) DO UPDATE SET state = excluded.state, both = excluded.both, baskets = excluded.baskets,
         lift = excluded.lift, at = excluded.at`,
      { pairs: JSON.stringify(pairs), at },
    );
  }

  async function readPicks(slug: string): Promise<string[] | null> {
    const [row] = await db.select<{ suggestions: string }>('SELECT suggestions FROM products WHERE slug = $slug', {
      slug,
    });
    return row ? (JSON.parse(row.suggestions) as string[]) : null;
  }

  async function writePicks(slug: string, suggestions: readonly string[]): Promise<void> {
    await db.run('UPDATE products SET suggestions = $suggestions, edit = edit + 1 WHERE slug = $slug', {
      slug,
      suggestions: JSON.stringify(suggestions),
    });
  }

  /** Products that nothing is suggested for: nobody picked any, and none shares a tag or a category. */
  async function listUncovered(most: number): Promise<{ slug: string; name: string }[]> {
    return db.select(
      `SELECT p.slug, p.name FROM products p WHERE p.is_shown = 1 AND json_array_length(p.suggestions) = 0
         AND NOT EXISTS (SELECT 1 FROM tags t JOIN tags o ON o.name = t.name AND o.product_id <> t.product_id WHERE t.product_id = p.id)
         AND NOT EXISTS (SELECT 1 FROM product_categories c JOIN product_categories o ON o.category_id = c.category_id
           AND o.product_id <> c.product_id WHERE c.product_id = p.id)
       ORDER BY p.name LIMIT $most`,
      { most },
    );
  }

  return { listBaskets, listNames, listDecided, decide, readPicks, writePicks, listUncovered };
}
