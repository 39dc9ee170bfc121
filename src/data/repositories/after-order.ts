import type { Database } from '../database';

/** A product that its buyer added to an order after paying it. */
export interface OrderAddition {
  readonly orderId: number;
  /** How often it was tried; part of the payment's key. */
  readonly attempt: number;
  readonly state: 'reserved' | 'paid' | 'failed';
  /** Id of the thank-you page it was offered on. */
  readonly piece: string;
  readonly variantId: number;
  readonly quantity: number;
  /** What is charged for it. */
  readonly amountMinor: number;
  readonly reference: string | null;
  /** Milliseconds since 1970. */
  readonly at: number;
}

const ADDITION = `order_id orderId, attempt, state, piece, variant_id variantId, quantity, amount_minor amountMinor, reference, at`;

/** What comes after an order. */
export function afterOrders(db: Database) {
  async function readAddition(orderId: number): Promise<OrderAddition | null> {
    const [row] = await db.select<OrderAddition>(`SELECT ${ADDITION} FROM order_additions WHERE order_id = $orderId`, {
      orderId,
    });
    return row ?? null;
  }

  /** Reserves an order's only addition; null when there is one. A failed one may be tried again. */
  async function reserve(
    wanted: Pick<OrderAddition, 'orderId' | 'piece' | 'variantId' | 'quantity' | 'amountMinor' | 'at'>,
  ): Promise<OrderAddition | null> {
    const [row] = await db.select<OrderAddition>(
      `INSERT INTO order_additions (order_id, state, piece, variant_id, quantity, amount_minor, at)
         VALUES ($orderId, 'reserved', $piece, $variantId, $quantity, $amountMinor, $at)
       ON CONFLICT (order_id) DO UPDATE SET state = 'reserved', attempt = attempt + 1, piece = excluded.piece,
         variant_id = excluded.variant_id, quantity = excluded.quantity, amount_minor = excluded.amount_minor, at = excluded.at
         WHERE state = 'failed'
       RETURNING ${ADDITION}`,
      { ...wanted },
    );
    return row ?? null;
  }

  /** Ends a reserved addition; false when it had ended before. */
  async function settle(orderId: number, state: 'paid' | 'failed', reference: string | null): Promise<boolean> {
    const settled = await db.run(
      `UPDATE order_additions SET state = $state, reference = $reference WHERE order_id = $orderId AND state = 'reserved'`,
      { orderId, state, reference },
    );
    return settled === 1;
  }

  async function listReserved(before: number): Promise<OrderAddition[]> {
    return db.select<OrderAddition>(
      `SELECT ${ADDITION} FROM order_additions WHERE state = 'reserved' AND at < $before`,
      { before },
    );
  }

  async function findGiven(orderId: number, offerId: string): Promise<string | null> {
    const [row] = await db.select<{ code: string }>(
      'SELECT code FROM given_codes WHERE order_id = $orderId AND offer_id = $offerId',
      { orderId, offerId },
    );
    return row?.code ?? null;
  }

  /** Stores the code an order was given, and returns the code it has. */
  async function give(orderId: number, offerId: string, code: string): Promise<void> {
    await db.run(
      'INSERT INTO given_codes (order_id, offer_id, code) VALUES ($orderId, $offerId, $code) ON CONFLICT DO NOTHING',
      { orderId, offerId, code },
    );
  }

  /** Ends an order's codes for next time; a used code stays with the order that used it. */
  async function endGiven(orderId: number): Promise<void> {
    await db.run(
      `DELETE FROM one_time_codes WHERE order_id IS NULL
         AND code IN (SELECT lower(code) FROM given_codes WHERE order_id = $orderId)`,
      { orderId },
    );
  }

  /** A shopper's birthday as MM-DD, null where they would not say; undefined where they were never asked. */
  async function birthdayOf(shopper: string): Promise<string | null | undefined> {
    const [row] = await db.select<{ day: string | null }>('SELECT day FROM birthdays WHERE shopper = $shopper', {
      shopper,
    });
    return row?.day;
  }

  /** Keeps an answer to the question; a first answer stays. */
  async function keepBirthday(shopper: string, day: string | null, at: number): Promise<boolean> {
    const kept = await db.run(
      'INSERT INTO birthdays (shopper, day, at) VALUES ($shopper, $day, $at) ON CONFLICT DO NOTHING',
      { shopper, day, at },
    );
    return kept === 1;
  }

  /** Forgets it, and that it was asked for. */
  async function forgetBirthday(shopper: string): Promise<void> {
    await db.run('DELETE FROM birthdays WHERE shopper = $shopper', { shopper });
  }

  return {
    readAddition,
    reserve,
    settle,
    listReserved,
    findGiven,
    give,
    endGiven,
    birthdayOf,
    keepBirthday,
    forgetBirthday,
  };
}
