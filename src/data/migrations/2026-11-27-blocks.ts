/** Blocks of thank-you pages that asked for something: shown with an order, and pressed. Days are the shop's. */
const STATEMENTS = [
  `CREATE TABLE thanks_blocks (
     order_id INTEGER NOT NULL REFERENCES orders (id) ON DELETE CASCADE, part TEXT NOT NULL, piece TEXT NOT NULL,
     seen_day TEXT NOT NULL, used_day TEXT, PRIMARY KEY (order_id, part)) WITHOUT ROWID`,
  `CREATE INDEX thanks_blocks_day ON thanks_blocks (seen_day)`,
];

export const blocks = {
  name: '2026-11-27-blocks',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
