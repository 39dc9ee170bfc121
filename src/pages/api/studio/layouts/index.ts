import { layoutSchema, listLayouts, saveLayout } from '~/services/lane/own-layouts';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** The owner's layouts of the pieces of a `kind`. */
export const GET = withAccount('viewer', async ({ locals, url }) =>
  Response.json(await listLayouts(locals.app, url.searchParams.get('kind') ?? '')),
);

/** Keeps one, and answers all of its kind. */
export const POST = withAccount('editor', async ({ locals, request }) => {
  const body = await readBody(request, layoutSchema);
  return body.ok ? answer(await saveLayout(locals.app, body.value)) : refuse(body.problems);
});
