import type { APIRoute } from 'astro';
import { z } from 'zod';
import { saveOptions, showOptions } from '~/services/edit-options';
import { answer, readBody, refuse } from '../../../_respond';

export const GET: APIRoute = async ({ locals, params }) => {
  const found = await showOptions(locals.app, params['slug']!);
  return found ? Response.json(found) : refuse([{ path: 'slug', code: 'not-found' }]);
};

export const PUT: APIRoute = async ({ locals, params, request }) => {
  if (locals.account?.role === 'viewer') return refuse([{ path: '', code: 'not-allowed' }]);
  const body = await readBody(request, z.strictObject({ rules: z.unknown() }));
  if (!body.ok) return refuse(body.problems);
  return answer(await saveOptions(locals.app, params['slug']!, body.value.rules, locals.account!.id));
};
