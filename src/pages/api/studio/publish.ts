import { z } from 'zod';
import { publishLane } from '~/services/draft/publish-lane';
import { answer, readBody, refuse } from '../_respond';
import { withAccount } from '../_with-account';

const publishSchema = z.strictObject({ edit: z.number().int().min(1), note: z.string().trim().max(200).default('') });

export const POST = withAccount('editor', async ({ locals, request }, account) => {
  const body = await readBody(request, publishSchema);
  if (!body.ok) return refuse(body.problems);
  return answer(await publishLane(locals.app, { ...body.value, accountId: account.id }));
});
