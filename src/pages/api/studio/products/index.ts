import { ok } from '~/core/problems';
import { listingParamsSchema, listProducts } from '~/services/catalogue/browse-shop';
import { createProduct } from '~/services/catalogue/edit-product';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/products', async ({ app, query: { q } }) => {
  // What is looked for as shoppers find it; all there is by name.
  const params = listingParamsSchema.parse(q === '' ? { q, sort: 'name' } : { q });
  const { cards } = await listProducts(app, params, 2);
  return ok(cards.map(({ slug, name }) => ({ slug, name })));
});

export const POST = serve('POST /api/studio/products', ({ app, account, body }) =>
  createProduct(app, body.name, account.id),
);
