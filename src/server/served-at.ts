import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const fileIn = (dataDir: string) => path.join(dataDir, 'server.address');

/** Writes down where a folder is served, for commands on the same machine. It says nothing once the folder's lock is free. */
export function writeServedAt(dataDir: string, address: string): void {
  writeFileSync(fileIn(dataDir), `${address}\n`, { mode: 0o600 });
}

/** Where whoever holds a folder's lock serves it; null where they did not say. */
export function readServedAt(dataDir: string): string | null {
  try {
    return readFileSync(fileIn(dataDir), 'utf8').trim() || null;
  } catch {
    return null;
  }
}
