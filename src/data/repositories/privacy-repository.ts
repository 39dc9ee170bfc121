import type { Database } from '../database';

/** Everything stored about one buyer. */
export interface BuyerTraces {
  readonly orders: number;
  readonly checkouts: number;
  readonly files: readonly string[];
  /** Orders that are being paid right now. */
  readonly underWay: number;
}

const SLICE = 1000;
const OF_BUYER = 'lower(email) = $email';
const LINES = `SELECT l.answers FROM order_lines l JOIN orders o ON o.id = l.order_id WHERE lower(o.email) = $email`;
const CHECKOUTS = `checkout IS NOT NULL AND lower(checkout ->> 'email') = $email`;

/** Deletes what was kept for its time, and what one buyer wants deleted. `email` in small letters. */
export function privacyRepository(db: Database) {
  async function findTraces(email: string): Promise<BuyerTraces> {
    const [counts] = await db.select<{ orders: number; underWay: number | null }>(
      `SELECT count(*) orders, sum(status = 'reserved') underWay FROM orders WHERE ${OF_BUYER}`,
      { email },
    );
    const [typed] = await db.select<{ n: number }>(`SELECT count(*) n FROM carts WHERE ${CHECKOUTS}`, { email });
    const files = await db.select<{ id: string }>(
      `SELECT DISTINCT a.value ->> 'uploadId' id FROM (${LINES}) l, json_each(l.answers) a WHERE a.value ->> 'uploadId' IS NOT NULL`,
      { email },
    );
    return {
      orders: counts?.orders ?? 0,
      underWay: counts?.underWay ?? 0,
      checkouts: typed?.n ?? 0,
      files: files.map((file) => file.id),
    };
  }

  /** Keeps of a buyer's orders what was sold and paid, but nothing that says by whom. Call inside a transaction. */
  async function erase(email: string, files: readonly string[]): Promise<void> {
    await db.run(`UPDATE order_lines SET answers = '[]' WHERE order_id IN (SELECT id FROM orders WHERE ${OF_BUYER})`, {
      email,
    });
    await db.run(`UPDATE refunds SET reason = '' WHERE order_id IN (SELECT id FROM orders WHERE ${OF_BUYER})`, {
      email,
    });
    await db.run(`UPDATE returns SET note = '' WHERE order_id IN (SELECT id FROM orders WHERE ${OF_BUYER})`, { email });
    await db.run(`UPDATE redemptions SET shopper = '' WHERE order_id IN (SELECT id FROM orders WHERE ${OF_BUYER})`, {
      email,
    });
    await db.run(`DELETE FROM given_codes WHERE order_id IN (SELECT id FROM orders WHERE ${OF_BUYER})`, { email });
    await db.run('DELETE FROM uploads WHERE id IN (SELECT value FROM json_each($files))', {
      files: JSON.stringify(files),
    });
    await db.run(`UPDATE carts SET checkout = NULL, checkout_at = NULL, note = '' WHERE ${CHECKOUTS}`, { email });
    await db.run(
      `UPDATE orders SET email = '', name = '', note = '', tracking = '', visit_id = NULL, cart_token = NULL, request_hash = '',
         mailed_at = coalesce(mailed_at, placed_at),
         address = json_object('line1', '', 'line2', '', 'postcode', '', 'city', '', 'country', address ->> 'country')
       WHERE ${OF_BUYER}`,
      { email },
    );
  }

  /** Finds rows first and deletes them in slices, so that carts and orders do not wait. */
  async function deleteWhere(
    table: string,
    key: string,
    where: string,
    params: Record<string, unknown>,
  ): Promise<number> {
    for (let deleted = 0; ;) {
      const rows = await db.select<{ key: unknown }>(
        `SELECT ${key} AS key FROM ${table} WHERE ${where} LIMIT ${SLICE}`,
        params,
      );
      if (rows.length === 0) return deleted;
      deleted += await db.run(`DELETE FROM ${table} WHERE ${key} IN (SELECT value FROM json_each($keys))`, {
        keys: JSON.stringify(rows.map((row) => row.key)),
      });
      if (rows.length < SLICE) return deleted;
    }
  }

  /** Deletes what is older than its time; returns the number of rows of each. Milliseconds since 1970. */
  async function sweep(before: {
    readonly checkouts: number;
    readonly carts: number;
    readonly visitsDay: string;
    readonly events: number;
    readonly failedOrders: number;
    readonly signIns: number;
  }): Promise<Record<string, number>> {
    const day = { day: before.visitsDay };
    return {
      checkouts: await db.run(
        'UPDATE carts SET checkout = NULL, checkout_at = NULL WHERE checkout IS NOT NULL AND checkout_at < $at',
        { at: before.checkouts },
      ),
      carts: await deleteWhere('carts', 'id', 'updated_at < $at', { at: before.carts }),
      failedOrders: await deleteWhere('orders', 'id', `status = 'failed' AND placed_at < $at`, {
        at: before.failedOrders,
      }),
      visits: await deleteWhere('visits', 'id', 'day < $day', day),
      visitPieces: await deleteWhere('visit_pieces', 'visit_id', 'day < $day', day),
      events: await deleteWhere('events', 'id', 'at < $at', { at: before.events }),
      signIns: await deleteWhere('sign_ins', 'token_hash', 'expires_at < $at', { at: before.signIns }),
    };
  }

  return { findTraces, erase, sweep };
}
