import { fail, ok } from '~/core/problems';
import { saveOptions, showOptions } from '~/services/catalogue/edit-options';
import { serve } from '../../../_serve';

export const GET = serve('GET /api/studio/products/[slug]/options', async ({ app, params }) => {
  const found = await showOptions(app, params.slug);
  return found ? ok(found) : fail('slug', 'not-found');
});

export const PUT = serve('PUT /api/studio/products/[slug]/options', ({ app, account, params, body }) =>
  saveOptions(app, params.slug, body.rules, account.id),
);
