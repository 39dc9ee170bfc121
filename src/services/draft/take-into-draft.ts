import type { AuditAction } from '~/core/audit/word-audit';
import { readLane, type Lane } from '~/core/lane';
import { fail, ok, type Result } from '~/core/problems';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';

export interface TakenBy {
  /** Of the draft it was shown with. */
  readonly edit: number;
  readonly accountId: number;
}

/** The draft as it is stored. */
export async function readDraft(app: App): Promise<Result<{ readonly lane: Lane; readonly edit: number }>> {
  const stored = await app.lanes.readDraft();
  if (!stored) return fail('', 'not-found');
  const read = readLane(stored.document, definitions);
  return read.ok ? ok({ lane: read.value, edit: stored.edit }) : read;
}

/** Puts what a file makes of the draft in its place. */
export function takeIntoDraft(
  app: App,
  make: (draft: Lane) => Result<Lane>,
  { edit, accountId, action }: TakenBy & { readonly action: AuditAction },
): Promise<Result<null>> {
  return app.db.inTransaction(async (): Promise<Result<null>> => {
    const [draft, stored] = [await readDraft(app), await app.lanes.readDraft()];
    if (!draft.ok) return draft;
    if (!stored || stored.edit !== edit) return fail('edit', 'stale-draft');
    const next = make(draft.value.lane);
    if (!next.ok) return next;
    await app.lanes.writeDraft({ ...stored, document: next.value, edit: edit + 1, updatedAt: app.now() });
    await app.audit.write({ at: app.now(), accountId, action, facts: {} });
    return ok(null);
  });
}
