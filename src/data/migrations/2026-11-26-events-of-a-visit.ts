/** What one visit did is read when an order is opened; without an index the whole log would be. */
const STATEMENTS = [`CREATE INDEX events_visit ON events (visit_id, at)`];

export const eventsOfAVisit = {
  name: '2026-11-26-events-of-a-visit',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
