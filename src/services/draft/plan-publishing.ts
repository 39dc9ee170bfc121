import isEqual from 'fast-deep-equal';
import { z } from 'zod';
import type { BodyOf } from '~/contract';
import { laneChangeSchema } from '~/contract/shapes/lane-changes';
import type { Planned } from '~/contract/studio/publishing';
import { applyLanePatch, diffLanes, lanePatchSchema, patchesClash, readLane, type LanePatch } from '~/core/lane';
import { MOST_PLANNED_DAYS, MOST_PLANS } from '~/core/limits';
import { fail, ok, wordProblem, type Result } from '~/core/problems';
import { localTime, momentOf } from '~/core/time';
import type { StoredPlan } from '~/data';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { choosePublished, findHindrance, readLive } from './choose-published';
import { makingLive, storeRevision } from './publish-lane';

const DAY_MS = 86_400_000;
const changesSchema = z.array(laneChangeSchema);

/** Plans that the draft, or some of its changes, go out at a time in the shop's own zone. Nothing is live before. */
export async function planPublishing(
  app: App,
  request: BodyOf<'POST /api/studio/plans'> & { readonly accountId: number },
): Promise<Result<Planned>> {
  const { shop } = (await liveLane(app)).lane;
  if (!isTimeOfClock(request.local)) return fail('local', 'plan-time', { value: request.local });
  const at = momentOf(request.local, shop.timeZone);
  if (at <= app.now()) return fail('local', 'plan-past');
  if (at > app.now() + MOST_PLANNED_DAYS * DAY_MS) return fail('local', 'plan-far');
  return app.db.inTransaction(async (): Promise<Result<Planned>> => {
    const chosen = await choosePublished(app, request);
    if (!chosen.ok) return chosen;
    const { lane, live, changes } = chosen.value;
    if (!live) return fail('edit', 'not-open');
    if (changes.length === 0) return fail('left', 'nothing-left');
    const waiting = (await app.plans.list()).filter(({ state }) => state === 'waiting');
    if (waiting.length >= MOST_PLANS) return fail('local', 'plan-many', { most: MOST_PLANS });
    const { note, accountId } = request;
    const patch = diffLanes(live.lane, lane);
    const id = await app.plans.insert({ at, baseRevision: live.revision, patch, changes, note, accountId });
    await app.audit.write({ at: app.now(), accountId, action: 'plan-publish', facts: { plan: id, at } });
    return ok((await listPlans(app)).find((plan) => plan.id === id)!);
  });
}

/** Whether it is a day and a time there is: not the 31st of February. */
function isTimeOfClock(local: string): boolean {
  const at = Date.parse(`${local}:00Z`);
  return !Number.isNaN(at) && localTime(at, 'UTC') === local;
}

/** What waits, and what could not go out, the soonest first. */
export async function listPlans(app: App): Promise<Planned[]> {
  return (await app.plans.list()).map(({ id, at, note, by, changes, state, why }) => ({
    id,
    at,
    note,
    by,
    changes: changesSchema.safeParse(changes).data ?? [],
    state: state === 'refused' ? 'refused' : 'waiting',
    why,
  }));
}

/** Stops what waits, and puts away what was refused. */
export async function stopPlan(app: App, id: number, accountId: number): Promise<Result<null>> {
  if (!(await app.plans.move(id, ['waiting', 'refused'], 'stopped'))) return fail('id', 'not-found');
  await app.audit.write({ at: app.now(), accountId, action: 'plan-stopped', facts: { plan: id } });
  return ok(null);
}

/** Publishes what is due, each once: what could not be told while the server was down goes out when it is back. */
export async function publishDue(app: App): Promise<void> {
  const due = (await app.plans.list()).filter(({ state, at }) => state === 'waiting' && at <= app.now());
  // One that fails is tried again by the next sweep, and keeps no other back.
  for (const plan of due)
    await makingLive(app, () => app.db.inTransaction(() => publishPlan(app, plan))).catch((error: unknown) =>
      app.log.error({ err: error, plan: plan.id }, 'a plan could not be published'),
    );
}

async function publishPlan(app: App, plan: StoredPlan): Promise<Result<null>> {
  const joined = await joinPlan(app, plan);
  const { id, note, accountId } = plan;
  if (!joined.ok) {
    const why = joined.problems.map((problem) => wordProblem(problem)).join(' ');
    if (await app.plans.move(id, ['waiting'], 'refused', why))
      await app.audit.write({ at: app.now(), accountId, action: 'plan-refused', facts: { plan: id } });
    return joined;
  }
  // Stopped a moment ago: it does not go out.
  if (!(await app.plans.move(id, ['waiting'], 'done'))) return fail('id', 'not-found');
  await storeRevision(app, joined.value, { note, accountId });
  return ok(null);
}

/** What is live now, with what was planned in it; refused where either has changed so that they do not fit. */
async function joinPlan(app: App, { patch, baseRevision }: StoredPlan) {
  const live = await readLive(app);
  const base = readLane((await app.lanes.readRevision(baseRevision))?.document, definitions);
  const read = lanePatchSchema.safeParse(patch);
  if (!live || !base.ok || !read.success) return fail('plan', 'plan-clash');
  const meanwhile = diffLanes(base.value, live.lane);
  // What is so already is no clash.
  const rest = (read.data as LanePatch).filter((change) => !meanwhile.some((other) => isEqual(other, change)));
  if (patchesClash(rest, meanwhile)) return fail('plan', 'plan-clash');
  const joined = applyLanePatch(live.lane, rest, definitions);
  if (!joined.ok) return fail('plan', 'plan-clash');
  return (await findHindrance(app, joined.value, live.lane)) ?? joined;
}
