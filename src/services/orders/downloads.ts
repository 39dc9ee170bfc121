import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';

/** The folder of files for sale, below the data folder. Only this module serves it. */
export const DOWNLOADS_FOLDER = 'downloads';

export interface FetchedFile {
  readonly name: string;
  readonly bytes: number;
  readonly content: Readable;
}

/** Sends a bought file and counts one use of its link; a missing file counts none. */
export async function fetchDownload(app: App, token: string): Promise<Result<FetchedFile>> {
  const found = await app.orders.findDownload(token);
  if (!found) return fail('', 'not-found');
  // The name comes from the catalogue: it must not lead out of the folder.
  const file = path.join(app.db.dataDir, DOWNLOADS_FOLDER, path.basename(found.file));
  const stats = await stat(file).catch(() => null);
  if (!stats?.isFile()) {
    app.log.error({ file: found.file }, 'a file that was sold is not there');
    return fail('', 'our-fault');
  }
  if (!(await app.orders.useDownload(token, app.now()))) return fail('', 'download-over');
  return ok({ name: path.basename(found.file), bytes: stats.size, content: createReadStream(file) });
}
