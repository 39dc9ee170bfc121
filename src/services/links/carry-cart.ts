import { requestContext } from '~/services/request-context';
import { randomBytes, randomUUID } from 'node:crypto';
import type { CartView } from '~/core/cart';
import type { App } from '~/services/app';
import { changeCartOf, makeChange } from '~/services/cart/change-cart';
import { viewCart } from '~/services/cart/show-cart';

/** Long enough to look at what would be taken over. */
const GOOD_FOR_MS = 10 * 60_000;

/** A code that brings a cart and the visit from another site over to the shop's own pages, once and soon. */
export async function sendCart(app: App, cartToken: string, visit: string): Promise<string> {
  const code = randomBytes(24).toString('base64url');
  await app.elsewhere.keepCarried({ code, cartToken, visit }, app.now() + GOOD_FOR_MS, app.now());
  return code;
}

/** What a code would bring; null where it is used up or over. */
export async function showCarried(app: App, code: string, language: string): Promise<CartView | null> {
  const cartToken = await app.elsewhere.findCarried(code, app.now());
  return cartToken === null ? null : viewCart(app, cartToken, language);
}

/**
 * Moves what a code brings into the shopper's own cart, or into a new one, and answers whose that is; what cannot be had any more
 * stays where it was. The cart that was brought is never taken for the shopper's: whoever made the code knows its secret, and
 * what is typed at the checkout is kept with the cart. Null where the code is used up or over.
 */
export async function receiveCart(
  app: App,
  code: string,
  ownToken: string | null,
): Promise<{ readonly cartToken: string; readonly visit: string } | null> {
  const brought = await app.elsewhere.takeCarried(code, app.now());
  if (!brought) return null;
  const context = await requestContext(app);
  const cartToken = ownToken ?? randomUUID();
  const { lines, codes } = await app.carts.read(brought.cartToken);
  if (cartToken !== brought.cartToken)
    for (const { id, variantId, quantity, answers, insteadOf } of lines) {
      // Answers may name files, which belong to the line's cart.
      const files = Object.values(answers).flat();
      await app.uploads.giveTo(files, brought.cartToken, cartToken);
      const add = { kind: 'add', variantId, quantity, answers, insteadOf, newLineId: randomUUID() } as const;
      const moved = await makeChange(context, cartToken, add);
      if (moved.ok) await changeCartOf(app, brought.cartToken, { kind: 'remove', lineId: id });
      else await app.uploads.giveTo(files, cartToken, brought.cartToken);
    }
  for (const typed of codes) await changeCartOf(app, cartToken, { kind: 'coupon', code: typed });
  return { cartToken, visit: brought.visit };
}
