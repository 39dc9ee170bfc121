import { actOnMany, exportOrders, manyOrdersSchema, orderListSchema } from '~/services/orders/fulfilment';
import { readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Marks several as packed or sent. */
export const POST = withAccount('owner', async ({ locals, request }, account) => {
  const body = await readBody(request, manyOrdersSchema);
  if (!body.ok) return refuse(body.problems);
  return Response.json(await actOnMany(locals.app, body.value, account.id));
});

/** Orders as a CSV file, narrowed as the list is. */
export const GET = withAccount('owner', async ({ locals, url }, account) => {
  const asked = orderListSchema.parse(Object.fromEntries(url.searchParams));
  return new Response(await exportOrders(locals.app, asked, account.id), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="orders.csv"',
      'cache-control': 'no-store',
    },
  });
});
