import { ok } from '~/core/problems';
import { sayFirstStep } from '~/services/draft/begin';
import { serve } from '../_serve';

export const POST = serve('POST /api/studio/first-steps', async ({ app, body }) =>
  ok({ steps: await sayFirstStep(app, body) }),
);
