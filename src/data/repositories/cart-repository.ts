import type { CartLine } from '~/core/cart';
import type { Database } from '../database';

export function cartRepository(db: Database) {
  const { CartRow, CartLineRow } = db.models;

  async function readLines(token: string): Promise<CartLine[]> {
    return db.select<CartLine>(
      'SELECT l.id, l.variant_id AS variantId, l.quantity FROM cart_lines l JOIN carts c ON c.id = l.cart_id WHERE c.token = $token ORDER BY l.position',
      { token },
    );
  }

  /** Replaces the lines of a cart, making the cart if it is new. Call inside a transaction. */
  async function writeLines(token: string, lines: readonly CartLine[], now: number): Promise<void> {
    const [cart] = await CartRow.findOrCreate({ where: { token }, defaults: { token, updatedAt: now } });
    await cart.update({ updatedAt: now });
    await CartLineRow.destroy({ where: { cartId: cart.id } });
    await CartLineRow.bulkCreate(lines.map((line, position) => ({ ...line, cartId: cart.id, position })));
  }

  return { readLines, writeLines };
}
