import { z } from 'zod';
import { eraseShopper, findTraces } from '~/services/visits/privacy';
import { answer, readBody, refuse } from '../_respond';
import { withAccount } from '../_with-account';

const bodySchema = z.strictObject({ email: z.string().trim().min(3).max(200), apply: z.boolean() });

/** What there is of a buyer; with `apply`, it is erased. */
export const POST = withAccount('owner', async ({ locals, request }, account) => {
  const body = await readBody(request, bodySchema);
  if (!body.ok) return refuse(body.problems);
  const { email, apply } = body.value;
  return apply
    ? answer(await eraseShopper(locals.app, email, account.id))
    : Response.json(await findTraces(locals.app, email));
});
