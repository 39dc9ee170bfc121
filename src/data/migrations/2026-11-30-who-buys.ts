/** What depends on who buys is judged when it is paid. */
const STATEMENTS = [
  // For whom (a keyed hash of their address) a cart has been judged; NULL: nobody yet.
  'ALTER TABLE carts ADD COLUMN judged_for TEXT',
  // The total that was shown, where less was charged; NULL: it is what was charged.
  'ALTER TABLE orders ADD COLUMN shown_total_minor INTEGER',
];

export const whoBuys = {
  name: '2026-11-30-who-buys',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
