import type { APIRoute } from 'astro';
import { z } from 'zod';
import { cartRequestSchema, changeCartOf, changeId as changeIdOf } from '~/services/cart/change-cart';
import { viewCart } from '~/services/cart/show-cart';
import { cartToken, ensureCartToken } from '~/shop/cookies/cart-cookie';
import { answer, check, readBody, refuse } from '../_respond';

/** A change may carry an id, under which it is made once however often it is sent. */
const changeIdSchema = z.looseObject({ changeId: changeIdOf.optional() });

export const GET: APIRoute = async ({ locals, cookies, request }) =>
  Response.json(await viewCart(locals.app, cartToken(cookies, request.headers), locals.language), {
    headers: { 'cache-control': 'no-store' },
  });

export const POST: APIRoute = async ({ locals, cookies, request, url, clientAddress }) => {
  const body = await readBody(request, changeIdSchema);
  if (!body.ok) return refuse(body.problems, locals);
  const { changeId = null, ...rest } = body.value;
  const change = check(rest, cartRequestSchema);
  if (!change.ok) return refuse(change.problems, locals);
  const token = ensureCartToken(cookies, url.protocol === 'https:', request.headers);
  const by = { changeId, language: locals.language, from: clientAddress };
  return answer(await changeCartOf(locals.app, token, change.value, by), locals);
};
