import type { APIRoute } from 'astro';
import { z } from 'zod';
import { serveDraftManifest, serveManifest } from '~/services/lane/live-lane';
import { check, refuse } from './_respond';

const querySchema = z.strictObject({
  lang: z
    .string()
    .regex(/^[a-z]{2}$/)
    .default('en'),
  /** The draft's token; behind it, where it is asked for, a revision. */
  draft: z
    .string()
    .regex(/^[0-9a-f-]{36}(\.r\d{1,9})?$/)
    .optional(),
});

export const GET: APIRoute = async ({ locals, request, url }) => {
  const query = check(Object.fromEntries(url.searchParams), querySchema);
  if (!query.ok) return refuse(query.problems);
  const { lang, draft } = query.value;
  // Of a draft that is no more the tab that looked at it gets what everybody gets, as its pages are.
  const drafted = draft ? await serveDraftManifest(locals.app, draft, lang) : null;
  const served = drafted ?? (await serveManifest(locals.app, lang));
  const headers = {
    etag: served.etag,
    'cache-control': draft ? 'no-store' : 'public, max-age=0, must-revalidate',
    'access-control-allow-origin': '*',
    'access-control-expose-headers': 'date',
  };
  if (request.headers.get('if-none-match') === served.etag) return new Response(null, { status: 304, headers });
  return new Response(served.body, { headers: { ...headers, 'content-type': 'application/json' } });
};
