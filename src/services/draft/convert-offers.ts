import { groupPerItem, isFromOnePerOrder, readLane, type Lane } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { guardLane } from '~/services/offers/guard-lane';
import { runInSlices } from '~/services/offers/slices';
import { forgetLiveLane, liveLane } from '~/services/lane/live-lane';
import { changingPrices } from '~/services/prices/record-shown';
import { storeRevision } from './publish-lane';

const NOTE = 'Offers of the group “discounts” lower each item once, by the better one';

/**
 * Offers of the group "discounts" that were stored when one of them stood for a whole order come to lower each item once: in the
 * draft, and in what is live as a revision of its own, unless a cart would then sell further below the floor than before. Done
 * once: what was written since says how its offers stand.
 */
export async function convertOffers(app: App): Promise<'converted' | 'below-floor' | 'nothing-to-do'> {
  const [draft, stored] = await Promise.all([app.lanes.readDraft(), app.lanes.readRevision('latest')]);
  if (!draft || !isFromOnePerOrder(draft.document)) return 'nothing-to-do';
  const isOld = stored !== null && isFromOnePerOrder(stored.document);
  const { lane, revision } = await liveLane(app);
  const converted = isOld && revision === stored.id ? groupPerItem(lane) : null;
  const isBelow = converted !== null && (await fallsFurther(app, lane, converted));
  const write = () =>
    app.db.inTransaction(async () => {
      // If the draft was changed in the meantime, that change is kept.
      const current = (await app.lanes.readDraft())!;
      const read = readLane(current.document, definitions);
      if (!read.ok) return;
      const document = groupPerItem(read.value) ?? read.value;
      await app.lanes.writeDraft({ ...current, document, edit: current.edit + 1, updatedAt: app.now() });
      if (converted && !isBelow && (await app.lanes.latestRevisionId()) === revision)
        await storeRevision(app, converted, { note: NOTE, accountId: null });
    });
  const store = () => write().then(() => forgetLiveLane(app));
  await changingPrices(app, store, () => (converted && !isBelow ? null : []));
  if (converted === null) return 'nothing-to-do';
  if (isBelow)
    app.log.warn(
      { revision },
      'offers that are live still stand one an order: otherwise a cart would sell below the floor',
    );
  return isBelow ? 'below-floor' : 'converted';
}

/** Whether the worst cart that is found falls further below its floor than before. */
async function fallsFurther(app: App, before: Lane, after: Lane): Promise<boolean> {
  const depth = async (lane: Lane) => {
    const { worst } = await runInSlices(await guardLane(app, lane), app.stopping.signal);
    return worst === null ? 0 : worst.leastMinor - worst.bringsMinor;
  };
  const now = await depth(after);
  return now > 0 && now > (await depth(before));
}
