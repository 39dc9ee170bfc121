import { guard, offersOf } from '~/core/pricing';
import { dayIn } from '~/core/time';
import { allGoods } from '~/services/offers/goods';
import { streamWork } from '~/services/offers/slices';
import { showDraft } from '~/services/lane/edit-draft';
import { withAccount } from '../../_with-account';

/** Looks for a cart of the draft's offers that sells below the floor, with progress; and which offers meet. */
export const POST = withAccount('editor', async ({ locals }) => {
  const { app } = locals;
  const [{ lane }, { goods, swapped }] = await Promise.all([showDraft(app), allGoods(app)]);
  const offers = offersOf(lane.offers).filter(({ on }) => on);
  const { tax, severalCodes, timeZone } = lane.shop;
  const work = guard({
    ...{ goods, swapped, offers, margins: lane.margins, tax, severalCodes },
    ...{ at: app.now(), dayOf: (at: number) => dayIn(timeZone, at) },
  });
  return streamWork(work);
});
