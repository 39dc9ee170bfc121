import { MOST_ICON_BYTES } from '~/core/limits';
import { fail } from '~/core/problems';
import { keepIcon, keepPicture } from '~/services/catalogue/keep-picture';
import { serve } from '../_serve';

export const POST = serve('POST /api/studio/icons', async ({ app, form: { file, use } }) => {
  if (use === 'icon' && file.size > MOST_ICON_BYTES)
    return fail('file', 'body-too-large', { limit: `${MOST_ICON_BYTES / 1_000_000} MB` });
  const bytes = new Uint8Array(await file.arrayBuffer());
  return use === 'icon' ? keepIcon(app, bytes) : keepPicture(app, bytes);
});
