import { layoutSchema, saveLayout } from '~/services/lane/own-layouts';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** Keeps a layout of the owner's, and answers all of its kind. */
export const POST = withAccount('editor', async ({ locals, request }) => {
  const body = await readBody(request, layoutSchema);
  return body.ok ? answer(await saveLayout(locals.app, body.value)) : refuse(body.problems);
});
