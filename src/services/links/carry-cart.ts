import { randomBytes } from 'node:crypto';
import type { App } from '~/services/app';
import { changeCartOf } from '~/services/cart/change-cart';

/** Long enough for a slow phone, and no longer. */
const GOOD_FOR_MS = 2 * 60_000;

/** A code that brings a cart and the visit from another site over to the shop's own pages, once and soon. */
export async function sendCart(app: App, cartToken: string, visit: string): Promise<string> {
  const code = randomBytes(24).toString('base64url');
  await app.elsewhere.keepCarried(code, cartToken, visit, app.now() + GOOD_FOR_MS, app.now());
  return code;
}

/**
 * The cart that a code brings. What the shopper had in a cart of the shop's own is put in with it, as far as it is still to be had;
 * null where the code is used up or over.
 */
export async function receiveCart(
  app: App,
  code: string,
  ownToken: string | null,
): Promise<{ readonly cartToken: string; readonly visit: string } | null> {
  const brought = await app.elsewhere.takeCarried(code, app.now());
  if (!brought || ownToken === null || ownToken === brought.cartToken) return brought;
  const own = await app.carts.read(ownToken);
  for (const { variantId, quantity, answers } of own.lines)
    await changeCartOf(app, brought.cartToken, {
      kind: 'add',
      variantId,
      quantity,
      answers: structuredClone(answers) as Record<string, string | string[]>,
      choices: {},
    });
  for (const line of own.lines) await changeCartOf(app, ownToken, { kind: 'remove', lineId: line.id });
  return brought;
}
