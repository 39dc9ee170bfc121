import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { timingSafeEqual } from 'node:crypto';
import { orderNumber, type Order } from '~/core/orders';
import { fail, ok, type Result } from '~/core/problems';
import type { Account } from '~/core/people';
import type { App } from '~/services/app';
import { refusalOf } from '~/services/accounts/access';
import { network } from '~/services/limits';

/**
 * What somebody may see of an order, and do with it. `buyer`: the browser that placed it; it alone may have the card charged.
 * `details`: whoever proved to be the buyer, or came by a link in the order's mail. `none`: whoever has its address.
 */
export type OrderAccess = 'buyer' | 'details' | 'none';

/** A signed key for one order and one purpose. */
function keyOf(app: App, token: string, use: 'buyer' | 'details'): string {
  const text = `${use}:${token}`;
  return app.secret.sign(text).slice(text.length + 1);
}

/** The key kept by the browser that places an order. */
export const buyerKey = (app: App, token: string): string => keyOf(app, token, 'buyer');

/** The key in links of the order's mails: it shows details and never charges. */
export const detailsKey = (app: App, token: string): string => keyOf(app, token, 'details');

function isKey(given: string, right: string): boolean {
  const [a, b] = [Buffer.from(given), Buffer.from(right)];
  return a.length === b.length && timingSafeEqual(a, b);
}

/** How far somebody may see into an order, by the key they hold; whoever may see orders in the studio sees its details. */
export function accessOf(app: App, token: string, key: string, account: Account | null): OrderAccess {
  if (isKey(key, buyerKey(app, token))) return 'buyer';
  const maySee = account !== null && refusalOf(account, 'owner') === null;
  return maySee || isKey(key, detailsKey(app, token)) ? 'details' : 'none';
}

export interface Proof {
  readonly email: string;
  /** The postcode it was sent to, or the number of an order that was sent nowhere. */
  readonly second: string;
  /** IP address of the caller. */
  readonly from: string;
}

const limits = new WeakMap<App, readonly [byAddress: RateLimiterMemory, byOrder: RateLimiterMemory]>();

function limitsOf(app: App) {
  let own = limits.get(app);
  if (!own) {
    own = [
      new RateLimiterMemory({ points: 10, duration: 900 }),
      // Guessing from many addresses is limited by order, too; its buyer still has the mail.
      new RateLimiterMemory({ points: 20, duration: 3600 }),
    ];
    limits.set(app, own);
  }
  return own;
}

/** Whether the order's number proves its buyer: nothing was sent, so there is no postcode. */
export const isProvedByNumber = ({ address }: Order): boolean => address.postcode === '';

const bare = (text: string) => text.toUpperCase().replace(/[^\p{L}\p{N}]/gu, '');

/** Shows an order's details to whoever knows what only its buyer knows; tries are limited. */
export async function proveBuyer(app: App, order: Order, { email, second, from }: Proof): Promise<Result<null>> {
  const [byAddress, byOrder] = limitsOf(app);
  try {
    // An address over its own limit does not count against the order's.
    await byAddress.consume(network(from));
    await byOrder.consume(order.token);
  } catch (limited) {
    if (!(limited instanceof RateLimiterRes)) throw limited;
    return fail('', 'too-many-proofs', { minutes: Math.ceil(limited.msBeforeNext / 60_000) });
  }
  const wanted = isProvedByNumber(order) ? orderNumber(order) : order.address.postcode;
  // An erased buyer cannot be proved.
  const isRight =
    order.email !== '' &&
    isKey(email.trim().toLowerCase(), order.email.trim().toLowerCase()) &&
    isKey(bare(second), bare(wanted));
  if (!isRight) return fail('email', 'proof-wrong');
  await byAddress.reward(network(from));
  await byOrder.reward(order.token);
  return ok(null);
}
