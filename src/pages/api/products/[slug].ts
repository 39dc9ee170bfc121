import { fail, ok } from '~/core/problems';
import { findProduct } from '~/services/catalogue/browse-shop';
import { serve } from '../_serve';

export const GET = serve('GET /api/products/[slug]', async ({ app, language, params }) => {
  const product = await findProduct(app, params.slug, language);
  return product ? ok(product) : fail('slug', 'not-found');
});
