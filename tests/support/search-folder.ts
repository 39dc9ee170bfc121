import { execFileSync } from 'node:child_process';

/**
 * Names of the files below a folder that hold a text, and how many were looked at. In a process of its own: closing a file
 * that SQLite has open in this one would take its locks away (POSIX, fcntl).
 */
export function searchFolder(folder: string, pattern: RegExp): { looked: number; holding: string[] } {
  const script = `
    const { readdirSync, readFileSync } = require('node:fs');
    const path = require('node:path');
    const [folder, source, flags] = process.argv.slice(1);
    const files = readdirSync(folder, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile());
    const pattern = new RegExp(source, flags);
    const holding = files.filter(({ parentPath, name }) => pattern.test(readFileSync(path.join(parentPath, name), 'latin1')));
    console.log(JSON.stringify({ looked: files.length, holding: holding.map(({ name }) => name) }));`;
  return JSON.parse(
    execFileSync(process.execPath, ['-e', script, folder, pattern.source, pattern.flags], {
      encoding: 'utf8',
      env: { PATH: process.env['PATH'] },
    }),
  ) as { looked: number; holding: string[] };
}
