import { fail, ok } from '~/core/problems';
import { sendCart } from '~/services/links/carry-cart';
import { network } from '~/services/limits';
import { cartToken } from '~/shop/cookies/cart-cookie';
import { serve } from './_serve';

export const POST = serve('POST /api/carry', async ({ app, body, context: { cookies, request, clientAddress } }) => {
  const token = cartToken(cookies, request.headers);
  if (!token) return fail('x-pl-cart', 'missing');
  const seconds = await app.limits.carried.take(network(clientAddress));
  if (seconds !== null) return fail('', 'too-many-tries', { seconds });
  return ok({ code: await sendCart(app, token, body.visit) });
});
