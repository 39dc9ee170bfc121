import type { BulkChange, BulkSummary } from '~/core/catalogue';
import type { Database } from '../database';

/** A variant's price as a bulk change finds it. */
export interface PricedVariant {
  readonly id: number;
  readonly productId: number;
  readonly name: string;
  readonly sku: string;
  readonly priceMinor: number;
}

export interface MarkedProduct {
  readonly id: number;
  readonly name: string;
  readonly isShown: number;
  /** Whether it has the tag that is asked for. */
  readonly hasTag: number;
  /** Whether a variant costs nothing, and that is not meant. */
  readonly needsPrice: number;
}

/** What was there before a bulk change: rows of [id, before, after]. */
export interface StoredBulk {
  readonly id: number;
  readonly at: number;
  readonly what: BulkChange;
  readonly before: readonly (readonly [id: number, before: number, after: number])[];
  readonly undoneAt: number | null;
}

/** Changes of many products, to be undone. */
function bulkHistory(db: Database) {
  /** Whoever has one of these open is told that it has changed. */
  async function countEdits(ids: readonly number[]): Promise<number[]> {
    await db.run('UPDATE products SET edit = edit + 1 WHERE id IN (SELECT value FROM json_each($ids))', {
      ids: JSON.stringify(ids),
    });
    return [...ids];
  }
  async function insertBulk(bulk: Omit<StoredBulk, 'id' | 'undoneAt'>, accountId: number): Promise<number> {
    const [row] = await db.select<{ id: number }>(
      'INSERT INTO bulk_changes (at, account_id, what, before) VALUES ($at, $accountId, $what, $before) RETURNING id',
      { at: bulk.at, accountId, what: JSON.stringify(bulk.what), before: JSON.stringify(bulk.before) },
    );
    return row!.id;
  }
  async function readBulk(id: number): Promise<StoredBulk | null> {
    const [row] = await db.select<{ id: number; at: number; what: string; before: string; undoneAt: number | null }>(
      'SELECT id, at, what, before, undone_at undoneAt FROM bulk_changes WHERE id = $id',
      { id },
    );
    return row
      ? { ...row, what: JSON.parse(row.what) as BulkChange, before: JSON.parse(row.before) as StoredBulk['before'] }
      : null;
  }
  /** The last changes, newest first, with who made them and how many rows each changed. */
  async function listBulks(most: number): Promise<BulkSummary[]> {
    const rows = await db.select<Omit<BulkSummary, 'what'> & { what: string }>(
      `SELECT b.id, b.at, b.what, json_array_length(b.before) rows, b.undone_at undoneAt, a.name by
       FROM bulk_changes b LEFT JOIN accounts a ON a.id = b.account_id ORDER BY b.id DESC LIMIT $most`,
      { most },
    );
    return rows.map((row) => ({ ...row, what: JSON.parse(row.what) as BulkChange }));
  }
  async function markUndone(id: number, at: number): Promise<void> {
    await db.run('UPDATE bulk_changes SET undone_at = $at WHERE id = $id', { id, at });
  }

  return { countEdits, insertBulk, readBulk, listBulks, markUndone };
}

/** Many products changed at once. */
export function catalogueBulk(db: Database) {
  const { countEdits } = bulkHistory(db);
  async function listPriced(productIds: readonly number[]): Promise<PricedVariant[]> {
    return db.select(
      `SELECT v.id, v.product_id productId, p.name, v.sku, v.price_minor priceMinor FROM variants v JOIN products p ON p.id = v.product_id
       WHERE v.product_id IN (SELECT value FROM json_each($ids)) ORDER BY p.name COLLATE NOCASE, p.id, v.position`,
      { ids: JSON.stringify(productIds) },
    );
  }
  async function listMarked(productIds: readonly number[], tag: string): Promise<MarkedProduct[]> {
    return db.select(
      `SELECT id, name, is_shown isShown, EXISTS (SELECT 1 FROM tags t WHERE t.product_id = p.id AND t.name = $tag) hasTag,
         is_free = 0 AND EXISTS (SELECT 1 FROM variants v WHERE v.product_id = p.id AND v.price_minor = 0) needsPrice
       FROM products p
       WHERE id IN (SELECT value FROM json_each($ids)) ORDER BY name COLLATE NOCASE, id`,
      { ids: JSON.stringify(productIds), tag },
    );
  }
  /** Sets prices that have not changed since they were read; returns the products' ids. */
  async function writePrices(rows: readonly (readonly [number, number, number])[], now: number): Promise<number[]> {
    const params = { rows: JSON.stringify(rows) };
    await db.run(
      `INSERT INTO price_changes (variant_id, price_minor, changed_at) SELECT v.id, r.value ->> 2, $now FROM json_each($rows) r
       JOIN variants v ON v.id = r.value ->> 0 AND v.price_minor = r.value ->> 1`,
      { ...params, now },
    );
    const touched = await db.select<{ id: number }>(
      `SELECT DISTINCT v.product_id id FROM json_each($rows) r JOIN variants v ON v.id = r.value ->> 0 AND v.price_minor = r.value ->> 1`,
      params,
    );
    await db.run(
      `UPDATE variants SET price_minor = r.value ->> 2 FROM json_each($rows) r
       WHERE variants.id = r.value ->> 0 AND variants.price_minor = r.value ->> 1`,
      params,
    );
    return countEdits(touched.map((row) => row.id));
  }
  async function writeTag(tag: string, rows: readonly (readonly [number, number, number])[]): Promise<number[]> {
    const params = { tag, rows: JSON.stringify(rows) };
    await db.run(
      'INSERT OR IGNORE INTO tags (product_id, name) SELECT p.id, $tag FROM json_each($rows) JOIN products p ON p.id = value ->> 0 WHERE value ->> 2 = 1',
      params,
    );
    await db.run(
      'DELETE FROM tags WHERE name = $tag AND product_id IN (SELECT value ->> 0 FROM json_each($rows) WHERE value ->> 2 = 0)',
      params,
    );
    return countEdits(rows.map(([id]) => id));
  }
  async function writeShown(rows: readonly (readonly [number, number, number])[]): Promise<number[]> {
    await db.run(
      'UPDATE products SET is_shown = r.value ->> 2 FROM json_each($rows) r WHERE products.id = r.value ->> 0',
      {
        rows: JSON.stringify(rows),
      },
    );
    return countEdits(rows.map(([id]) => id));
  }
  return { ...bulkHistory(db), listPriced, listMarked, writePrices, writeTag, writeShown };
}
