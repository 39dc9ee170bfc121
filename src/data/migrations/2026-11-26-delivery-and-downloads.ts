/** What is made to order says how long it takes; what is downloaded has a file, and each buyer a link of their own to it. */
const STATEMENTS = [
  `ALTER TABLE products ADD COLUMN lead_days INTEGER`,
  `ALTER TABLE products ADD COLUMN download_file TEXT`,
  `ALTER TABLE orders ADD COLUMN language TEXT NOT NULL DEFAULT 'en'`,
  `ALTER TABLE orders ADD COLUMN delivery_name TEXT NOT NULL DEFAULT ''`,
  `ALTER TABLE orders ADD COLUMN delivery_days TEXT NOT NULL DEFAULT ''`,
  `ALTER TABLE orders ADD COLUMN tax_included INTEGER NOT NULL DEFAULT 1`,
  `CREATE TABLE downloads (
    token TEXT PRIMARY KEY, order_id INTEGER NOT NULL REFERENCES orders(id) ON DELETE CASCADE,
    name TEXT NOT NULL, file TEXT NOT NULL, uses_left INTEGER NOT NULL CHECK (uses_left >= 0), until INTEGER NOT NULL) WITHOUT ROWID`,
  `CREATE INDEX downloads_order ON downloads (order_id)`,
];

export const deliveryAndDownloads = {
  name: '2026-11-26-delivery-and-downloads',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
