import { undoMany } from '~/services/catalogue/change-many';
import { serve } from '../../_serve';

export const DELETE = serve('DELETE /api/studio/bulk/[id]', ({ app, account, params }) =>
  undoMany(app, params.id, account.id),
);
