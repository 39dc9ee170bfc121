import { ok } from '~/core/problems';
import { findBySku } from '~/services/catalogue/about-product';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/products/of-sku', async ({ app, query }) =>
  ok({ product: await findBySku(app, query.sku) }),
);
