import { randomUUID } from 'node:crypto';
import type { App } from '~/services/app';
import type { OrderRequest } from '~/services/orders/order-request';
import { placeOrder } from '~/services/orders/place-order';
import { ORDER_FORM } from './checkout';

/** Orders a cart as it is now, with a form that is filled in. */
export async function orderNow(
  app: App,
  { cartToken, ...over }: Pick<OrderRequest, 'cartToken'> & Partial<OrderRequest>,
): ReturnType<typeof placeOrder> {
  const cartVersion = over.cartVersion ?? (await app.carts.read(cartToken)).version;
  const usual = {
    form: ORDER_FORM,
    key: randomUUID(),
    visitId: null,
    language: 'en',
    seenTotalMinor: null,
    seenGifts: null,
    from: '127.0.0.1',
  };
  return placeOrder(app, { ...usual, ...over, cartToken, cartVersion });
}
