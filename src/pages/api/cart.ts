import type { APIRoute } from 'astro';
import { cartRequestSchema, changeCartOf } from '~/services/change-cart';
import { viewCart } from '~/services/view-cart';
import { cartToken, ensureCartToken } from '~/shop/cart-cookie';
import { answer, readBody, refuse } from './_respond';

export const GET: APIRoute = async ({ locals, cookies }) =>
  Response.json(await viewCart(locals.app, cartToken(cookies)), { headers: { 'cache-control': 'no-store' } });

export const POST: APIRoute = async ({ locals, cookies, request, url }) => {
  const body = await readBody(request, cartRequestSchema);
  if (!body.ok) return refuse(body.problems);
  return answer(await changeCartOf(locals.app, ensureCartToken(cookies, url.protocol === 'https:'), body.value));
};
