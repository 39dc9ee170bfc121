/** What proof sheets found, by what they were drawn from. */
const STATEMENTS = [
  `CREATE TABLE proofs (
     piece_id TEXT NOT NULL, fingerprint TEXT NOT NULL, at INTEGER NOT NULL, situations INTEGER NOT NULL, problems JSON NOT NULL,
     PRIMARY KEY (piece_id, fingerprint))`,
];

export const proofs = {
  name: '2026-12-03-proofs',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
