import type { APIRoute } from 'astro';
import { addManyOf, addManySchema } from '~/services/cart/add-many';
import { ensureCartToken } from '~/shop/cookies/cart-cookie';
import { answer, readBody, refuse } from '../_respond';

/** Puts many things into the cart at once. */
export const POST: APIRoute = async ({ locals, cookies, request, url }) => {
  const body = await readBody(request, addManySchema);
  if (!body.ok) return refuse(body.problems, locals);
  const token = ensureCartToken(cookies, url.protocol === 'https:', request.headers);
  return answer(await addManyOf(locals.app, token, body.value, locals.language), locals);
};
