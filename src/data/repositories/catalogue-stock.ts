import type { Database } from '../database';
import { catalogueState } from './catalogue-state';

/** Whether any of a product is left; uncounted stock never runs out. */
const IS_LEFT = `EXISTS (SELECT 1 FROM variants v LEFT JOIN stock_levels s ON s.variant_id = v.id
  WHERE v.product_id = products.id AND (s.quantity IS NULL OR s.quantity > 0))`;

/** What one is shown to cost: where no offer lowers it, what it costs. */
const SHOWN = `iif(v.shown_by = '', v.price_minor, v.shown_minor)`;

/** Stock, and the figures that follow from it. */
export function catalogueStock(db: Database) {
  const { bumpVersion } = catalogueState(db);

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
    // Listings change when the last of a product is sold.
    await db.run(
      `UPDATE catalogue_state SET stock = stock + 1, version = version + EXISTS (SELECT 1 FROM products
         WHERE id IN (SELECT product_id FROM variants WHERE id IN (SELECT value ->> 0 FROM json_each($rows)))
           AND in_stock <> ${IS_LEFT}) WHERE id = 1`,
      params,
    );
    await db.run(
      `UPDATE products SET sold_count = sold_count + r.n, recent_count = recent_count + r.n, in_stock = ${IS_LEFT}
       FROM (SELECT v.product_id, sum(value ->> 1) n FROM json_each($rows) JOIN variants v ON v.id = value ->> 0 GROUP BY 1) r
       WHERE products.id = r.product_id`,
      params,
    );
  }

  /** Counts again what was sold since then and not returned; call daily, as days pass without a sale. */
  async function countRecent(sinceMs: number): Promise<void> {
    await db.run(
      `UPDATE products SET recent_count = coalesce(r.n, 0) FROM products p LEFT JOIN (
         SELECT v.product_id, sum(l.quantity - coalesce(b.units, 0)) n FROM orders o
         JOIN (SELECT *, row_number() OVER (PARTITION BY order_id ORDER BY id) - 1 place FROM order_lines) l ON l.order_id = o.id
         JOIN variants v ON v.id = l.variant_id
         LEFT JOIN (SELECT order_id, u.value ->> 'line' place, sum(u.value ->> 'quantity') units
                    FROM refunds, json_each(refunds.units) u WHERE state = 'done' GROUP BY 1, 2) b ON b.order_id = o.id AND b.place = l.place
         WHERE o.status = 'paid' AND o.cancelled_at IS NULL AND o.placed_at >= $sinceMs GROUP BY 1) r ON r.product_id = p.id
       WHERE products.id = p.id AND products.recent_count <> coalesce(r.n, 0)`,
      { sinceMs },
    );
    await bumpVersion();
  }

  /** Brings the figures kept on products (price range, in stock) up to date; all products when no ids are given. */
  async function refreshFigures(ids?: readonly number[]): Promise<void> {
    await db.run(
      `UPDATE products SET
         from_minor = coalesce((SELECT min(price_minor) FROM variants v WHERE v.product_id = products.id), 0),
         to_minor = coalesce((SELECT max(price_minor) FROM variants v WHERE v.product_id = products.id), 0),
         shown_from_minor = coalesce((SELECT min(${SHOWN}) FROM variants v WHERE v.product_id = products.id), 0),
         shown_to_minor = coalesce((SELECT max(${SHOWN}) FROM variants v WHERE v.product_id = products.id), 0),
         in_stock = ${IS_LEFT}
       ${ids ? 'WHERE id IN (SELECT value FROM json_each($ids))' : ''}`,
      ids ? { ids: JSON.stringify(ids) } : {},
    );
    await bumpVersion();
  }

  return { takeStock, returnStock, recordSale, countRecent, refreshFigures };
}
