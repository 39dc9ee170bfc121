import { ok } from '~/core/problems';
import { listPlans, planPublishing } from '~/services/draft/plan-publishing';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/plans', async ({ app }) => ok(await listPlans(app)));

export const POST = serve('POST /api/studio/plans', ({ app, account, body }) =>
  planPublishing(app, { ...body, accountId: account.id }),
);
