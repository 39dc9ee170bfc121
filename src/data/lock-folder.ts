import { createRequire } from 'node:module';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type sqlite3Module from 'sqlite3';

const sqlite3 = createRequire(import.meta.url)('sqlite3') as typeof sqlite3Module;

export type FolderLock =
  | { readonly isOurs: true; release(): Promise<void> }
  /** Somebody else serves from it; `pid` as they wrote it down, null when that cannot be read. */
  | { readonly isOurs: false; readonly pid: number | null };

/**
 * Takes a folder for this process, until it lets go or ends, however it ends: the lock is the operating system's (SQLite's
 * exclusive lock on a file of its own), so none is left behind, and a process number that came round again fools nobody.
 */
export async function lockFolder(dataDir: string): Promise<FolderLock> {
  const pidFile = path.join(dataDir, 'server.pid');
  const handle = await new Promise<sqlite3Module.Database>((resolve, reject) => {
    const opened: sqlite3Module.Database = new sqlite3.Database(path.join(dataDir, 'server.lock'), (error) =>
      error ? reject(error) : resolve(opened),
    );
  });
  handle.configure('busyTimeout', 0);
  const close = () => new Promise<void>((resolve) => handle.close(() => resolve()));
  const error = await new Promise<NodeJS.ErrnoException | null>((resolve) => handle.exec('BEGIN EXCLUSIVE', resolve));
  const isOurs = error === null;
  if (error && error.code !== 'SQLITE_BUSY') {
    await close();
    throw new Error(`${path.join(dataDir, 'server.lock')} is damaged (${error.message}). Delete it and start again.`);
  }
  if (!isOurs) {
    await close();
    return { isOurs, pid: readPid(pidFile) };
  }
  writeFileSync(pidFile, `${process.pid}\n`, { mode: 0o600 });
  return {
    isOurs,
    async release() {
      rmSync(pidFile, { force: true });
      await close();
    },
  };
}

function readPid(file: string): number | null {
  try {
    return Number(readFileSync(file, 'utf8')) || null;
  } catch {
    return null;
  }
}
