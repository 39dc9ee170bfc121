import { createHash, randomBytes, randomUUID, timingSafeEqual } from 'node:crypto';
import { z } from 'zod';
import { firstSteps, type FirstStep, type StepsView } from '~/core/first-steps';
import { firstLane, UNNAMED } from '~/core/lane';
import { fail, type Result } from '~/core/problems';
import { definitions } from '~/pieces/definitions';
import { hashPassword, signIn, type SignInPlace, type SignInSecrets } from '~/services/accounts/accounts';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { processSlot } from '~/services/process-slot';

/** The lane a new folder begins with: days are those of the machine until the owner says where the shop is. */
export function startingLane() {
  return firstLane(definitions, Intl.DateTimeFormat().resolvedOptions().timeZone);
}

/** Prepares a new data folder. A folder that has a lane is left as it is. */
export async function prepareFolder(app: App): Promise<void> {
  await app.db.inTransaction(async () => {
    if (await app.lanes.readDraft()) return;
    await app.lanes.writeDraft({ document: startingLane(), edit: 1, token: randomUUID(), updatedAt: app.now() });
  });
}

const digest = (text: string) => createHash('sha256').update(text).digest();

/**
 * The secret of the link that makes the first account; null once there is one. It is told on the console alone and never
 * stored: whoever can read that may begin, and no stranger. A new start makes a new one.
 */
export async function offerBeginning(app: App): Promise<string | null> {
  const slot = processSlot();
  slot.beginKey = (await app.accounts.count()) === 0 ? randomBytes(24).toString('base64url') : null;
  return slot.beginKey;
}

/** Whether this is the key of the link on the console, and it still counts. */
export async function mayBegin(app: App, key: string): Promise<boolean> {
  const wanted = processSlot().beginKey;
  return Boolean(wanted) && timingSafeEqual(digest(key), digest(wanted!)) && (await app.accounts.count()) === 0;
}

export const beginSchema = z.object({
  name: z.string().trim().min(1).max(80),
  email: z.string().trim().toLowerCase().pipe(z.email().max(200)),
  password: z.string().min(10).max(200),
});

/** Makes the owner's account, once, and signs them in. */
export async function beginShop(
  app: App,
  key: string,
  { name, email, password }: z.infer<typeof beginSchema>,
  place: SignInPlace,
): Promise<Result<SignInSecrets>> {
  if (!(await mayBegin(app, key))) return fail('key', 'begin-over');
  const passwordHash = await hashPassword(password);
  const isFirst = await app.db.inTransaction(async () => {
    if ((await app.accounts.count()) > 0) return false;
    await app.accounts.insert({ name, email, role: 'owner', passwordHash });
    return true;
  });
  if (!isFirst) return fail('key', 'begin-over');
  processSlot().beginKey = null;
  return signIn(app, { email, password, ...place });
}

/** How far a new owner is; null once the shop is open. */
export async function showFirstSteps(app: App): Promise<StepsView | null> {
  const { revision, lane } = await liveLane(app);
  if (revision > 0) return null;
  const [products, said] = await Promise.all([app.catalogue.countAll(), app.lanes.listFirstSteps()]);
  return firstSteps({ isNamed: lane.shop.name !== UNNAMED, products, isPublished: false, said });
}

/** Stores whether the owner did or skipped a step; `open` takes that back. */
export async function sayFirstStep(
  app: App,
  { step, state }: { step: FirstStep; state: 'done' | 'skipped' | 'open' },
): Promise<StepsView | null> {
  await app.lanes.writeFirstStep(step, state === 'open' ? null : state, app.now());
  return showFirstSteps(app);
}
