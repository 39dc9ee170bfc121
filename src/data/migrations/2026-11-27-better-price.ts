/** What the better one costs in the place of a product; null: what it always costs. */
const STATEMENTS = [
  'ALTER TABLE products ADD COLUMN better_price_minor INTEGER',
  'CREATE INDEX products_better ON products (better) WHERE better_price_minor IS NOT NULL',
];

export const betterPrice = {
  name: '2026-11-27-better-price',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
