import type { Mentions, ShopNames } from '~/core/lane';
import type { Database } from '../database';

/** What things are called. */
export function namesOfGoods(db: Database) {
  /** Names of the products shown, by slug. */
  async function listNames(): Promise<Record<string, string>> {
    const rows = await db.select<{ slug: string; name: string }>('SELECT slug, name FROM products WHERE is_shown = 1');
    return Object.fromEntries(rows.map(({ slug, name }) => [slug, name]));
  }
  /** Names of some products that are shown, by slug. */
  async function namesOf(slugs: readonly string[]): Promise<Record<string, string>> {
    if (slugs.length === 0) return {};
    const rows = await db.select<{ slug: string; name: string }>(
      'SELECT slug, name FROM products WHERE is_shown = 1 AND slug IN (SELECT value FROM json_each($slugs))',
      { slugs: JSON.stringify(slugs) },
    );
    return Object.fromEntries(rows.map(({ slug, name }) => [slug, name]));
  }
  /** What things are called, shown or not; variants by their product and their choices. */
  async function shopNames({ product, category, variant }: Mentions): Promise<ShopNames> {
    const ask = (sql: string, keys: readonly string[]) =>
      keys.length === 0
        ? []
        : db.select<{ key: string; name: string }>(`${sql} IN (SELECT value FROM json_each($keys))`, {
            keys: JSON.stringify(keys),
          });
    const [products, categories, variants] = await Promise.all([
      ask('SELECT slug key, name FROM products WHERE slug', product),
      ask('SELECT slug key, name FROM categories WHERE slug', category),
      ask(
        `SELECT v.sku key, p.name || coalesce(', ' || (SELECT group_concat(value, ', ') FROM json_each(v.choices)), '') name
         FROM variants v JOIN products p ON p.id = v.product_id WHERE v.sku`,
        variant,
      ),
    ]);
    const byKey = (rows: readonly { key: string; name: string }[]) =>
      Object.fromEntries(rows.map(({ key, name }) => [key, name]));
    return { product: byKey(products), category: byKey(categories), variant: byKey(variants) };
  }

  return { listNames, namesOf, shopNames };
}
