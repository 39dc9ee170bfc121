import {
  changeKey,
  describeDifference,
  leaveOut,
  lintLane,
  readLane,
  wordFinding,
  type Lane,
  type LaneChange,
} from '~/core/lane';
import { fail, ok, type Problem, type Result } from '~/core/problems';
import { definitions } from '~/pieces/definitions';
import { findGoneGifts } from '~/services/catalogue/find-empty';
import type { App } from '~/services/app';
import { namesOfLanes } from '~/services/lane/names-of-lanes';

/** What of the draft is to go out. */
export interface Chosen {
  readonly lane: Lane;
  /** What is live now; null: the shop is not open yet. */
  readonly live: { readonly lane: Lane; readonly revision: number } | null;
  readonly changes: readonly LaneChange[];
}

/** The draft of edit number `edit` but for the changes that are left in it, found fit to be published. */
export async function choosePublished(
  app: App,
  { edit, left }: { readonly edit: number; readonly left: readonly string[] },
): Promise<Result<Chosen>> {
  const stored = await app.lanes.readDraft();
  if (!stored || stored.edit !== edit) return fail('edit', 'stale-draft');
  const read = readLane(stored.document, definitions);
  if (!read.ok) return read;
  const live = await readLive(app);
  const names = live ? await namesOfLanes(app, [live.lane, read.value]) : undefined;
  const changes = live ? describeDifference(live.lane, read.value, definitions, names) : [];
  const kept = changes.filter((change) => left.includes(changeKey(change)));
  if (kept.length < new Set(left).size) return fail('left', 'change-gone');
  if (kept.length > 0 && kept.length === changes.length) return fail('left', 'nothing-left');
  const lane = live ? leaveOut(read.value, live.lane, kept) : read.value;
  const problem = await findHindrance(app, lane, live?.lane ?? null);
  if (problem) return problem;
  return ok({ lane, live, changes: changes.filter((change) => !kept.includes(change)) });
}

/** What is live, as it is stored; null where nothing has been published yet. */
export async function readLive(app: App): Promise<Chosen['live']> {
  const stored = await app.lanes.readRevision('latest');
  const read = readLane(stored?.document, definitions);
  return stored && read.ok ? { lane: read.value, revision: stored.id } : null;
}

/** Why a lane cannot be made live in place of another; null when it can. */
export async function findHindrance(
  app: App,
  lane: Lane,
  live: Lane | null,
): Promise<{ ok: false; problems: readonly Problem[] } | null> {
  // Currency and time zone change separately, with everything that depends on them.
  if (live && !standAlike(live, lane)) return fail('shop', 'ground-step');
  const [slugs, goneGifts] = await Promise.all([app.catalogue.listSlugs(), findGoneGifts(app, lane)]);
  const errors = lintLane(lane, definitions, { ...slugs, goneGifts }).filter(({ level }) => level === 'error');
  if (errors.length === 0) return null;
  const message = errors.map((finding) => wordFinding(finding, lane, definitions)).join(' ');
  return fail('lane', 'lint-blocks', { message });
}

const standAlike = ({ shop: a }: Lane, { shop: b }: Lane) => a.currency === b.currency && a.timeZone === b.timeZone;
