import { keepSynonym, synonymSchema } from '~/services/catalogue/mend-searches';
import { answer, readBody, refuse } from '../_respond';
import { withAccount } from '../_with-account';

/** Keeps what a word of shoppers stands for. */
export const PUT = withAccount('editor', async ({ locals, request }, account) => {
  const body = await readBody(request, synonymSchema);
  return body.ok ? answer(await keepSynonym(locals.app, body.value, account.id)) : refuse(body.problems);
});
