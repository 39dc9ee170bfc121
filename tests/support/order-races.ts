import type { OrderAction } from '~/contract/studio/orders';
import { randomUUID } from 'node:crypto';
import type { App } from '~/services/app';
import { changeCartOf } from '~/services/cart/change-cart';
import { addAfter, showAfterOffer } from '~/services/orders/add-after';
import { actOnOrder } from '~/services/orders/fulfilment';
import type { AfterOffer } from '~/services/orders/thanks-page';
import type { Payment } from '~/standins';
import { orderNow } from './order-now';

/** What a provider took and gave back, by order. */
export interface Ledger {
  readonly payment: Payment;
  /** Charged less refunded, of an order and what was added to it. */
  balanceOf(token: string): number;
}

/** Writes down what passes through a payment stand-in. */
export function ledgerOf(payment: Payment): Ledger {
  const moved = new Map<string, number>();
  return {
    balanceOf: (token) => [...moved].reduce((sum, [key, amount]) => sum + (key.includes(token) ? amount : 0), 0),
    payment: {
      async charge(request) {
        const charged = await payment.charge(request);
        if (charged.status === 'approved') moved.set(`charge ${request.key}`, request.amountMinor);
        return charged;
      },
      async chargeAgain(request) {
        const charged = await payment.chargeAgain(request);
        if (charged.status === 'approved') moved.set(`charge ${request.key}`, request.amountMinor);
        return charged;
      },
      async refund(request) {
        const refunded = await payment.refund(request);
        if (refunded.status === 'done') moved.set(`refund ${request.refundKey}`, -request.amountMinor);
        return refunded;
      },
      async cancel(key) {
        await payment.cancel(key);
        moved.delete(`charge ${key}`);
      },
    },
  };
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

const CANCEL: OrderAction = { action: 'cancel', restock: true, reason: '' };
const REFUND: OrderAction = {
  action: 'refund',
  units: [{ line: 0, quantity: 1 }],
  delivery: false,
  restock: true,
  reason: '',
};

/** Each begins this many milliseconds after the start; absent: not at all. */
export interface Presses {
  readonly add?: number;
  readonly cancel?: number;
  readonly refund?: number;
}

/**
 * Orders two of a product, presses what is asked at once, and says what does not hold of money and state afterwards; null: all
 * does. Charged less refunded must be what the lines as they stand come to, with delivery.
 */
export async function raceOrder(app: App, ledger: Ledger, presses: Presses): Promise<string | null> {
  const cartToken = randomUUID();
  const [goods, stake] = await Promise.all(['heron', 'ground-stake'].map((slug) => app.catalogue.findProduct(slug)));
  const add = { kind: 'add' as const, variantId: goods!.variants[0]!.id, quantity: 2, choices: {}, answers: {} };
  await changeCartOf(app, cartToken, add);
  const placed = await orderNow(app, { cartToken });
  if (!placed.ok) throw new Error(JSON.stringify(placed.problems));
  const { token } = placed.value;
  const order = (await app.orders.find(token))!;
  const offer: AfterOffer = {
    piece: 'thanks',
    percent: 20,
    minutes: 30,
    name: 'After',
    goods: { sku: stake!.variants[0]!.sku, quantity: 1, answers: {} },
  };
  const price = (await showAfterOffer(app, order, offer))!.price.totalMinor;
  const after = async <T>(ms: number | undefined, press: () => Promise<T>): Promise<T | null> => {
    if (ms === undefined) return null;
    if (ms > 0) await pause(ms);
    return press();
  };
  const [added, cancelled, refunded] = await Promise.all([
    after(presses.add, () => addAfter(app, token, offer, price)),
    after(presses.cancel, () => actOnOrder(app, order.id, CANCEL, 1)),
    after(presses.refund, () => actOnOrder(app, order.id, REFUND, 1)),
  ]);

  const now = (await app.orders.find(token))!;
  const keeping = (await app.orders.readKeeping(order.id))!;
  const refunds = await app.orders.listRefunds(order.id);
  const addition = await app.afterOrders.readAddition(order.id);
  const back = refunds.reduce((sum, { amountMinor }) => sum + amountMinor, 0);
  const balance = ledger.balanceOf(token);
  const story = `${JSON.stringify(presses)}: ${JSON.stringify({ added, cancelled: cancelled?.ok, refunded: refunded?.ok, balance })}`;
  if (balance !== now.totalMinor - back)
    return `The card was charged ${balance}, the order stands at ${now.totalMinor - back}; ${story}`;
  if (refunds.some(({ state }) => state !== 'done')) return `A refund is left open; ${story}`;
  if (cancelled?.ok !== undefined && cancelled.ok !== (keeping.cancelledAt !== null))
    return `The owner was told otherwise; ${story}`;
  if (keeping.cancelledAt !== null && balance !== 0) return `It is cancelled, and not all was given back; ${story}`;
  if (added?.ok !== undefined && added.ok !== (addition?.state === 'paid'))
    return `The buyer was told otherwise; ${story}`;
  const isIn = now.lines.some(({ sku }) => sku === offer.goods.sku);
  if (isIn !== (addition?.state === 'paid')) return `What was added is not what stands; ${story}`;
  return null;
}

/** Every order in which three presses can begin, and some apart. */
export function pressOrders(apartMs: readonly number[]): Presses[] {
  const times = [0, ...apartMs];
  return times.flatMap((add) =>
    times.flatMap((cancel) => [
      { add, cancel },
      ...times.map((refund) => ({ add, cancel, refund })),
      { cancel, refund: add },
    ]),
  );
}
