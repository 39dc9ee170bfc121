import type { DraftView } from '~/contract/studio/draft';
import {
  applyLanePatch,
  describeDifference,
  lintLane,
  migrateLane,
  readLane,
  type Lane,
  type LanePatch,
} from '~/core/lane';
import { notRealYet } from '~/core/lane/findings/not-real-yet';
import { servedCountries } from '~/core/delivery';
import { fail, ok, type Problem, type Result } from '~/core/problems';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { startingLane } from '~/services/draft/begin';
import { findEmpty, findGoneGifts, findUnsold } from '~/services/catalogue/find-empty';
import { inPresentCurrency } from '~/services/lane/in-present-currency';
import { forgetLiveLane, isOpen, liveLane } from '~/services/lane/live-lane';
import { namesOfLanes } from '~/services/lane/names-of-lanes';
import { showProofs } from './keep-proofs';
import { listPlans } from './plan-publishing';
import { keepTried } from '~/services/lane/tried-lanes';

/** The stored draft cannot be read by this version; `/studio/mend` replaces it. */
export class DraftUnreadable extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(`The draft cannot be read: ${JSON.stringify(problems.slice(0, 5))}`);
  }
}

export async function showDraft(app: App): Promise<DraftView> {
  const [stored, live, slugs] = await Promise.all([app.lanes.readDraft(), liveLane(app), app.catalogue.listSlugs()]);
  if (!stored) throw new Error('There is no draft in this data folder');
  const read = readLane(stored.document, definitions);
  if (!read.ok) throw new DraftUnreadable(read.problems);
  // A shop that is not open yet is compared with what it began with.
  const before = live.revision === 0 ? startingLane() : live.lane;
  const [empty, unsold, goneGifts, shown, names, categoryTexts, proofs, plans] = await Promise.all([
    findEmpty(app, read.value),
    findUnsold(app, read.value),
    findGoneGifts(app, read.value),
    app.catalogue.countShown(),
    namesOfLanes(app, [before, read.value]),
    app.catalogue.categoryTexts(),
    showProofs(app, read.value),
    listPlans(app),
  ]);
  return {
    edit: stored.edit,
    token: stored.token,
    lane: read.value,
    live: { revision: live.revision, lane: before },
    changes: describeDifference(before, read.value, definitions, names),
    names,
    categoryTexts,
    proofs,
    plans,
    cautions: notRealYet(read.value, startingLane(), {
      ...shown,
      isFirst: live.revision === 0,
      servedBefore: servedCountries(before.shop.delivery).length,
    }),
    lint: lintLane(read.value, definitions, { ...slugs, empty, unsold, goneGifts, categoryTexts, at: app.now() }),
  };
}

/** What is wrong with a draft that cannot be read; null when it can. */
export async function findDraftProblem(app: App): Promise<{ edit: number; problems: readonly Problem[] } | null> {
  const stored = await app.lanes.readDraft();
  const read = readLane(stored?.document, definitions);
  return stored && !read.ok ? { edit: stored.edit, problems: read.problems } : null;
}

/** Changes of one person within it are one entry of the audit trail. */
const ONE_SITTING_MS = 30 * 60_000;

/** Applies a patch made on edit number `edit`; a stale one is refused and changes nothing. Answers the new number. */
export async function patchDraft(
  app: App,
  edit: number,
  patch: LanePatch,
  accountId: number | null = null,
): Promise<Result<{ edit: number; token: string }>> {
  const isLive = (await liveLane(app)).revision === 0;
  const result = await app.db.inTransaction(async (): Promise<Result<{ edit: number; token: string }>> => {
    const stored = await app.lanes.readDraft();
    if (!stored || stored.edit !== edit) return fail('edit', 'stale-draft');
    const patched = applyLanePatch(migrateLane(stored.document) as Lane, patch, definitions);
    if (!patched.ok) return patched;
    const step = await changesGround(app, migrateLane(stored.document) as Lane, patched.value);
    if (step) return step;
    await app.lanes.writeDraft({ ...stored, document: patched.value, edit: edit + 1, updatedAt: app.now() });
    const entry = { at: app.now(), accountId, action: 'draft-changed', facts: {} } as const;
    if (accountId !== null) await app.audit.count(entry, ONE_SITTING_MS);
    return ok({ edit: edit + 1, token: stored.token });
  });
  // Until something is published, the owner walks through the draft.
  if (isLive) forgetLiveLane(app);
  return result;
}

/** Keeps what a patch would make of the draft, to be drawn and looked at; the draft stays as it is. */
export async function tryPatch(app: App, edit: number, patch: LanePatch): Promise<Result<{ key: string }>> {
  const stored = await app.lanes.readDraft();
  if (!stored || stored.edit !== edit) return fail('edit', 'stale-draft');
  const patched = applyLanePatch(migrateLane(stored.document) as Lane, patch, definitions);
  return patched.ok ? ok({ key: keepTried(app, patched.value) }) : patched;
}

/** What the shop stands on changes in a step of its own, which changes everything that hangs on it; before there is anything it is free. */
async function changesGround(app: App, before: Lane, after: Lane): Promise<ReturnType<typeof fail> | null> {
  const isMoved = before.shop.timeZone !== after.shop.timeZone;
  const isRepriced = before.shop.currency !== after.shop.currency;
  if (!isMoved && !isRepriced) return null;
  if ((await isOpen(app)) || (isRepriced && (await app.catalogue.countAll()) > 0)) return fail('shop', 'ground-step');
  return null;
}

/** Puts a revision's document into the draft, or what is live, to start over from it: in the currency and the zone of today. */
export async function restoreIntoDraft(
  app: App,
  edit: number,
  revision: number | 'latest',
  accountId: number,
): Promise<Result<{ edit: number }>> {
  return app.db.inTransaction(async () => {
    const [stored, source] = await Promise.all([app.lanes.readDraft(), app.lanes.readRevision(revision)]);
    if (!source) return fail('revision', 'not-found');
    if (!stored || stored.edit !== edit) return fail('edit', 'stale-draft');
    const read = readLane(source.document, definitions);
    if (!read.ok) return read;
    const { timeZone } = (await liveLane(app)).lane.shop;
    const priced = await inPresentCurrency(app, read.value, source.id);
    const document = { ...priced, shop: { ...priced.shop, timeZone } };
    await app.lanes.writeDraft({ ...stored, document, edit: edit + 1, updatedAt: app.now() });
    await app.audit.write({
      at: app.now(),
      accountId,
      action: 'restore-revision',
      facts: { revision: source.id },
    });
    return ok({ edit: edit + 1 });
  });
}
