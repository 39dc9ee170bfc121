import { buyerKey } from '~/services/orders/order-access';
import { orderedAlready, placeOrder } from '~/services/orders/place-order';
import { keepForm, withoutCard } from '~/services/cart/show-checkout';
import { fail } from '~/core/problems';
import { cartToken, visitId } from '~/shop/cookies/cart-cookie';
import { keepOrderKey } from '~/shop/cookies/order-cookie';
import { serve } from './_serve';

export const POST = serve('POST /api/orders', async ({ app, language, body, context }) => {
  const { cookies, request, url, clientAddress } = context;
  const token = cartToken(cookies);
  if (!token) return fail('cart', 'cart-empty');
  // Kept first: a payment that fails, or a page that is left, must not cost what was typed.
  await keepForm(app, token, withoutCard(body.form));
  const visit = visitId(cookies, request.headers);
  const placed = await placeOrder(app, { ...body, cartToken: token, visitId: visit, language, from: clientAddress });
  // Whoever holds the cart placed the order made of it.
  const ordered = placed.ok ? placed.value.token : orderedAlready(placed.problems);
  if (ordered) keepOrderKey(cookies, ordered, buyerKey(app, ordered), url.protocol === 'https:');
  return placed;
});
