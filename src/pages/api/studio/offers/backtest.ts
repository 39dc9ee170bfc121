import { backtest, marginShares, type Backtest } from '~/core/pricing';
import { fail } from '~/core/problems';
import { showDraft } from '~/services/draft/edit-draft';
import { pastOrders } from '~/services/offers/goods';
import { serve } from '../../_serve';

/** Orders told one by one. */
const MOST_TOLD = 2000;

export const POST = serve('POST /api/studio/offers/backtest', async ({ app, body: { offer } }) => {
  const { lane } = await showDraft(app);
  if (!Object.hasOwn(lane.offers, offer)) return fail('offer', 'not-found');
  const { tax } = lane.shop;
  return {
    ok: true,
    work: backtest(await pastOrders(app), lane.offers, offer, tax),
    show: ({ got, ...answer }: Backtest) => ({
      ...answer,
      got: got.length,
      told: got.slice(0, MOST_TOLD),
      shares: marginShares(got, tax),
    }),
  };
});
