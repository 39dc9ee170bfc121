import { z } from 'zod';
import { backtest, marginShares } from '~/core/pricing';
import { pastOrders } from '~/services/offers/goods';
import { streamWork } from '~/services/offers/slices';
import { showDraft } from '~/services/draft/edit-draft';
import { readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

const askedSchema = z.strictObject({ offer: z.string().min(1).max(60) });
/** Orders told one by one. */
const MOST_TOLD = 2000;

/** Prices all past orders with and without an offer of the draft, with progress. */
export const POST = withAccount('owner', async ({ locals, request }) => {
  const body = await readBody(request, askedSchema);
  if (!body.ok) return refuse(body.problems);
  const { offer } = body.value;
  const { lane } = await showDraft(locals.app);
  if (!Object.hasOwn(lane.offers, offer)) return refuse([{ path: 'offer', code: 'not-found' }]);
  const { tax } = lane.shop;
  const work = backtest(await pastOrders(locals.app), lane.offers, offer, tax);
  return streamWork(work, ({ got, ...answer }) => ({
    ...answer,
    got: got.length,
    told: got.slice(0, MOST_TOLD),
    shares: marginShares(got, tax),
  }));
});
