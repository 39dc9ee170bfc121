import type { Lane } from '~/core/lane';
import { offerSchema, type Offer } from '~/core/pricing';
import type { App } from '~/services/app';
import { publishLane } from '~/services/draft/publish-lane';
import { liveLane } from '~/services/lane/live-lane';

/** Makes the live shop sell with these offers, and no others. */
export async function sellWith(
  app: App,
  offers: Readonly<Record<string, object>>,
  shop: Partial<Lane['shop']> = {},
): Promise<Record<string, Offer>> {
  const made = Object.fromEntries(Object.entries(offers).map(([id, offer]) => [id, offerSchema.parse(offer)]));
  const { lane } = await liveLane(app);
  const stored = (await app.lanes.readDraft())!;
  const document: Lane = { ...lane, shop: { ...lane.shop, ...shop }, offers: made };
  await app.lanes.writeDraft({ ...stored, document, edit: stored.edit + 1 });
  const published = await publishLane(app, { edit: stored.edit + 1, note: '', accountId: null });
  if (!published.ok) throw new Error(JSON.stringify(published.problems));
  return made;
}
