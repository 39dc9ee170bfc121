/** A product counts its changes, so that two windows cannot overwrite each other. */
const STATEMENTS = [`ALTER TABLE products ADD COLUMN edit INTEGER NOT NULL DEFAULT 1`];

export const editing = {
  name: '2026-11-26-editing',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
