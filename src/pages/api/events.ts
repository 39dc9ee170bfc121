import { fail, ok } from '~/core/problems';
import { ingestEvents } from '~/services/visits/ingest-events';
import { asksNotToBeTracked } from '~/services/visits/privacy';
import { serve } from './_serve';

export const POST = serve('POST /api/events', async ({ app, account, body, context: { request, clientAddress } }) => {
  if (asksNotToBeTracked(request.headers)) return ok({ fresh: 0 });
  const fresh = await ingestEvents(app, body, {
    userAgent: request.headers.get('user-agent') ?? '',
    isOwner: account !== null,
    from: clientAddress,
  });
  return fresh === null ? fail('visit', 'too-many-visits') : ok({ fresh });
});
