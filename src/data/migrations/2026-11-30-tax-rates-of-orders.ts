/** Orders keep the tax rates they were made at, so that parts of them are refunded at their own. */
const STATEMENTS = [
  'ALTER TABLE orders ADD COLUMN tax_basis_points INTEGER',
  'ALTER TABLE order_lines ADD COLUMN tax_basis_points INTEGER',
];

export const taxRatesOfOrders = {
  name: '2026-11-30-tax-rates-of-orders',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
