/** What is known of other sites: where snippets were seen, who was refused, and carts on their way to the shop. */
const statements = [
  `CREATE TABLE carried_carts (
     code TEXT NOT NULL PRIMARY KEY, cart_token TEXT NOT NULL, visit TEXT NOT NULL, until INTEGER NOT NULL) WITHOUT ROWID`,
  `CREATE TABLE seen_elsewhere (
     site TEXT NOT NULL, path TEXT NOT NULL, link TEXT NOT NULL, day TEXT NOT NULL, times INTEGER NOT NULL,
     errors INTEGER NOT NULL, last_at INTEGER NOT NULL, PRIMARY KEY (day, site, path, link)) WITHOUT ROWID`,
  `CREATE TABLE refused_sites (
     site TEXT NOT NULL, day TEXT NOT NULL, times INTEGER NOT NULL, last_at INTEGER NOT NULL,
     PRIMARY KEY (day, site)) WITHOUT ROWID`,
];

export const elsewhereTables = {
  name: '2026-11-27-elsewhere',
  async up({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> {
    for (const statement of statements) await context.run(statement);
  },
};
