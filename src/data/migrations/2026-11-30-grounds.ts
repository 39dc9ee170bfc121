/** What a shop stands on can be changed: its currency and its time zone. */
const STATEMENTS = [
  // A unit of the currency before was `rate` units of the one after it; `revision` is the first that was live in it.
  `CREATE TABLE currency_changes (
    id INTEGER PRIMARY KEY, at INTEGER NOT NULL, from_currency TEXT NOT NULL, to_currency TEXT NOT NULL, rate REAL NOT NULL,
    revision INTEGER NOT NULL)`,
  // In which currency a visit's revenue is; NULL: there is none.
  'ALTER TABLE visits ADD COLUMN revenue_currency TEXT',
  `UPDATE visits SET revenue_currency = (SELECT currency FROM orders o WHERE o.visit_id = visits.id LIMIT 1) WHERE revenue_minor <> 0`,
  'DROP INDEX visits_day',
  'CREATE INDEX visits_day ON visits (day, device, source, excluded, depth, revenue_currency, revenue_minor)',
];

export const grounds = {
  name: '2026-11-30-grounds',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
