import { configurationSchema } from '~/core/lane/document/configuration';
import { serve } from '../../_serve';

export const GET = serve(
  'GET /api/studio/configuration/schema',
  () =>
    new Response(`${JSON.stringify(configurationSchema(), null, 2)}\n`, {
      headers: { 'content-type': 'application/schema+json' },
    }),
);
