import { tryPatch } from '~/services/draft/edit-draft';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/draft/tries', ({ app, body }) => tryPatch(app, body.edit, body.patch));
