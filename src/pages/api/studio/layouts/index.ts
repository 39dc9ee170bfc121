import { saveLayout } from '~/services/lane/own-layouts';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/layouts', ({ app, body }) => saveLayout(app, body));
