import type { Traces } from '~/contract/studio/orders';
import { rm } from 'node:fs/promises';
import path from 'node:path';
import { fail, ok, type Result } from '~/core/problems';
import { addDays, dayIn } from '~/core/time';
import type { App } from '~/services/app';
import { shopperKey } from '~/services/offers/circumstances';
import { liveLane } from '~/services/lane/live-lane';
import { uploadsFolder } from '~/services/files/uploads';

const DAY_MS = 86_400_000;

/** How many days data is kept; docs/privacy.md says why. */
export const KEPT_DAYS = { checkouts: 7, carts: 60, visits: 400, failedOrders: 30, elsewhere: 60 } as const;

/** Whether a request asks not to be recorded: Global Privacy Control (W3C), or Do Not Track before it. */
export function asksNotToBeTracked(headers: Headers): boolean {
  return headers.get('sec-gpc') === '1' || headers.get('dnt') === '1';
}

/** Deletes what has been kept for its time. */
export async function sweepPersonal(app: App): Promise<Record<string, number>> {
  const now = app.now();
  const { lane } = await liveLane(app);
  const ago = (days: number) => now - days * DAY_MS;
  await app.elsewhere.forget(addDays(dayIn(lane.shop.timeZone, now), -KEPT_DAYS.elsewhere));
  return app.privacy.sweep({
    checkouts: ago(KEPT_DAYS.checkouts),
    carts: ago(KEPT_DAYS.carts),
    failedOrders: ago(KEPT_DAYS.failedOrders),
    visitsDay: addDays(dayIn(lane.shop.timeZone, now), -KEPT_DAYS.visits),
    events: ago(KEPT_DAYS.visits),
    signIns: now,
  });
}

/** Everything stored about a buyer, by mail address. */
export async function findTraces(app: App, email: string): Promise<Traces> {
  const known = email.trim().toLowerCase();
  const [found, mails] = await Promise.all([app.privacy.findTraces(known), app.mailbox.countTo(known)]);
  return { orders: found.orders, checkouts: found.checkouts, files: found.files.length, mails };
}

/**
 * Erases a buyer: orders stay as sales without a name, everything else of theirs goes. Refused while one of their orders is
 * being paid. Answers what was erased; the trail keeps the counts and not the address.
 */
export async function eraseShopper(app: App, email: string, accountId: number | null): Promise<Result<Traces>> {
  const known = email.trim().toLowerCase();
  const erased = await app.db.inTransaction(async () => {
    const found = await app.privacy.findTraces(known);
    if (found.underWay > 0) return null;
    await app.privacy.erase(known, found.files);
    await app.afterOrders.forgetBirthday(shopperKey(app, known));
    return found;
  });
  if (!erased) return fail('email', 'erase-waits');
  await Promise.all(erased.files.map((id) => rm(path.join(uploadsFolder(app), id), { force: true })));
  const mails = await app.mailbox.eraseTo(known);
  const traces = { orders: erased.orders, checkouts: erased.checkouts, files: erased.files.length, mails };
  await app.audit.write({ at: app.now(), accountId, action: 'erase-shopper', facts: traces });
  return ok(traces);
}
