import { saveCategories } from '~/services/catalogue/edit-categories';
import { serve } from '../../_serve';

export const PUT = serve('PUT /api/studio/categories', ({ app, account, body }) =>
  saveCategories(app, body, account.id),
);
