import { findPairs } from '~/services/catalogue/find-pairs';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/suggestions/find', async ({ app }) => {
  const found = await findPairs(app);
  return { ok: true, ...found };
});
