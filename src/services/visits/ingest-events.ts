import type { EventBatch } from '~/contract/shop/visits';
import { isbot } from 'isbot';
import { LRUCache } from 'lru-cache';
import { dayIn } from '~/core/time';
import type { Excluded } from '~/data';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { network } from '~/services/limits';

const MAX_AGE_MS = 24 * 3600_000;
const MAX_AHEAD_MS = 5 * 60_000;

/** Visits known to have begun, so that only new ones are counted against an address. */
const known = new LRUCache<string, true>({ max: 50_000 });

/**
 * Writes a batch; events with a clock far off are stamped with the server's. Returns how many were new; null where too many
 * visits began at one address.
 */
export async function ingestEvents(
  app: App,
  batch: EventBatch,
  seen: { readonly userAgent: string; readonly isOwner: boolean; readonly from: string },
): Promise<number | null> {
  if (!known.has(batch.visit)) {
    if ((await app.limits.visits.take(network(seen.from))) !== null) return null;
    known.set(batch.visit, true);
  }
  const now = app.now();
  const { lane } = await liveLane(app);
  const excluded: Excluded = seen.isOwner ? 'owner' : isbot(seen.userAgent) ? 'bot' : null;
  const events = batch.events.map((event) => ({
    ...event,
    at: event.at < now - MAX_AGE_MS || event.at > now + MAX_AHEAD_MS ? now : event.at,
    visitId: batch.visit,
  }));
  const day = dayIn(lane.shop.timeZone, Math.min(...events.map((event) => event.at)));
  return app.visits.record(events, [
    { visitId: batch.visit, day, device: batch.device, source: batch.source, excluded },
  ]);
}
