/** What one of a variant was shown to cost, offers included, since when; and what it is shown to cost now, to sort and to filter by. */
const STATEMENTS = [
  `CREATE TABLE shown_prices (
    id INTEGER PRIMARY KEY, variant_id INTEGER NOT NULL REFERENCES variants (id) ON DELETE CASCADE, at INTEGER NOT NULL,
    price_minor INTEGER NOT NULL, list_minor INTEGER NOT NULL, by_offers TEXT NOT NULL DEFAULT '', currency TEXT NOT NULL)`,
  'CREATE INDEX shown_prices_variant ON shown_prices (variant_id, at)',
  // Up to when the history is told; no row: nothing has been told yet.
  'CREATE TABLE shown_state (id INTEGER PRIMARY KEY CHECK (id = 1), at INTEGER NOT NULL)',
  // NULL until it is told for the first time: the price before offers.
  'ALTER TABLE variants ADD COLUMN shown_minor INTEGER',
  `ALTER TABLE variants ADD COLUMN shown_by TEXT NOT NULL DEFAULT ''`,
  // The lowest price of the 30 days before the reduction that stands now; NULL: nothing was shown before it.
  'ALTER TABLE variants ADD COLUMN low_minor INTEGER',
  'ALTER TABLE products ADD COLUMN shown_from_minor INTEGER NOT NULL DEFAULT 0',
  'ALTER TABLE products ADD COLUMN shown_to_minor INTEGER NOT NULL DEFAULT 0',
  'UPDATE products SET shown_from_minor = from_minor, shown_to_minor = to_minor',
  'DROP INDEX products_by_price',
  'CREATE INDEX products_by_price ON products (shown_from_minor, id, shown_to_minor, in_stock) WHERE is_shown = 1',
];

export const shownPrices = {
  name: '2026-11-30-shown-prices',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
