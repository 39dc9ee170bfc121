import { ok } from '~/core/problems';
import { invite, withdrawInvite } from '~/services/accounts/people';
import { serve } from '../../_serve';

export const POST = serve('POST /api/studio/people/invites', ({ app, account, body, context }) =>
  invite(app, account, body, context.url.origin),
);

export const DELETE = serve('DELETE /api/studio/people/invites', async ({ app, account, body }) =>
  ok(await withdrawInvite(app, account, body)),
);
