import type { Order } from '~/core/orders';
import type { Database } from '../database';

/** Which offers orders got, and who bought before. */
export function orderRedemptions(db: Database) {
  /** Counts offers as used in an order. Call inside the transaction that writes it. */
  async function redeem(orderId: number, offers: readonly string[], shopper: string, at: number): Promise<void> {
    if (offers.length === 0) return;
    await db.run(
      'INSERT INTO redemptions (order_id, offer_id, shopper, at) SELECT $orderId, value, $shopper, $at FROM json_each($offers)',
      { orderId, shopper, at, offers: JSON.stringify(offers) },
    );
  }
  /** What an order used may be used again. */
  async function unredeem(token: string): Promise<void> {
    const own = '(SELECT id FROM orders WHERE token = $token)';
    await db.run(`DELETE FROM redemptions WHERE order_id = ${own}`, { token });
    await db.run(`UPDATE one_time_codes SET order_id = NULL WHERE order_id = ${own}`, { token });
  }
  /** How often offers were used, in all and by one shopper (see `shopperKey`; null: nobody). */
  async function countRedemptions(
    offers: readonly string[],
    shopper: string | null,
  ): Promise<Record<string, { total: number; byShopper: number }>> {
    const rows = await db.select<{ id: string; total: number; byShopper: number }>(
      `SELECT value id, (SELECT count(*) FROM redemptions r WHERE r.offer_id = value) total,
         (SELECT count(*) FROM redemptions r WHERE r.offer_id = value AND r.shopper = $shopper) byShopper
       FROM json_each($offers)`,
      { offers: JSON.stringify(offers), shopper },
    );
    return Object.fromEntries(rows.map(({ id, ...counts }) => [id, counts]));
  }
  /** Whether somebody has bought before; `email` in small letters. */
  async function hasBought(email: string): Promise<boolean> {
    const rows = await db.select(
      `SELECT 1 FROM orders WHERE lower(email) = $email AND status = 'paid' AND cancelled_at IS NULL LIMIT 1`,
      {
        email,
      },
    );
    return rows.length > 0;
  }
  /** Whether somebody had bought before an order. */
  async function hasBoughtBefore({ id, email }: Pick<Order, 'id' | 'email'>): Promise<boolean> {
    if (email === '') return false;
    const rows = await db.select(
      `SELECT 1 FROM orders WHERE lower(email) = lower($email) AND status = 'paid' AND cancelled_at IS NULL AND id < $id LIMIT 1`,
      { id, email },
    );
    return rows.length > 0;
  }

  return { redeem, unredeem, countRedemptions, hasBought, hasBoughtBefore };
}
