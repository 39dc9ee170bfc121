import type { APIRoute } from 'astro';
import { z } from 'zod';
import { sendCart } from '~/services/links/carry-cart';
import { network } from '~/services/limits';
import { cartToken } from '~/shop/cookies/cart-cookie';
import { readBody, refuse } from './_respond';

/** `visit`: empty where nothing is recorded. */
const bodySchema = z.strictObject({ visit: z.string().regex(/^([\w-]{6,60})?$/) });

/** A code that brings the cart of another site over to the shop's own pages. */
export const POST: APIRoute = async ({ locals, cookies, request, clientAddress }) => {
  const body = await readBody(request, bodySchema);
  if (!body.ok) return refuse(body.problems, locals);
  const token = cartToken(cookies, request.headers);
  if (!token) return refuse([{ path: 'x-pl-cart', code: 'missing' }], locals);
  const wait = await locals.app.limits.carried.take(network(clientAddress));
  if (wait !== null) return refuse([{ path: '', code: 'too-many-tries', facts: { seconds: wait } }], locals);
  return Response.json({ code: await sendCart(locals.app, token, body.value.visit) });
};
