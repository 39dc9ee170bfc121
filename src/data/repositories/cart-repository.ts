import { EMPTY_CART, type Cart } from '~/core/cart';
import type { Answers } from '~/core/options';
import type { Database } from '../database';

/** A cart as it is kept; `version` grows with every change. */
export interface StoredCart extends Cart {
  readonly version: number;
}

const REMEMBERED_CHANGES = 50;

export function cartRepository(db: Database) {
  async function read(token: string): Promise<StoredCart> {
    const [[row], lines] = await Promise.all([
      db.select<{
        version: number;
        coupon: string | null;
        country: string | null;
        postcode: string | null;
        note: string;
      }>('SELECT version, coupon, country, postcode, note FROM carts WHERE token = $token', { token }),
      db.select<{ id: string; variantId: number; quantity: number; answers: string }>(
        'SELECT l.id, l.variant_id AS variantId, l.quantity, l.answers FROM cart_lines l JOIN carts c ON c.id = l.cart_id WHERE c.token = $token ORDER BY l.position',
        { token },
      ),
    ]);
    if (!row) return { ...EMPTY_CART, version: 0 };
    return {
      version: row.version,
      coupon: row.coupon,
      destination: row.country ? { country: row.country, postcode: row.postcode ?? '' } : null,
      note: row.note,
      lines: lines.map((line) => ({ ...line, answers: JSON.parse(line.answers) as Answers })),
    };
  }

  /** Replaces a cart, making it if it is new; its version grows by one. Call inside a transaction. */
  async function write(token: string, cart: Cart, now: number): Promise<void> {
    const { coupon, destination, note } = cart;
    await db.run(
      `INSERT INTO carts (token, updated_at, version, coupon, country, postcode, note) VALUES ($token, $now, 1, $coupon, $country, $postcode, $note)
       ON CONFLICT (token) DO UPDATE SET updated_at = $now, version = version + 1, coupon = $coupon, country = $country, postcode = $postcode, note = $note`,
      { token, now, coupon, country: destination?.country ?? null, postcode: destination?.postcode ?? null, note },
    );
    // Lines that go, then those that stay or come: a line that has not changed is not written.
    const rows = JSON.stringify(
      cart.lines.map((line) => [line.id, line.variantId, line.quantity, JSON.stringify(line.answers)]),
    );
    await db.run(
      `DELETE FROM cart_lines WHERE cart_id = (SELECT id FROM carts WHERE token = $token)
         AND id NOT IN (SELECT value ->> 0 FROM json_each($rows))`,
      { token, rows },
    );
    await db.run(
      `INSERT INTO cart_lines (id, cart_id, variant_id, quantity, answers, position)
       SELECT value ->> 0, (SELECT id FROM carts WHERE token = $token), value ->> 1, value ->> 2, value ->> 3, key FROM json_each($rows) WHERE true
       ON CONFLICT (id) DO UPDATE SET variant_id = excluded.variant_id, quantity = excluded.quantity, answers = excluded.answers, position = excluded.position
         WHERE (variant_id, quantity, answers, position) IS NOT (excluded.variant_id, excluded.quantity, excluded.answers, excluded.position)`,
      { token, rows },
    );
  }

  async function hasLine(id: string): Promise<boolean> {
    return (await db.select('SELECT 1 FROM cart_lines WHERE id = $id', { id })).length > 0;
  }

  /** Whether a change was made before; a browser that heard no answer sends it again. */
  async function knowsChange(token: string, changeId: string): Promise<boolean> {
    const rows = await db.select<{ at: number }>(
      'SELECT at FROM cart_changes WHERE cart_id = (SELECT id FROM carts WHERE token = $token) AND change_id = $changeId',
      { token, changeId },
    );
    return rows.length > 0;
  }

  /** Remembers a change, and forgets all but the latest. Call inside the transaction that makes it. */
  async function rememberChange(token: string, changeId: string, now: number): Promise<void> {
    const cart = '(SELECT id FROM carts WHERE token = $token)';
    await db.run(`INSERT OR IGNORE INTO cart_changes (cart_id, change_id, at) VALUES (${cart}, $changeId, $now)`, {
      token,
      changeId,
      now,
    });
    await db.run(
      `DELETE FROM cart_changes WHERE cart_id = ${cart} AND change_id NOT IN
         (SELECT change_id FROM cart_changes WHERE cart_id = ${cart} ORDER BY at DESC LIMIT ${REMEMBERED_CHANGES})`,
      { token },
    );
  }

  /** What was typed at the checkout so far, as it was sent; null when nothing was. */
  async function readCheckout(token: string): Promise<unknown> {
    const [row] = await db.select<{ checkout: string | null }>('SELECT checkout FROM carts WHERE token = $token', {
      token,
    });
    return row?.checkout ? (JSON.parse(row.checkout) as unknown) : null;
  }

  async function writeCheckout(token: string, form: object | null): Promise<void> {
    await db.run('UPDATE carts SET checkout = $form WHERE token = $token', {
      token,
      form: form && JSON.stringify(form),
    });
  }

  return { read, write, hasLine, knowsChange, rememberChange, readCheckout, writeCheckout };
}
