import { decidePairs, decideSchema } from '~/services/catalogue/find-pairs';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Takes or refuses pairs that were found. */
export const PUT = withAccount('editor', async ({ locals, request }, account) => {
  const body = await readBody(request, decideSchema);
  return body.ok ? answer(await decidePairs(locals.app, body.value, account.id)) : refuse(body.problems);
});
