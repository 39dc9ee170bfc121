import { createHash, randomUUID } from 'node:crypto';
import { access, mkdir, rename, stat } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';
import type { App } from '~/services/app';

/** CSS px of the largest picture in a mail, twice as fine. */
const MAIL_WIDTH = 1280;

/** The file of a picture of the shop's own; null for any other address. */
function fileOf(app: App, src: string): string | null {
  if (!src.startsWith('/media/')) return null;
  const folder = path.join(app.db.dataDir, 'media');
  // File names have no escapes; a path with escapes is looked up as it is.
  const file = path.join(folder, src.slice('/media/'.length));
  return file.startsWith(folder + path.sep) ? file : null;
}

/** How high a picture is for its width; 1 where that cannot be known. */
export async function pictureRatio(app: App, src: string): Promise<number> {
  const file = fileOf(app, src);
  const read =
    file === null
      ? null
      : await sharp(file)
          .metadata()
          .catch(() => null);
  return read?.width && read.height ? read.height / read.width : 1;
}

/** The same picture as mail programs show it, made once: they draw PNG, and no drawings. Null where it cannot be made. */
export async function mailPicture(app: App, src: string): Promise<string | null> {
  const file = fileOf(app, src);
  const found = file === null ? null : await stat(file).catch(() => null);
  if (file === null || found === null) return null;
  // A changed picture under the same address gets another file.
  const name = `${createHash('sha256').update(`${src} ${found.mtimeMs}`).digest('hex').slice(0, 20)}.png`;
  const folder = path.join(app.db.dataDir, 'media', 'mail');
  const made = path.join(folder, name);
  const isThere = await access(made).then(
    () => true,
    () => false,
  );
  // Two requests at once write separate files.
  const part = `${made}.${randomUUID()}.part`;
  if (!isThere)
    try {
      await mkdir(folder, { recursive: true });
      await sharp(file)
        .resize({ width: MAIL_WIDTH, withoutEnlargement: !file.endsWith('.svg') })
        .png()
        .toFile(part);
      await rename(part, made);
    } catch (error) {
      app.log.warn({ err: error, src }, 'a picture could not be made for mails');
      return null;
    }
  return `/media/mail/${name}`;
}
