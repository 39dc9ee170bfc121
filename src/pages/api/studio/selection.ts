import { ok } from '~/core/problems';
import { listSelection } from '~/services/catalogue/list-selection';
import { serve } from '../_serve';

/** Products told by name. */
const NAMED = 3;

export const POST = serve('POST /api/studio/selection', async ({ app, body }) => {
  const { cards, total } = await listSelection(app, body, { page: 1, pageSize: NAMED });
  return ok({ total, names: cards.map(({ name }) => name) });
});
