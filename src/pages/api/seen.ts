import type { APIRoute } from 'astro';
import { noteSeen, seenSchema } from '~/services/links/other-sites';
import { readBody, refuse } from './_respond';

/** What a page of another site tells of the snippets on it. */
export const POST: APIRoute = async ({ locals, request, clientAddress }) => {
  const body = await readBody(request, seenSchema);
  if (!body.ok) return refuse(body.problems, locals);
  await noteSeen(locals.app, request.headers.get('origin') ?? '', clientAddress, body.value);
  return Response.json({});
};
