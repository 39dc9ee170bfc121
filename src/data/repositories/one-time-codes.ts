import type { Database } from '../database';

export interface OneTimeCode {
  /** As compared: in small letters. */
  readonly code: string;
  readonly offerId: string;
  readonly isUsed: boolean;
}

/** Codes that each work once, and the orders that used them. */
export function oneTimeCodes(db: Database) {
  /** Stores codes and returns how many were new. */
  async function make(offerId: string, codes: readonly string[], at: number): Promise<number> {
    const made = await db.select<{ code: string }>(
      `INSERT INTO one_time_codes (code, offer_id, made_at) SELECT value, $offerId, $at FROM json_each($codes) WHERE true
       ON CONFLICT (code) DO NOTHING RETURNING code`,
      { offerId, at, codes: JSON.stringify(codes) },
    );
    return made.length;
  }

  async function find(codes: readonly string[]): Promise<OneTimeCode[]> {
    const rows = await db.select<{ code: string; offerId: string; orderId: number | null }>(
      `SELECT code, offer_id offerId, order_id orderId FROM one_time_codes WHERE code IN (SELECT value FROM json_each($codes))`,
      { codes: JSON.stringify(codes) },
    );
    return rows.map(({ orderId, ...row }) => ({ ...row, isUsed: orderId !== null }));
  }

  /** Marks codes as used by an order; returns how many were unused. Call inside the order's transaction. */
  async function use(orderId: number, codes: readonly string[]): Promise<number> {
    const used = await db.select<{ code: string }>(
      `UPDATE one_time_codes SET order_id = $orderId WHERE order_id IS NULL AND code IN (SELECT value FROM json_each($codes))
       RETURNING code`,
      { orderId, codes: JSON.stringify(codes) },
    );
    return used.length;
  }

  /** Every code of an offer, the newest first. */
  async function list(offerId: string): Promise<{ code: string; madeAt: number; usedAt: number | null }[]> {
    return db.select(
      `SELECT c.code, c.made_at madeAt, o.placed_at usedAt FROM one_time_codes c LEFT JOIN orders o ON o.id = c.order_id
       WHERE c.offer_id = $offerId ORDER BY c.made_at DESC, c.code`,
      { offerId },
    );
  }

  async function count(offerId: string): Promise<{ made: number; used: number }> {
    const [row] = await db.select<{ made: number; used: number }>(
      'SELECT count(*) made, count(order_id) used FROM one_time_codes WHERE offer_id = $offerId',
      { offerId },
    );
    return row!;
  }

  return { make, find, use, list, count };
}
