import type { ShownPrice } from '~/core/pricing';
import type { Database } from '../database';

/** A variant with what its shown price depends on, and the last price recorded. */
export interface ShownGood {
  readonly variantId: number;
  readonly productId: number;
  readonly sku: string;
  readonly slug: string;
  readonly listMinor: number;
  /** Null: none has been recorded yet. */
  readonly shownMinor: number | null;
  readonly shownBy: string;
  /** Slugs, parents included. */
  readonly categories: readonly string[];
  readonly tags: readonly string[];
}

export interface ShownChange extends ShownPrice {
  readonly variantId: number;
}

/** What prices were shown when. */
export function shownPriceRepository(db: Database) {
  /** Until when the history is recorded (milliseconds since 1970); null: not at all. */
  async function readSettled(): Promise<number | null> {
    const [row] = await db.select<{ at: number }>('SELECT at FROM shown_state WHERE id = 1');
    return row?.at ?? null;
  }

  async function writeSettled(at: number): Promise<void> {
    await db.run('INSERT INTO shown_state (id, at) VALUES (1, $at) ON CONFLICT (id) DO UPDATE SET at = $at', { at });
  }

  /** Variants that are sold, after one, in the order of their ids; of these products alone, where some are named. */
  async function listGoods(after: number, limit: number, productIds: readonly number[] | null): Promise<ShownGood[]> {
    const rows = await db.select<Omit<ShownGood, 'categories' | 'tags'> & { categories: string; tags: string }>(
      `SELECT v.id variantId, v.product_id productId, v.sku, p.slug, v.price_minor listMinor, v.shown_minor shownMinor, v.shown_by shownBy,
         (SELECT json_group_array(DISTINCT s.slug) FROM product_categories pc JOIN categories c ON c.id = pc.category_id
            JOIN categories s ON s.id = c.id OR s.id = c.parent_id WHERE pc.product_id = p.id) categories,
         (SELECT json_group_array(name) FROM tags t WHERE t.product_id = p.id) tags
       FROM variants v JOIN products p ON p.id = v.product_id
       WHERE v.id > $after AND p.is_shown = 1 ${productIds ? 'AND v.product_id IN (SELECT value FROM json_each($ids))' : ''}
       ORDER BY v.id LIMIT $limit`,
      { after, limit, ...(productIds && { ids: JSON.stringify(productIds) }) },
    );
    return rows.map((row) => ({
      ...row,
      categories: JSON.parse(row.categories) as string[],
      tags: JSON.parse(row.tags) as string[],
    }));
  }

  /** What variants were shown to cost in a currency, oldest first. */
  async function listHistory(variantIds: readonly number[], currency: string): Promise<Map<number, ShownPrice[]>> {
    const rows = await db.select<ShownChange>(
      `SELECT variant_id variantId, at, price_minor priceMinor, list_minor listMinor, by_offers "by" FROM shown_prices
       WHERE variant_id IN (SELECT value FROM json_each($ids)) AND currency = $currency ORDER BY at, id`,
      { ids: JSON.stringify(variantIds), currency },
    );
    const found = new Map<number, ShownPrice[]>(variantIds.map((id) => [id, []]));
    for (const { variantId, ...price } of rows) found.get(variantId)!.push(price);
    return found;
  }

  /** Prices of variants before offers since a moment, oldest first, with the one that stood then. */
  async function listListPrices(
    variantIds: readonly number[],
    since: number,
  ): Promise<Map<number, { at: number; priceMinor: number }[]>> {
    const rows = await db.select<{ variantId: number; at: number; priceMinor: number }>(
      `SELECT variant_id variantId, changed_at at, price_minor priceMinor FROM price_changes c
       WHERE variant_id IN (SELECT value FROM json_each($ids)) AND changed_at >= coalesce((SELECT max(changed_at) FROM price_changes o
         WHERE o.variant_id = c.variant_id AND o.changed_at <= $since), 0) ORDER BY changed_at, id`,
      { ids: JSON.stringify(variantIds), since },
    );
    const found = new Map<number, { at: number; priceMinor: number }[]>(variantIds.map((id) => [id, []]));
    for (const { variantId, ...price } of rows) found.get(variantId)!.push(price);
    return found;
  }

  /** Records price changes in order, and the price that holds now. Call inside a transaction. */
  async function write(changes: readonly ShownChange[], currency: string): Promise<void> {
    const params = { rows: JSON.stringify(changes), currency };
    await db.run(
      `INSERT INTO shown_prices (variant_id, at, price_minor, list_minor, by_offers, currency)
       SELECT value ->> 'variantId', value ->> 'at', value ->> 'priceMinor', value ->> 'listMinor', value ->> 'by', $currency
       FROM json_each($rows) ORDER BY key`,
      params,
    );
    // The last change of each variant holds.
    await db.run(
      `UPDATE variants SET shown_minor = r.price, shown_by = r.by FROM (
         SELECT value ->> 'variantId' id, value ->> 'priceMinor' price, value ->> 'by' "by", max(key) FROM json_each($rows) GROUP BY 1) r
       WHERE variants.id = r.id`,
      { rows: params.rows },
    );
  }

  /** Keeps the lowest price before for each variant: rows of [id, lowest]. */
  async function writeLows(rows: readonly (readonly [number, number | null])[]): Promise<void> {
    await db.run(
      'UPDATE variants SET low_minor = r.value ->> 1 FROM json_each($rows) r WHERE variants.id = r.value ->> 0',
      { rows: JSON.stringify(rows) },
    );
  }

  return { readSettled, writeSettled, listGoods, listHistory, listListPrices, write, writeLows };
}
