import { ok } from '~/core/problems';
import { noteSeen } from '~/services/links/other-sites';
import { serve } from './_serve';

export const POST = serve('POST /api/seen', async ({ app, body, context: { request, clientAddress } }) => {
  await noteSeen(app, request.headers.get('origin') ?? '', clientAddress, body);
  return ok({});
});
