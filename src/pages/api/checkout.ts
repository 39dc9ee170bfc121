import { fail, ok } from '~/core/problems';
import { keepForm, quoteCheckout } from '~/services/cart/show-checkout';
import { cartToken } from '~/shop/cookies/cart-cookie';
import { serve } from './_serve';

export const POST = serve('POST /api/checkout', async ({ app, language, body: { form }, context: { cookies } }) => {
  const token = cartToken(cookies);
  if (!token) return fail('cart', 'cart-empty');
  await keepForm(app, token, form);
  return ok(await quoteCheckout(app, await app.carts.read(token), form, { language }));
});
