import { removeLayout } from '~/services/lane/own-layouts';
import { serve } from '../../_serve';

export const DELETE = serve('DELETE /api/studio/layouts/[id]', ({ app, params }) => removeLayout(app, params.id));
