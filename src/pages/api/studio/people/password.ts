import { changePassword, passwordSchema } from '~/services/accounts/people';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

export const POST = withAccount('viewer', async ({ locals, request }, account) => {
  const body = await readBody(request, passwordSchema);
  return body.ok ? answer(await changePassword(locals.app, account, body.value)) : refuse(body.problems);
});
