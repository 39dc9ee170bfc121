/** Whether a product is meant to cost nothing. */
export const freeProducts = {
  name: '2026-12-02-free-products',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    await context.run('ALTER TABLE products ADD COLUMN is_free INTEGER NOT NULL DEFAULT 0');
  },
};
