import { ok } from '~/core/problems';
import { showAudit } from '~/services/accounts/people';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/people/audit', async ({ app, query }) => ok(await showAudit(app, query)));
