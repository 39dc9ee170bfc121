import { ok } from '~/core/problems';
import { serve } from '../../_serve';

/** Products asked for at once, at most. */
const MOST = 100;

export const GET = serve('GET /api/studio/products/names', async ({ app, query }) => {
  const product = query.slug.slice(0, MOST);
  return ok((await app.catalogue.shopNames({ product, category: [], variant: [] })).product);
});
