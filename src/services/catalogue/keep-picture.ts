import { createHash } from 'node:crypto';
import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';

const EXTENSIONS: Readonly<Record<string, string>> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/svg+xml': 'svg',
};

/** Keeps an icon of the owner's among the shop's media, made small and clean; answers its address. The same icon is kept once. */
export async function keepIcon(app: App, bytes: Uint8Array): Promise<Result<{ src: string }>> {
  const cleaned = await app.cleaning.clean({ kind: 'icon', bytes });
  return cleaned.ok ? keep(app, cleaned.value.bytes, cleaned.value.extension) : cleaned;
}

/** Keeps a picture as large as a page shows it, cleaned. */
export async function keepPicture(app: App, bytes: Uint8Array): Promise<Result<{ src: string }>> {
  const cleaned = await app.cleaning.clean({ kind: 'file', bytes, forms: ['picture', 'drawing'] });
  return cleaned.ok ? keep(app, cleaned.value.bytes, EXTENSIONS[cleaned.value.type]!) : cleaned;
}

async function keep(app: App, bytes: Uint8Array, extension: string): Promise<Result<{ src: string }>> {
  const name = `${createHash('sha256').update(bytes).digest('hex').slice(0, 20)}.${extension}`;
  const folder = path.join(app.db.dataDir, 'media', 'icons');
  await mkdir(folder, { recursive: true });
  await writeFile(path.join(folder, name), bytes);
  return ok({ src: `/media/icons/${name}` });
}
