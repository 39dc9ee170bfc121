import { expect } from 'chai';
import { cp, mkdtemp, readFile, symlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** A copy of parts of the program, with the packages that are installed here. */
export async function copyProgram(names: readonly string[]): Promise<string> {
  const folder = await mkdtemp(path.join(tmpdir(), 'paved-lane-copy-'));
  for (const name of names) await cp(path.resolve(name), path.join(folder, name), { recursive: true });
  await symlink(path.resolve('node_modules'), path.join(folder, 'node_modules'));
  return folder;
}

/** Puts a line behind the one that begins a list, and what it imports at the top. */
export async function insertLine(file: string, after: RegExp, line: string, imported = ''): Promise<void> {
  const text = await readFile(file, 'utf8');
  expect(text).to.match(after);
  await writeFile(file, imported + text.replace(after, (found) => `${found}\n${line}`));
}
