/** Sessions that can be told apart and ended, links that let somebody in once, people who are gone, and an audit trail to be read. */
const STATEMENTS = [
  'ALTER TABLE accounts ADD COLUMN removed_at INTEGER',
  "ALTER TABLE sign_ins ADD COLUMN key TEXT NOT NULL DEFAULT ''",
  'ALTER TABLE sign_ins ADD COLUMN began_at INTEGER NOT NULL DEFAULT 0',
  'ALTER TABLE sign_ins ADD COLUMN seen_at INTEGER NOT NULL DEFAULT 0',
  "ALTER TABLE sign_ins ADD COLUMN agent TEXT NOT NULL DEFAULT ''",
  'UPDATE sign_ins SET key = lower(hex(randomblob(8))), began_at = expires_at - 14 * 86400000, seen_at = expires_at - 14 * 86400000',
  `CREATE TABLE entry_links (
     token_hash TEXT PRIMARY KEY, kind TEXT NOT NULL, email TEXT NOT NULL, role TEXT, made_by INTEGER, made_at INTEGER NOT NULL,
     until INTEGER NOT NULL) WITHOUT ROWID`,
  // Written to by whoever looks after us, to know that it can be.
  'CREATE TABLE pulse (id INTEGER PRIMARY KEY CHECK (id = 1), at INTEGER NOT NULL)',
  'CREATE INDEX audit_entries_at ON audit_entries (at)',
];

export const people = {
  name: '2026-12-01-people',
  up: async ({ context }: { context: { run: (sql: string) => Promise<void> } }): Promise<void> => {
    for (const statement of STATEMENTS) await context.run(statement);
  },
};
