import type { APIRoute } from 'astro';
import { z } from 'zod';
import { checkoutSchema } from '~/core/orders/checkout.schema';
import { buyerKey } from '~/services/orders/order-access';
import { orderedAlready, placeOrder } from '~/services/orders/place-order';
import { keepForm, withoutCard } from '~/services/cart/show-checkout';
import { cartToken, visitId } from '~/shop/cookies/cart-cookie';
import { keepOrderKey } from '~/shop/cookies/order-cookie';
import { answer, readBody, refuse } from './_respond';

const orderSchema = z.strictObject({
  key: z.uuid(),
  cartVersion: z.number().int().min(0),
  form: checkoutSchema,
  seenTotalMinor: z.number().int().min(0).nullable().default(null),
  seenGifts: z.string().max(5000).nullable().default(null),
});

export const POST: APIRoute = async ({ locals, cookies, request, url, clientAddress }) => {
  const body = await readBody(request, orderSchema);
  if (!body.ok) return refuse(body.problems, locals);
  const token = cartToken(cookies);
  if (!token) return refuse([{ path: 'cart', code: 'cart-empty' }], locals);
  // Kept first: a payment that fails, or a page that is left, must not cost what was typed.
  await keepForm(locals.app, token, withoutCard(body.value.form));
  const { language } = locals;
  const visit = visitId(cookies, request.headers);
  const { app } = locals;
  const placed = await placeOrder(app, {
    ...body.value,
    cartToken: token,
    visitId: visit,
    language,
    from: clientAddress,
  });
  // Whoever holds the cart placed the order made of it.
  const ordered = placed.ok ? placed.value.token : orderedAlready(placed.problems);
  if (ordered) keepOrderKey(cookies, ordered, buyerKey(app, ordered), url.protocol === 'https:');
  return answer(placed, locals);
};
