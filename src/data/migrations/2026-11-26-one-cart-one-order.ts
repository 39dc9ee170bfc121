/** An order knows the cart it was made from: of one cart one order is under way, and of one state of it one is paid. */
const STATEMENTS = [
  `ALTER TABLE orders ADD COLUMN cart_token TEXT`,
  `ALTER TABLE orders ADD COLUMN cart_version INTEGER`,
  `CREATE UNIQUE INDEX orders_one_under_way ON orders (cart_token) WHERE status = 'reserved'`,
  `CREATE UNIQUE INDEX orders_one_per_cart ON orders (cart_token, cart_version) WHERE status IN ('reserved','paid')`,
  // Hashes of before were made over the card as well; sixteen digits can be tried out.
  `UPDATE orders SET request_hash = ''`,
];

export const oneCartOneOrder = {
  name: '2026-11-26-one-cart-one-order',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
