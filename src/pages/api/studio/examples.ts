import { ok } from '~/core/problems';
import { addExamples, removeExamples } from '~/services/catalogue/example-catalogue';
import { serve } from '../_serve';

export const POST = serve('POST /api/studio/examples', ({ app, account }) => addExamples(app, account.id));

export const DELETE = serve('DELETE /api/studio/examples', async ({ app, account }) =>
  ok(await removeExamples(app, account.id)),
);
