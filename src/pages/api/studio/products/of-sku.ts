import { findBySku } from '~/services/catalogue/about-product';
import { withAccount } from '../../_with-account';

/** The product a SKU belongs to; null where it is not sold. */
export const GET = withAccount('viewer', async ({ locals: { app }, url }) => {
  const sku = (url.searchParams.get('sku') ?? '').slice(0, 120);
  return Response.json({ product: await findBySku(app, sku) });
});
