import { readLane, type Lane } from '~/core/lane';
import { fail, ok, type Result } from '~/core/problems';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { storeRevision } from '~/services/draft/publish-lane';

export interface Replaced {
  readonly edit: number;
  /** The revision that is live now; 0 while nothing has been published. */
  readonly revision: number;
}

/**
 * Changes the draft of edit number `edit`, and what is live as a revision of its own, in one and the same way. Call inside a
 * transaction, and forget the live lane after it.
 */
export async function replaceLanes(
  app: App,
  request: { readonly edit: number; readonly note: string; readonly accountId: number },
  change: (lane: Lane) => Lane,
): Promise<Result<Replaced>> {
  const { edit, note, accountId } = request;
  const draft = await app.lanes.readDraft();
  if (!draft || draft.edit !== edit) return fail('edit', 'stale-draft');
  const read = readLane(draft.document, definitions);
  if (!read.ok) return read;
  const live = await app.lanes.readRevision('latest');
  const readLive = live && readLane(live.document, definitions);
  if (readLive && !readLive.ok) return readLive;
  const document = readLane(change(read.value), definitions);
  if (!document.ok) return document;
  await app.lanes.writeDraft({ ...draft, document: document.value, edit: edit + 1, updatedAt: app.now() });
  const revision = readLive ? await storeRevision(app, change(readLive.value), { note, accountId }) : 0;
  return ok({ edit: edit + 1, revision });
}
