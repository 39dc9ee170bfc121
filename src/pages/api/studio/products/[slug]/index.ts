import { fail, ok } from '~/core/problems';
import { removeProduct, saveProduct, showProduct } from '~/services/catalogue/edit-product';
import { serve } from '../../../_serve';

export const GET = serve('GET /api/studio/products/[slug]', async ({ app, params }) => {
  const product = await showProduct(app, params.slug);
  return product ? ok(product) : fail('', 'not-found');
});

export const PUT = serve('PUT /api/studio/products/[slug]', async ({ app, account, params, body }) => {
  const saved = await saveProduct(app, params.slug, body, account.id);
  // The newer product comes along, so that nothing has to be asked for twice.
  if (!saved.ok && saved.problems[0]?.code === 'stale-product')
    return { ...saved, conflict: { product: await showProduct(app, params.slug) } };
  return saved;
});

export const DELETE = serve('DELETE /api/studio/products/[slug]', ({ app, account, params }) =>
  removeProduct(app, params.slug, account.id),
);
