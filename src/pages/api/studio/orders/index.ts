import { exportOrders, orderListSchema } from '~/services/orders/keep-orders';
import { withAccount } from '../../_with-account';

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
