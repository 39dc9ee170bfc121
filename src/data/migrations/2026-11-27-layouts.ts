/** Layouts of pieces that an owner keeps to begin others from. */
const STATEMENTS = [
  `CREATE TABLE layouts (
     id INTEGER PRIMARY KEY, kind TEXT NOT NULL, name TEXT NOT NULL, document TEXT NOT NULL, at INTEGER NOT NULL, UNIQUE (kind, name))`,
];

export const layouts = {
  name: '2026-11-27-layouts',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
