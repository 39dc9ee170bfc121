import { ok } from '~/core/problems';
import { actOnMany, exportOrders } from '~/services/orders/fulfilment';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/orders', async ({ app, account, body }) =>
  ok(await actOnMany(app, body, account.id)),
);

export const GET = serve('GET /api/studio/orders', async ({ app, account, query }) => {
  const headers = {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="orders.csv"',
    'cache-control': 'no-store',
  };
  return new Response(await exportOrders(app, query, account.id), { headers });
});
