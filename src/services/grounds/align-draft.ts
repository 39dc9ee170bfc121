import { readLane } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { isOpen, liveLane } from '~/services/lane/live-lane';

/** A draft stored while currency and zone still were part of it stands on what the open shop stands on; its numbers stay. */
export async function alignDraft(app: App): Promise<void> {
  if (!(await isOpen(app))) return;
  const { currency, timeZone } = (await liveLane(app)).lane.shop;
  await app.db.inTransaction(async () => {
    const stored = await app.lanes.readDraft();
    const read = readLane(stored?.document, definitions);
    if (!stored || !read.ok) return;
    const { shop } = read.value;
    if (shop.currency === currency && shop.timeZone === timeZone) return;
    const document = { ...read.value, shop: { ...shop, currency, timeZone } };
    await app.lanes.writeDraft({ ...stored, document, edit: stored.edit + 1, updatedAt: app.now() });
    app.log.warn({ currency, timeZone }, 'the draft stands on the currency and the time zone of the open shop again');
  });
}
