import { arrangeCategory, arrangementSchema, listArranged } from '~/services/catalogue/arrange-category';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** The products of a category in the order its owner gave them. */
export const GET = withAccount('editor', async ({ locals, params }) =>
  answer(await listArranged(locals.app, params['slug']!)),
);

export const PUT = withAccount('editor', async ({ locals, params, request }, account) => {
  const body = await readBody(request, arrangementSchema);
  return body.ok
    ? answer(await arrangeCategory(locals.app, params['slug']!, body.value.slugs, account.id))
    : refuse(body.problems);
});
