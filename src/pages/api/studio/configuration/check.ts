import { checkConfiguration } from '~/services/draft/take-configuration';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/configuration/check', async ({ app, form }) =>
  checkConfiguration(app, await form.file.text()),
);
