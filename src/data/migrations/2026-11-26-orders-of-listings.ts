/** Units sold lately, for the order “best selling”; the place of a product in a category that its owner arranged; searches that found nothing. */
const STATEMENTS = [
  `ALTER TABLE products ADD COLUMN recent_count INTEGER NOT NULL DEFAULT 0`,
  `CREATE INDEX products_by_recent ON products (recent_count DESC, sold_count DESC, id, in_stock) WHERE is_shown = 1`,
  `ALTER TABLE product_categories ADD COLUMN place INTEGER`,
  `CREATE TABLE lost_searches (term TEXT PRIMARY KEY, times INTEGER NOT NULL, last_at INTEGER NOT NULL)`,
];

export const ordersOfListings = {
  name: '2026-11-26-orders-of-listings',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
