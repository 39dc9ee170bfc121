import { keepReview } from '~/services/catalogue/edit-product';
import { serve } from '../../../_serve';

export const PUT = serve('PUT /api/studio/products/[slug]/reviews', ({ app, account, params, body }) =>
  keepReview(app, params.slug, body, account.id),
);
