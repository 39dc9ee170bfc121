import type { APIRoute } from 'astro';
import { eventBatchSchema, ingestEvents } from '~/services/visits/ingest-events';
import { asksNotToBeTracked } from '~/services/visits/privacy';
import { readBody, refuse } from './_respond';

export const POST: APIRoute = async ({ locals, request, clientAddress }) => {
  const body = await readBody(request, eventBatchSchema);
  if (!body.ok) return refuse(body.problems, locals);
  if (asksNotToBeTracked(request.headers)) return Response.json({ fresh: 0 });
  const fresh = await ingestEvents(locals.app, body.value, {
    userAgent: request.headers.get('user-agent') ?? '',
    isOwner: locals.account !== null,
    from: clientAddress,
  });
  if (fresh === null) return refuse([{ path: 'visit', code: 'too-many-visits' }], locals);
  return Response.json({ fresh });
};
