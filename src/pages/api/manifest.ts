import { serveDraftManifest, serveManifest } from '~/services/lane/live-lane';
import { serve } from './_serve';

export const GET = serve('GET /api/manifest', async ({ app, query: { lang, draft }, context: { request } }) => {
  // Of a draft that is no more the tab that looked at it gets what everybody gets, as its pages are.
  const drafted = draft ? await serveDraftManifest(app, draft, lang) : null;
  const served = drafted ?? (await serveManifest(app, lang));
  const headers = {
    etag: served.etag,
    'cache-control': draft ? 'no-store' : 'public, max-age=0, must-revalidate',
    'access-control-allow-origin': '*',
    'access-control-expose-headers': 'date',
  };
  if (request.headers.get('if-none-match') === served.etag) return new Response(null, { status: 304, headers });
  return new Response(served.body, { headers: { ...headers, 'content-type': 'application/json' } });
});
