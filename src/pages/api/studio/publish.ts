import type { APIRoute } from 'astro';
import { z } from 'zod';
import { publishLane } from '~/services/publish-lane';
import { answer, readBody, refuse } from '../_respond';

const publishSchema = z.strictObject({ edit: z.number().int().min(1), note: z.string().trim().max(200).default('') });

export const POST: APIRoute = async ({ locals, request }) => {
  if (locals.account?.role === 'viewer') return refuse([{ path: '', code: 'not-allowed' }]);
  const body = await readBody(request, publishSchema);
  if (!body.ok) return refuse(body.problems);
  return answer(await publishLane(locals.app, { ...body.value, accountId: locals.account!.id }));
};
