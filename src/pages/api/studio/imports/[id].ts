import { importProgress } from '~/services/catalogue/running-imports';
import { serve } from '../../_serve';

export const GET = serve('GET /api/studio/imports/[id]', ({ app, params }) => importProgress(app, params.id));
