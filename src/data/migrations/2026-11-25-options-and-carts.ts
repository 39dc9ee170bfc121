const STATEMENTS = [
  `ALTER TABLE products ADD COLUMN options JSON NOT NULL DEFAULT '[]'`,
  `ALTER TABLE cart_lines ADD COLUMN answers JSON NOT NULL DEFAULT '{}'`,
  `ALTER TABLE carts ADD COLUMN version INTEGER NOT NULL DEFAULT 0`,
  `ALTER TABLE carts ADD COLUMN coupon TEXT`,
  `ALTER TABLE carts ADD COLUMN country TEXT`,
  `ALTER TABLE carts ADD COLUMN postcode TEXT`,
  `ALTER TABLE carts ADD COLUMN note TEXT NOT NULL DEFAULT ''`,
  `ALTER TABLE carts ADD COLUMN checkout JSON`,
  `CREATE TABLE cart_changes (
    cart_id INTEGER NOT NULL REFERENCES carts(id) ON DELETE CASCADE, change_id TEXT NOT NULL, at INTEGER NOT NULL,
    PRIMARY KEY (cart_id, change_id)) WITHOUT ROWID`,
  `CREATE TABLE uploads (
    id TEXT PRIMARY KEY, cart_token TEXT NOT NULL, name TEXT NOT NULL, type TEXT NOT NULL, bytes INTEGER NOT NULL,
    created_at INTEGER NOT NULL) WITHOUT ROWID`,
  `CREATE INDEX uploads_created ON uploads (created_at)`,
  `ALTER TABLE orders ADD COLUMN coupon TEXT`,
  `ALTER TABLE orders ADD COLUMN note TEXT NOT NULL DEFAULT ''`,
  `ALTER TABLE orders ADD COLUMN mailed_at INTEGER`,
  `UPDATE orders SET mailed_at = placed_at`,
  `CREATE INDEX orders_unmailed ON orders (status) WHERE mailed_at IS NULL`,
  `ALTER TABLE order_lines ADD COLUMN answers JSON NOT NULL DEFAULT '[]'`,
  `ALTER TABLE order_lines ADD COLUMN add_ons JSON NOT NULL DEFAULT '[]'`,
];

export const optionsAndCarts = {
  name: '2026-11-25-options-and-carts',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
