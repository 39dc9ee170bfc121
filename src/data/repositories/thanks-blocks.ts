import type { Database } from '../database';

/** What came of one block of one thank-you page on a day (YYYY-MM-DD). */
export interface BlockDay {
  readonly piece: string;
  readonly part: string;
  readonly day: string;
  /** Orders it was shown with for the first time. */
  readonly seen: number;
  /** Of those orders whose buyers pressed it then. */
  readonly used: number;
  readonly orders: number;
  readonly revenueMinor: number;
}

/** Which blocks of thank-you pages were shown and used. */
export function thanksBlocks(db: Database) {
  async function noteShown(orderId: number, piece: string, parts: readonly string[], day: string): Promise<void> {
    await db.run(
      `INSERT INTO thanks_blocks (order_id, part, piece, seen_day) SELECT $orderId, value, $piece, $day FROM json_each($parts) WHERE true
       ON CONFLICT DO NOTHING`,
      { orderId, piece, day, parts: JSON.stringify(parts) },
    );
  }

  async function noteUsed(orderId: number, piece: string, part: string, day: string): Promise<void> {
    await db.run(
      `INSERT INTO thanks_blocks (order_id, part, piece, seen_day, used_day) VALUES ($orderId, $part, $piece, $day, $day)
       ON CONFLICT DO UPDATE SET used_day = coalesce(used_day, excluded.used_day)`,
      { orderId, piece, part, day },
    );
  }

  /**
   * By page, block and day since a day: shown, used, and what was earned. Of what is offered that is what was added, on the day it was;
   * of codes the paid orders that used one, on theirs, in a currency. Sums in minor units.
   */
  async function count(fromDay: string, currency: string): Promise<BlockDay[]> {
    return db.select(
      `SELECT piece, part, day, sum(seen) seen, sum(used) used, sum(orders) orders, sum(revenue) revenueMinor FROM (
         SELECT piece, part, seen_day day, 1 seen, 0 used, 0 orders, 0 revenue FROM thanks_blocks
         UNION ALL SELECT piece, part, used_day, 0, 1, 0, 0 FROM thanks_blocks WHERE used_day IS NOT NULL
         UNION ALL SELECT a.piece, 'offer', o.day, 0, 0, 1, a.amount_minor FROM order_additions a
           JOIN orders o ON o.id = a.order_id AND o.currency = $currency WHERE a.state = 'paid'
         UNION ALL SELECT b.piece, 'coupon', o.day, 0, 0, 1, o.total_minor FROM given_codes g
           JOIN thanks_blocks b ON b.order_id = g.order_id AND b.part = 'coupon'
           JOIN one_time_codes c ON c.code = g.code JOIN orders o ON o.id = c.order_id AND o.status = 'paid' AND o.currency = $currency)
       WHERE day >= $fromDay GROUP BY piece, part, day ORDER BY day`,
      { fromDay, currency },
    );
  }

  return { noteShown, noteUsed, count };
}
