/** What comes after an order: a product added to it, a code for next time, and a birthday, asked for once. */
const statements = [
  `CREATE TABLE order_additions (
     order_id INTEGER NOT NULL PRIMARY KEY REFERENCES orders (id) ON DELETE CASCADE, attempt INTEGER NOT NULL DEFAULT 1,
     state TEXT NOT NULL, piece TEXT NOT NULL, variant_id INTEGER NOT NULL, quantity INTEGER NOT NULL,
     amount_minor INTEGER NOT NULL, reference TEXT, at INTEGER NOT NULL)`,
  `CREATE INDEX order_additions_reserved ON order_additions (at) WHERE state = 'reserved'`,
  `CREATE TABLE given_codes (
     order_id INTEGER NOT NULL REFERENCES orders (id) ON DELETE CASCADE, offer_id TEXT NOT NULL, code TEXT NOT NULL,
     PRIMARY KEY (order_id, offer_id)) WITHOUT ROWID`,
  `CREATE TABLE birthdays (shopper TEXT NOT NULL PRIMARY KEY, day TEXT, at INTEGER NOT NULL) WITHOUT ROWID`,
];

export const afterOrder = {
  name: '2026-11-27-after-order',
  async up({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> {
    for (const statement of statements) await context.run(statement);
  },
};
