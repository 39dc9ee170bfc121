import { keepSynonym } from '~/services/catalogue/mend-searches';
import { serve } from '../_serve';

export const PUT = serve('PUT /api/studio/searches', ({ app, account, body }) => keepSynonym(app, body, account.id));
