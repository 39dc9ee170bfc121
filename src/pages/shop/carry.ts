import type { APIRoute } from 'astro';
import { asksNotToBeTracked } from '~/services/accounts/privacy';
import { receiveCart } from '~/services/links/carry-cart';
import { cartToken, keepCart, keepVisit } from '~/shop/cart-cookie';

/** Takes over what a shopper put together on another site, and goes on to the page they asked for. */
export const GET: APIRoute = async ({ locals, cookies, request, url, redirect }) => {
  const to = url.searchParams.get('to') ?? '';
  const asked = URL.canParse(to, url.origin) ? new URL(to, url.origin) : url;
  const isShop = asked !== url && asked.origin === url.origin && /^\/shop(\/|$)/.test(asked.pathname);
  const brought = await receiveCart(locals.app, url.searchParams.get('code') ?? '', cartToken(cookies));
  const isSecure = url.protocol === 'https:';
  if (brought) {
    keepCart(cookies, brought.cartToken, isSecure);
    if (brought.visit && !asksNotToBeTracked(request.headers)) keepVisit(cookies, brought.visit, isSecure);
  }
  return redirect(isShop ? asked.pathname + asked.search : '/shop/cart', 303);
};
