import { bulkSchema, changeMany, listBulks } from '~/services/catalogue/change-many';
import { answer, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** The last changes of many products. */
export const GET = withAccount('viewer', async ({ locals }) => Response.json(await listBulks(locals.app)));

/** Says what a change would do to all products a search finds; with `apply`, does it. */
export const POST = withAccount('editor', async ({ locals, request }, account) => {
  const body = await readBody(request, bulkSchema);
  return body.ok ? answer(await changeMany(locals.app, body.value, account.id)) : refuse(body.problems);
});
