/** What an owner made of pairs that were found in orders; `a` comes before `b`. */
const STATEMENTS = [
  `CREATE TABLE found_pairs (
     a TEXT NOT NULL, b TEXT NOT NULL, state TEXT NOT NULL CHECK (state IN ('accepted', 'refused')),
     both INTEGER NOT NULL, baskets INTEGER NOT NULL, lift REAL NOT NULL, at INTEGER NOT NULL, PRIMARY KEY (a, b)) WITHOUT ROWID`,
];

export const foundPairs = {
  name: '2026-11-27-found-pairs',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
