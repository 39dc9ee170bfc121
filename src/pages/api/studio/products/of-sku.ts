import { findProduct } from '~/services/catalogue/browse-shop';
import { withAccount } from '../../_with-account';

/** The product a SKU belongs to; null where it is not sold. */
export const GET = withAccount('viewer', async ({ locals: { app }, url }) => {
  const sku = (url.searchParams.get('sku') ?? '').slice(0, 120);
  const facts = (await app.catalogue.factsOfSkus([sku])).get(sku);
  return Response.json({ product: facts ? await findProduct(app, facts.slug) : null });
});
