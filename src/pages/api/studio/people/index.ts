import { addressSchema, removePerson } from '~/services/accounts/people';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Removes somebody. */
export const DELETE = withAccount('owner', async ({ locals, request }, account) => {
  const body = await readBody(request, addressSchema);
  return body.ok ? answer(await removePerson(locals.app, account, body.value)) : refuse(body.problems);
});
