import type { GuardTold } from '~/contract/studio/offers';
import { showDraft } from '~/services/draft/edit-draft';
import { guardLane } from '~/services/offers/guard-lane';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/offers/guard', async ({ app }) => ({
  ok: true,
  work: await guardLane(app, (await showDraft(app)).lane),
  show: (found: GuardTold) => found,
}));
