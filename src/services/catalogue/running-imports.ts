import { randomUUID } from 'node:crypto';
import type { ImportOptions } from '~/contract/studio/imports';
import type { ImportRecord } from '~/core/formats';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { beginImport, refuseSecond, runImport, STOPPED } from './import-catalogue';

const running = new Set<Promise<unknown>>();

/** Starts an import that goes on after the answer; ask `importProgress` how far it is. */
export async function startImport(
  app: App,
  bytes: Uint8Array,
  options: ImportOptions,
  accountId: number,
): Promise<Result<{ id: string }>> {
  const id = randomUUID();
  if (!(await beginImport(app, id, accountId))) return refuseSecond(app);
  const run = runImport(app, bytes, options, { id, accountId, onProgress: () => undefined })
    .catch((error: unknown) => app.log.error({ err: error }, 'import failed'))
    .finally(() => running.delete(run));
  running.add(run);
  return ok({ id });
}

/** How far an import is. */
export async function importProgress(app: App, id: string): Promise<Result<ImportRecord>> {
  const record = await app.imports.findRecord(id);
  return record ? ok(record) : fail('id', 'not-found');
}

/** Waits for imports that were told to stop. */
export async function importsEnded(): Promise<void> {
  await Promise.all(running);
}

/** Records what a crash left running as stopped. Run at start. */
export function stopLostImports(app: App): Promise<number> {
  return app.imports.stopLost(STOPPED);
}
