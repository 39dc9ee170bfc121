import { createHash } from 'node:crypto';
import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { ok, type Result } from '~/core/problems';
import type { App } from './app';

/** Keeps an icon of the owner's among the shop's media, made small and clean; answers its address. The same icon is kept once. */
export async function keepIcon(app: App, bytes: Uint8Array): Promise<Result<{ src: string }>> {
  const cleaned = await app.cleaning.clean({ kind: 'icon', bytes });
  if (!cleaned.ok) return cleaned;
  const { bytes: clean, extension } = cleaned.value;
  const name = `${createHash('sha256').update(clean).digest('hex').slice(0, 20)}.${extension}`;
  const folder = path.join(app.db.dataDir, 'media', 'icons');
  await mkdir(folder, { recursive: true });
  await writeFile(path.join(folder, name), clean);
  return ok({ src: `/media/icons/${name}` });
}
