import { ok } from '~/core/problems';
import { eraseShopper, findTraces } from '~/services/visits/privacy';
import { serve } from '../_serve';

export const POST = serve('POST /api/studio/erase', async ({ app, account, body: { email, apply } }) =>
  apply ? eraseShopper(app, email, account.id) : ok(await findTraces(app, email)),
);
