import { categoriesSchema, saveCategories } from '~/services/catalogue/edit-categories';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Puts categories in the place of all there are, in their order. */
export const PUT = withAccount('editor', async ({ locals, request }, account) => {
  const body = await readBody(request, categoriesSchema);
  return body.ok ? answer(await saveCategories(locals.app, body.value, account.id)) : refuse(body.problems);
});
