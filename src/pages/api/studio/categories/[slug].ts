import { arrangeCategory, listArranged } from '~/services/catalogue/arrange-category';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/categories/[slug]', ({ app, params }) => listArranged(app, params.slug));

export const PUT = serve('PUT /api/studio/categories/[slug]', ({ app, account, params, body }) =>
  arrangeCategory(app, params.slug, body.slugs, account.id),
);
