import type { QueryOf } from '~/contract';
import { randomUUID } from 'node:crypto';
import { compileManifest, describeDifference, readLane, type Lane, type LaneChange } from '~/core/lane';
import { fail, ok, type Result } from '~/core/problems';
import type { RevisionSummary } from '~/data';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { changingPrices } from '~/services/prices/record-shown';
import { forgetLiveLane } from '~/services/lane/live-lane';
import { namesOfLanes } from '~/services/lane/names-of-lanes';
import { choosePublished } from './choose-published';

interface PublishRequest {
  readonly edit: number;
  readonly note: string;
  /** Changes that stay in the draft, by their keys. */
  readonly left?: readonly string[];
  readonly accountId: number | null;
}

/** Makes the draft of edit number `edit`, or some of its changes, live as a new revision. Errors of the lint refuse it. */
export function publishLane(app: App, request: PublishRequest): Promise<Result<{ revision: number }>> {
  return makingLive(app, () => storeDraft(app, request));
}

/** Runs what may publish: what is kept of the live lane is read anew, and prices are told again. */
export function makingLive<T>(app: App, publish: () => Promise<Result<T>>): Promise<Result<T>> {
  const run = async () => {
    const published = await publish();
    if (published.ok) forgetLiveLane(app);
    return published;
  };
  return changingPrices(app, run, ({ ok: isPublished }) => (isPublished ? null : []));
}

function storeDraft(app: App, { left = [], ...request }: PublishRequest): Promise<Result<{ revision: number }>> {
  return app.db.inTransaction(async (): Promise<Result<{ revision: number }>> => {
    const chosen = await choosePublished(app, { edit: request.edit, left });
    if (!chosen.ok) return chosen;
    // The old link showed the draft that is published now: the next draft gets a new one.
    await app.lanes.renewToken();
    return ok({ revision: await storeRevision(app, chosen.value.lane, request) });
  });
}

/** Stores a lane as the live one. Call inside a transaction, and forget the cached live lane after it. */
export async function storeRevision(
  app: App,
  lane: Lane,
  request: { note: string; accountId: number | null },
): Promise<number> {
  const { note, accountId } = request;
  const revision = await app.lanes.insertRevision({ document: lane, note, accountId, publishedAt: app.now() });
  await app.lanes.writeManifest(revision, compileManifest(lane, definitions, revision));
  await app.audit.write({ at: app.now(), accountId, action: 'publish', facts: { revision } });
  return revision;
}

/** The first revision and the first draft of a new shop. */
export async function startLane(app: App, live: Lane, draft: Lane): Promise<void> {
  await app.db.inTransaction(async () => {
    await storeRevision(app, live, { note: 'First lane', accountId: null });
    await app.lanes.writeDraft({ document: draft, edit: 1, token: randomUUID(), updatedAt: app.now() });
  });
  forgetLiveLane(app);
}

/** What became different from one revision to another. */
export async function compareRevisions(
  app: App,
  { from, to }: QueryOf<'GET /api/studio/revisions/compare'>,
): Promise<Result<LaneChange[]>> {
  const [before, after] = await Promise.all(
    [from, to].map(async (id) => readLane((await app.lanes.readRevision(id))?.document, definitions)),
  );
  if (!before!.ok || !after!.ok) return fail('', 'not-found');
  const names = await namesOfLanes(app, [before!.value, after!.value]);
  return ok(describeDifference(before!.value, after!.value, definitions, names));
}

export interface RevisionView extends RevisionSummary {
  /** What it changed against the revision before it. */
  readonly changes: readonly LaneChange[];
  /** Whether this program can read it. */
  readonly isReadable: boolean;
}

export async function listRevisions(app: App): Promise<RevisionView[]> {
  const summaries = await app.lanes.listRevisions();
  const lanes = new Map<number, Lane>();
  for (const { id } of summaries) {
    const read = readLane((await app.lanes.readRevision(id))?.document, definitions);
    if (read.ok) lanes.set(id, read.value);
  }
  const names = await namesOfLanes(app, [...lanes.values()]);
  return summaries.map((summary, i) => {
    const [own, before] = [lanes.get(summary.id), lanes.get(summaries[i + 1]?.id ?? -1)];
    return {
      ...summary,
      isReadable: own !== undefined,
      changes: own && before ? describeDifference(before, own, definitions, names) : [],
    };
  });
}
