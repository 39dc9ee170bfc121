import { addressSchema, invite, inviteSchema, withdrawInvite } from '~/services/accounts/people';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

export const POST = withAccount('owner', async ({ locals, request, url }, account) => {
  const body = await readBody(request, inviteSchema);
  return body.ok ? answer(await invite(locals.app, account, body.value, url.origin)) : refuse(body.problems);
});

/** Takes an invitation back. */
export const DELETE = withAccount('owner', async ({ locals, request }, account) => {
  const body = await readBody(request, addressSchema);
  return body.ok ? Response.json(await withdrawInvite(locals.app, account, body.value)) : refuse(body.problems);
});
