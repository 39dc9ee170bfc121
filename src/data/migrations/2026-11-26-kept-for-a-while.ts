/** What is kept for a while knows since when, and what is looked for by age or by address is found by an index. */
const STATEMENTS = [
  `ALTER TABLE carts ADD COLUMN checkout_at INTEGER`,
  `UPDATE carts SET checkout_at = updated_at WHERE checkout IS NOT NULL`,
  `CREATE INDEX carts_updated ON carts (updated_at)`,
  `CREATE INDEX carts_checkout ON carts (checkout_at) WHERE checkout IS NOT NULL`,
  `CREATE INDEX orders_email ON orders (lower(email))`,
  `CREATE INDEX orders_ended ON orders (placed_at) WHERE status = 'failed'`,
  `CREATE TABLE imports (
    id TEXT PRIMARY KEY, started_at INTEGER NOT NULL, beat_at INTEGER NOT NULL, account_id INTEGER,
    state TEXT NOT NULL CHECK (state IN ('running','done','failed','stopped')),
    written INTEGER NOT NULL DEFAULT 0, total INTEGER NOT NULL DEFAULT 0, message TEXT) WITHOUT ROWID`,
];

export const keptForAWhile = {
  name: '2026-11-26-kept-for-a-while',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
