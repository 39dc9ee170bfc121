/** Changes of the lane that go out at a time. */
const STATEMENTS = [
  `CREATE TABLE plans (
     id INTEGER PRIMARY KEY AUTOINCREMENT, at INTEGER NOT NULL, base_revision INTEGER NOT NULL, patch JSON NOT NULL,
     changes JSON NOT NULL, note TEXT NOT NULL, account_id INTEGER, state TEXT NOT NULL, why TEXT)`,
  'CREATE INDEX plans_state_at ON plans (state, at)',
];

export const plans = {
  name: '2026-12-04-plans',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
