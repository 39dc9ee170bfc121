import { checkTexts } from '~/services/draft/take-texts';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/texts/check', async ({ app, form }) =>
  checkTexts(app, await form.file.text()),
);
