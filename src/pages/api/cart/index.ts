import { changeCartOf } from '~/services/cart/change-cart';
import { viewCart } from '~/services/cart/show-cart';
import { ok } from '~/core/problems';
import { cartToken, ensureCartToken } from '~/shop/cookies/cart-cookie';
import { serve } from '../_serve';

export const GET = serve('GET /api/cart', async ({ app, language, context: { cookies, request } }) =>
  ok(await viewCart(app, cartToken(cookies, request.headers), language)),
);

export const POST = serve('POST /api/cart', ({ app, language, body, context }) => {
  const { cookies, url, request, clientAddress } = context;
  const token = ensureCartToken(cookies, url.protocol === 'https:', request.headers);
  return changeCartOf(app, token, body, { changeId: body.changeId ?? null, language, from: clientAddress });
});
