import betterOne from './better-one/server';
import buyLink from './buy-link/server';
import goesWith from './goes-with/server';
import listing from './listing/server';
import orderForm from './order-form/server';
import related from './related/server';
import type { DrawOnServer } from './shop-reader';
import text from './text/server';
import thanksPage from './thanks-page/server';

/** Every kind that stands in spots of pages, drawn by the server: one line each. */
export const servers: Readonly<Record<string, DrawOnServer>> = {
  listing,
  'buy-link': buyLink,
  'goes-with': goesWith,
  related,
  'better-one': betterOne,
  'thanks-page': thanksPage,
  text,
  'order-form': orderForm,
};

/** What the pages ask for that every shop has. */
export { default as cartPage, type CartPagePiece } from './cart-page/server';
export { default as checkoutPage, type CheckoutPiece, type CheckoutState } from './checkout/server';
export { table } from './order-form/server';
