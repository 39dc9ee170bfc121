import { currencyOf } from '~/core/money';
import { freeFrom, sumsToTry } from '~/core/pricing';
import { ok } from '~/core/problems';
import { showDraft } from '~/services/draft/edit-draft';
import { pastOrders } from '~/services/offers/goods';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/offers/free-from', async ({ app, body }) => {
  const { shop } = (await showDraft(app)).lane;
  return ok(freeFrom(await pastOrders(app), sumsToTry(currencyOf(shop.currency)), body, shop.tax));
});
