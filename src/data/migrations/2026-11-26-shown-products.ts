/**
 * Listings read shown products in order, from indexes that hold these alone. Led by `is_shown`, an index looks to the planner
 * like a way to find few rows, and it would look through the whole catalogue for a single product.
 */
const STATEMENTS = [
  ...['sold', 'day', 'price', 'rating', 'name'].map((by) => `DROP INDEX products_by_${by}`),
  `CREATE INDEX products_by_sold ON products (sold_count DESC, id, in_stock) WHERE is_shown = 1`,
  `CREATE INDEX products_by_day ON products (created_day DESC, id DESC, in_stock) WHERE is_shown = 1`,
  `CREATE INDEX products_by_price ON products (from_minor, id, to_minor, in_stock) WHERE is_shown = 1`,
  `CREATE INDEX products_by_rating ON products (rating_stars IS NULL, rating_stars DESC, rating_count DESC, id, in_stock) WHERE is_shown = 1`,
  `CREATE INDEX products_by_name ON products (name COLLATE NOCASE, id, in_stock) WHERE is_shown = 1`,
  `CREATE INDEX categories_parent ON categories (parent_id)`,
];

export const shownProducts = {
  name: '2026-11-26-shown-products',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
