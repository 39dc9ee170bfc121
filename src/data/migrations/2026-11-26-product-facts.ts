/**
 * What else an owner says of a product: its tax rate (a key of the shop's; none: the shop's own), what sending one of it adds,
 * whether it comes first, and what goes with it. A review can be hidden and answered.
 */
const STATEMENTS = [
  `ALTER TABLE products ADD COLUMN tax_rate TEXT`,
  `ALTER TABLE products ADD COLUMN item_delivery_minor INTEGER NOT NULL DEFAULT 0`,
  `ALTER TABLE products ADD COLUMN is_featured INTEGER NOT NULL DEFAULT 0`,
  `ALTER TABLE products ADD COLUMN suggestions JSON NOT NULL DEFAULT '[]'`,
  `ALTER TABLE reviews ADD COLUMN is_hidden INTEGER NOT NULL DEFAULT 0`,
  `ALTER TABLE reviews ADD COLUMN answer TEXT NOT NULL DEFAULT ''`,
  `DROP INDEX products_by_sold`,
  `CREATE INDEX products_by_sold ON products (is_featured DESC, sold_count DESC, id, in_stock) WHERE is_shown = 1`,
];

export const productFacts = {
  name: '2026-11-26-product-facts',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
