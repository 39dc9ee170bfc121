/** What bulk changes made, so that they can be undone. */
const STATEMENTS = [
  `CREATE TABLE bulk_changes (
    id INTEGER PRIMARY KEY, at INTEGER NOT NULL, account_id INTEGER, what JSON NOT NULL, before JSON NOT NULL, undone_at INTEGER)`,
];

export const bulk = {
  name: '2026-11-26-bulk',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
