/** Where the visit of a cart came from: some offers are for those alone. */
export const cartSource = {
  name: '2026-11-27-cart-source',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    await context.run('ALTER TABLE carts ADD COLUMN source TEXT');
  },
};
