import type { APIRoute } from 'astro';
import { z } from 'zod';
import { keepForm, keptFormSchema, quoteCheckout } from '~/services/cart/show-checkout';
import { cartToken } from '~/shop/cookies/cart-cookie';
import { readBody, refuse } from './_respond';

const bodySchema = z.strictObject({ form: keptFormSchema });

/** Keeps what is typed so far (never the card), and answers the cart priced for it. */
export const POST: APIRoute = async ({ locals, cookies, request }) => {
  const body = await readBody(request, bodySchema);
  if (!body.ok) return refuse(body.problems, locals);
  const token = cartToken(cookies);
  if (!token) return refuse([{ path: 'cart', code: 'cart-empty' }], locals);
  await keepForm(locals.app, token, body.value.form);
  return Response.json(
    await quoteCheckout(locals.app, await locals.app.carts.read(token), body.value.form, { language: locals.language }),
  );
};
