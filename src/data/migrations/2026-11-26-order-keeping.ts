/** What became of an order after it was paid: packed, sent, given back. */
const STATEMENTS = [
  `ALTER TABLE orders ADD COLUMN packed_at INTEGER`,
  `ALTER TABLE orders ADD COLUMN sent_at INTEGER`,
  `ALTER TABLE orders ADD COLUMN cancelled_at INTEGER`,
  `ALTER TABLE orders ADD COLUMN tracking TEXT NOT NULL DEFAULT ''`,
  // 'asked': the provider has not answered yet; what is asked counts as given back, so that it cannot be asked twice.
  `CREATE TABLE refunds (
    id INTEGER PRIMARY KEY, order_id INTEGER NOT NULL REFERENCES orders(id) ON DELETE CASCADE, key TEXT NOT NULL UNIQUE,
    state TEXT NOT NULL CHECK (state IN ('asked','done')), at INTEGER NOT NULL, account_id INTEGER,
    amount_minor INTEGER NOT NULL CHECK (amount_minor >= 0), units JSON NOT NULL, delivery INTEGER NOT NULL,
    restocked INTEGER NOT NULL, reason TEXT NOT NULL)`,
  `CREATE INDEX refunds_order ON refunds (order_id)`,
  `CREATE INDEX orders_placed ON orders (placed_at)`,
];

export const orderKeeping = {
  name: '2026-11-26-order-keeping',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
