import { endSession, sessionSchema } from '~/services/accounts/people';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Ends a session of one's own, or all but the present one. */
export const DELETE = withAccount('viewer', async ({ locals, request }, account) => {
  const body = await readBody(request, sessionSchema);
  return body.ok ? answer(await endSession(locals.app, account, body.value)) : refuse(body.problems);
});
