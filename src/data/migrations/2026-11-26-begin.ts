/** First steps of a new shop that were done or left out, and products that are only an example. */
const STATEMENTS = [
  `CREATE TABLE first_steps (
    step TEXT PRIMARY KEY, state TEXT NOT NULL CHECK (state IN ('done','skipped')), at INTEGER NOT NULL) WITHOUT ROWID`,
  `ALTER TABLE products ADD COLUMN is_example INTEGER NOT NULL DEFAULT 0`,
];

export const begin = {
  name: '2026-11-26-begin',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
