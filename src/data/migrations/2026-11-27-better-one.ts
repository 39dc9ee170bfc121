/** The product that is better than one: offered in its place. */
const STATEMENTS = ['ALTER TABLE products ADD COLUMN better TEXT'];

export const betterOne = {
  name: '2026-11-27-better-one',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
