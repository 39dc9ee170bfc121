/** Money given back as goodwill, and items that come back. */
const STATEMENTS = [
  'ALTER TABLE refunds ADD COLUMN sum_minor INTEGER NOT NULL DEFAULT 0',
  `CREATE TABLE returns (
     id INTEGER PRIMARY KEY, order_id INTEGER NOT NULL REFERENCES orders(id) ON DELETE CASCADE, at INTEGER NOT NULL, account_id INTEGER,
     units JSON NOT NULL, note TEXT NOT NULL, came_at INTEGER, restocked INTEGER NOT NULL DEFAULT 0)`,
  'CREATE INDEX returns_order ON returns (order_id)',
  'CREATE INDEX returns_open ON returns (order_id) WHERE came_at IS NULL',
];

export const returns = {
  name: '2026-12-02-returns',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
