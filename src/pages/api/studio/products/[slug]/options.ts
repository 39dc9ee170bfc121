import { z } from 'zod';
import { saveOptions, showOptions } from '~/services/catalogue/edit-options';
import { answer, readBody, refuse } from '../../../_respond';
import { withAccount } from '../../../_with-account';

export const GET = withAccount('viewer', async ({ locals, params }) => {
  const found = await showOptions(locals.app, params['slug']!);
  return found ? Response.json(found) : refuse([{ path: 'slug', code: 'not-found' }]);
});

export const PUT = withAccount('editor', async ({ locals, params, request }, account) => {
  const body = await readBody(request, z.strictObject({ rules: z.unknown() }));
  if (!body.ok) return refuse(body.problems);
  return answer(await saveOptions(locals.app, params['slug']!, body.value.rules, account.id));
});
