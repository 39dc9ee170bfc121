/** Codes that each work once. */
const statements = [
  `CREATE TABLE one_time_codes (
     code TEXT NOT NULL PRIMARY KEY, offer_id TEXT NOT NULL, made_at INTEGER NOT NULL,
     order_id INTEGER REFERENCES orders (id) ON DELETE SET NULL) WITHOUT ROWID`,
  `CREATE INDEX one_time_codes_offer ON one_time_codes (offer_id)`,
  `CREATE INDEX one_time_codes_order ON one_time_codes (order_id)`,
];

export const oneTimeCodes = {
  name: '2026-11-27-one-time-codes',
  async up({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> {
    for (const statement of statements) await context.run(statement);
  },
};
