import { fail, ok } from '~/core/problems';
import { findBySku } from '~/services/catalogue/about-product';
import { serve } from './_serve';

export const GET = serve('GET /api/find-product', async ({ app, language, query }) => {
  const product = await findBySku(app, query.sku, language);
  return product ? ok(product) : fail('sku', 'not-found');
});
