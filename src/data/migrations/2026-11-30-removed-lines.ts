/** A cart remembers what was taken out of it, so that it can be put back as it was. */
const STATEMENT = "ALTER TABLE carts ADD COLUMN removed TEXT NOT NULL DEFAULT '[]'";

export const removedLines = {
  name: '2026-11-30-removed-lines',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> =>
    context.run(STATEMENT),
};
