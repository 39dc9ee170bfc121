import { createRequire } from 'node:module';
import type sqlite3Module from 'sqlite3';

const sqlite3 = createRequire(import.meta.url)('sqlite3') as typeof sqlite3Module;

/**
 * Sequelize opens a new handle per transaction, and a pragma on one handle does not reach another; so every handle is
 * set up as it opens.
 */
class TunedDatabase extends sqlite3.Database {
  constructor(file: string, mode: number, opened: (error: Error | null) => void) {
    super(file, mode, opened);
    this.configure('busyTimeout', 5000);
    this.serialize();
    this.run('PRAGMA synchronous = NORMAL');
    this.run('PRAGMA foreign_keys = ON');
  }
}

export const tunedSqlite = { ...sqlite3, Database: TunedDatabase };
