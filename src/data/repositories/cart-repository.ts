import type { CartLine } from '~/core/cart';
import type { Database } from '../database';

export function cartRepository(db: Database) {
  async function readLines(token: string): Promise<CartLine[]> {
    return db.select<CartLine>(
      'SELECT l.id, l.variant_id AS variantId, l.quantity FROM cart_lines l JOIN carts c ON c.id = l.cart_id WHERE c.token = $token ORDER BY l.position',
      { token },
    );
  }

  /** Replaces the lines of a cart, making the cart if it is new. Call inside a transaction. */
  async function writeLines(token: string, lines: readonly CartLine[], now: number): Promise<void> {
    await db.run(
      'INSERT INTO carts (token, updated_at) VALUES ($token, $now) ON CONFLICT (token) DO UPDATE SET updated_at = $now',
      { token, now },
    );
    await db.run('DELETE FROM cart_lines WHERE cart_id = (SELECT id FROM carts WHERE token = $token)', { token });
    if (lines.length === 0) return;
    await db.run(
      `INSERT INTO cart_lines (id, cart_id, variant_id, quantity, position)
       SELECT value ->> 0, (SELECT id FROM carts WHERE token = $token), value ->> 1, value ->> 2, key FROM json_each($rows)`,
      { token, rows: JSON.stringify(lines.map((line) => [line.id, line.variantId, line.quantity])) },
    );
  }

  return { readLines, writeLines };
}
