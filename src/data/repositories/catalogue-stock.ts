import type { Database } from '../database';
import { catalogueState } from './catalogue-state';

/** What is left of things, and the figures that follow from it. */
export function catalogueStock(db: Database) {
  const { bumpStock, bumpVersion } = catalogueState(db);

  /** Takes stock if there is enough; false, with nothing taken, when there is not. Uncounted variants always succeed. */
  async function takeStock(variantId: number, quantity: number): Promise<boolean> {
    const taken = await db.run(
      'UPDATE stock_levels SET quantity = quantity - $quantity WHERE variant_id = $variantId AND quantity >= $quantity',
      { variantId, quantity },
    );
    if (taken === 1) return true;
    const [counted] = await db.select<{ n: number }>(
      'SELECT count(*) n FROM stock_levels WHERE variant_id = $variantId',
      { variantId },
    );
    return counted!.n === 0;
  }

  async function returnStock(variantId: number, quantity: number): Promise<void> {
    await db.run('UPDATE stock_levels SET quantity = quantity + $quantity WHERE variant_id = $variantId', {
      variantId,
      quantity,
    });
  }

  /** Counts what was sold, and whether anything is left. */
  async function recordSale(
    lines: readonly { readonly variantId: number | null; readonly quantity: number }[],
  ): Promise<void> {
    const params = { rows: JSON.stringify(lines.map((line) => [line.variantId, line.quantity])) };
    await db.run(
      `UPDATE products SET sold_count = sold_count + r.n FROM (SELECT v.product_id, sum(value ->> 1) n FROM json_each($rows) JOIN variants v ON v.id = value ->> 0 GROUP BY 1) r
       WHERE products.id = r.product_id`,
      params,
    );
    const ids = await db.select<{ id: number }>(
      'SELECT DISTINCT product_id id FROM variants WHERE id IN (SELECT value ->> 0 FROM json_each($rows))',
      params,
    );
    await refreshStockFigures(ids.map((row) => row.id));
  }

  /** Whether anything of these is left; listings are told when that has changed. */
  async function refreshStockFigures(ids: readonly number[]): Promise<void> {
    const flipped = await db.run(
      `UPDATE products SET in_stock = 1 - in_stock WHERE id IN (SELECT value FROM json_each($ids))
         AND in_stock <> EXISTS (SELECT 1 FROM variants v LEFT JOIN stock_levels s ON s.variant_id = v.id
           WHERE v.product_id = products.id AND (s.quantity IS NULL OR s.quantity > 0))`,
      { ids: JSON.stringify(ids) },
    );
    await (flipped > 0 ? bumpVersion() : bumpStock());
  }

  /** Brings the figures kept on products (price range, in stock) up to date; all products when no ids are given. */
  async function refreshFigures(ids?: readonly number[]): Promise<void> {
    await db.run(
      `UPDATE products SET
         from_minor = coalesce((SELECT min(price_minor) FROM variants v WHERE v.product_id = products.id), 0),
         to_minor = coalesce((SELECT max(price_minor) FROM variants v WHERE v.product_id = products.id), 0),
         in_stock = EXISTS (SELECT 1 FROM variants v LEFT JOIN stock_levels s ON s.variant_id = v.id
           WHERE v.product_id = products.id AND (s.quantity IS NULL OR s.quantity > 0))
       ${ids ? 'WHERE id IN (SELECT value FROM json_each($ids))' : ''}`,
      ids ? { ids: JSON.stringify(ids) } : {},
    );
    await bumpVersion();
  }

  return { takeStock, returnStock, recordSale, refreshFigures };
}
