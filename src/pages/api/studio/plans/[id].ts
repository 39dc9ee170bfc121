import { stopPlan } from '~/services/draft/plan-publishing';
import { serve } from '../../_serve';

export const DELETE = serve('DELETE /api/studio/plans/[id]', ({ app, account, params }) =>
  stopPlan(app, params.id, account.id),
);
