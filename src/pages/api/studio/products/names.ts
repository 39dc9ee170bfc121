import { withAccount } from '../../_with-account';

/** Products asked for at once, at most. */
const MOST = 100;

/** What products are called, by slug; those that are gone are left out. */
export const GET = withAccount('viewer', async ({ locals: { app }, url }) => {
  const product = url.searchParams.getAll('slug').slice(0, MOST);
  return Response.json((await app.catalogue.shopNames({ product, category: [], variant: [] })).product);
});
