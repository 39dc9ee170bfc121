import { z } from 'zod';
import { changeZone, planZone, zoneSchema } from '~/services/grounds/change-zone';
import { answer, check, readBody, refuse } from '../../_respond';
import { withAccount } from '../../_with-account';

/** What a change would do. */
export const GET = withAccount('owner', async ({ locals, url }) => {
  const wish = check(Object.fromEntries(url.searchParams), zoneSchema);
  return wish.ok ? answer(await planZone(locals.app, wish.value)) : refuse(wish.problems);
});

const bodySchema = z.strictObject({ ...zoneSchema.shape, edit: z.number().int() });

/** Changes it, on the draft of an edit number. */
export const POST = withAccount('owner', async ({ locals, request }, account) => {
  const body = await readBody(request, bodySchema);
  return body.ok ? answer(await changeZone(locals.app, body.value, account.id)) : refuse(body.problems);
});
