import { readOrderNumber } from '~/core/orders';
import { fail, ok } from '~/core/problems';
import { goodsOfOrder, goodsOfProducts } from '~/services/offers/goods';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/offers/goods', async ({ app, query: { order, slugs } }) => {
  if (order === undefined) return ok({ goods: await goodsOfProducts(app, slugs), lines: [] });
  const id = readOrderNumber(String(order));
  const found = id === null ? null : await goodsOfOrder(app, id);
  return found ? ok(found) : fail('order', 'not-found');
});
