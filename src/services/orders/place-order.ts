import { createHash } from 'node:crypto';
import { own } from '~/core/own';
import { takenBy, type Order } from '~/core/orders';
import { fail, ok, type Problem, type ProblemCode, type Result } from '~/core/problems';
import type { RelatedOrder, StoredCart } from '~/data';
import type { DeliveryRate } from '~/standins';
import type { App } from '~/services/app';
import { goodsOf, type Good, variantName } from '~/services/cart/cart-goods';
import { shopperKey } from '~/services/offers/circumstances';
import { isOpen } from '~/services/lane/live-lane';
import { requestContext } from '~/services/request-context';
import { quoteDelivery } from '~/services/cart/quote-delivery';
import { noteUses } from '~/services/prices/record-shown';
import { buildOrder } from './build-order';
import { sendOrderMail } from './order-mails';
import type { OrderRequest } from './order-request';
import { asksWhoBuys, countWhoTry, waitForWho } from './who-buys';

const FAILED: Readonly<Record<string, ProblemCode>> = {
  declined: 'payment-declined',
  'timed-out': 'payment-timed-out',
};

/** What makes two requests the same. The card is left out: nothing derived from a card is stored. */
function hashOf({ cartToken, cartVersion, form: { cardNumber: _card, ...form } }: OrderRequest): string {
  return createHash('sha256')
    .update(JSON.stringify([cartToken, cartVersion, form]))
    .digest('hex');
}

/**
 * Reserves stock, takes the payment, then confirms; or gives the stock back. The cart is emptied only by a paid order.
 * Stock and the order are written in one immediate transaction, so the last unit is sold once, and of one cart one order is
 * under way. Who carries it is asked before: a slow carrier must not hold the shop.
 */
export async function placeOrder(app: App, request: OrderRequest): Promise<Result<{ token: string }>> {
  if (!(await isOpen(app))) return fail('', 'shop-closed');
  const requestHash = hashOf(request);
  const before = await cartOrAnswer(app, request, requestHash);
  if ('answer' in before) return before.answer;
  const context = await requestContext(app, { language: request.language });
  const asksWho = asksWhoBuys(context.live.lane);
  const seconds = asksWho ? await waitForWho(app, request.from) : null;
  if (seconds !== null) return fail('', 'too-many-tries', { seconds });
  const rates = await quoteDelivery(context, request.form, await goodsOf(context, before.cart));
  const reserved = await reserve(app, request, requestHash, rates);
  if (!reserved.ok) {
    if (reserved.problems.some(({ code }) => code === 'buyer-changed')) {
      // From now on the cart is priced for this buyer, so the next total shown is the one charged.
      await app.carts.judge(request.cartToken, shopperKey(app, request.form.email));
      await countWhoTry(app, request.from);
    }
    return reserved;
  }
  if ('answer' in reserved.value) return reserved.value.answer;
  const { order, ...taken } = reserved.value;
  const { cardNumber } = request.form;
  const charge =
    order.totalMinor === 0
      ? ({ status: 'approved', reference: 'nothing-to-pay' } as const)
      : await app.payment.charge({
          key: order.token,
          amountMinor: order.totalMinor,
          currency: order.currency,
          cardNumber,
        });
  if (charge.status === 'approved')
    return confirm(app, order, charge.reference, { ...taken, cartToken: request.cartToken });
  if (charge.status === 'timed-out') await app.payment.cancel(order.token);
  await release(app, order, charge.status);
  return fail('cardNumber', FAILED[charge.status]!);
}

/** The answer to a request that was made before; null when it is new. */
function answerOf(related: readonly RelatedOrder[], requestHash: string): Result<{ token: string }> | null {
  const repeated = related.find((order) => order.isRepeat);
  if (repeated) {
    if (repeated.requestHash !== requestHash) return fail('key', 'key-reused');
    if (repeated.status === 'paid') return ok({ token: repeated.token });
    return repeated.status === 'reserved'
      ? fail('key', 'payment-in-progress')
      : fail('cardNumber', own(FAILED, repeated.paymentReference ?? '') ?? 'payment-timed-out');
  }
  if (related.some((order) => order.status === 'reserved')) return fail('key', 'payment-in-progress');
  const paid = related.find((order) => order.status === 'paid');
  return paid ? fail('key', 'cart-ordered', { token: paid.token }) : null;
}

/** The cart as the shopper saw it, or what else the request is answered with. */
async function cartOrAnswer(
  app: App,
  request: OrderRequest,
  requestHash: string,
): Promise<{ readonly cart: StoredCart } | { readonly answer: Result<{ token: string }> }> {
  const { key, cartToken, cartVersion } = request;
  const [related, cart] = await Promise.all([
    app.orders.findRelated({ key, cartToken, cartVersion }),
    app.carts.read(cartToken),
  ]);
  const answer = answerOf(related, requestHash);
  if (answer) return { answer };
  if (cart.lines.length === 0) return { answer: fail('cart', 'cart-empty') };
  return cart.version === cartVersion ? { cart } : { answer: fail('cart', 'cart-changed') };
}

interface BoughtFile {
  readonly name: string;
  readonly file: string;
  readonly uses: number;
}

/** An order under way, the lines of the cart that it was made of, and the files it buys. */
interface Taken {
  readonly order: Order;
  readonly lineIds: readonly string[];
  readonly files: readonly BoughtFile[];
}

type Reserved = Taken | { readonly answer: Result<{ token: string }> };

/** Thrown to roll back a transaction; carries the message for the shopper. */
class Refused extends Error {
  constructor(readonly result: ReturnType<typeof fail>) {
    super('refused');
  }
}

async function reserve(
  app: App,
  request: OrderRequest,
  requestHash: string,
  rates: readonly DeliveryRate[],
): Promise<Result<Reserved>> {
  try {
    return await app.db.inDurableTransaction(async () => {
      // Checked again: another tab may have ordered while the carrier answered.
      const now = await cartOrAnswer(app, request, requestHash);
      if ('answer' in now) return ok<Reserved>(now);
      const { cart } = now;
      // Looked up again: what was published while the carrier answered is what is charged by.
      const context = await requestContext(app, { language: request.language });
      const goods = await goodsOf(context, cart);
      const built = await buildOrder(context, request, requestHash, { cart, goods, rates });
      if (!built.ok) return built;
      const { order, offers, oneTime } = built.value;
      for (const { variantId, quantity } of takenBy(order.lines)) {
        if (await app.catalogue.takeStock(variantId, quantity)) continue;
        const facts = (await app.catalogue.variantFacts([variantId])).get(variantId);
        const [name, stock] = [facts ? variantName(facts) : '', facts?.stock ?? 0];
        throw new Refused(fail('cart', stock === 0 ? 'sold-out' : 'not-enough-stock', { name, stock }));
      }
      const id = await app.orders.insert(order);
      // Counted in this transaction, so that a limited offer is never used too often.
      await app.orders.redeem(id, offers, shopperKey(app, order.email), order.placedAt);
      if (oneTime.length > 0 && (await app.codes.use(id, oneTime)) < oneTime.length)
        throw new Error('A code that was priced in this transaction was used in another');
      const lineIds = cart.lines.map((line) => line.id);
      return ok<Reserved>({ order: { ...order, id }, lineIds, files: filesOf(goods) });
    });
  } catch (error) {
    if (error instanceof Refused) return error.result;
    throw error;
  }
}

/** How long a bought file can be fetched, and how often each. */
export const DOWNLOAD_DAYS = 60;
export const DOWNLOAD_USES = 5;

/** Files that are bought, each once, with the name of what they belong to. */
function filesOf(goods: readonly Good[]): BoughtFile[] {
  const files = new Map(
    goods.flatMap(({ facts: { name, downloadFile } }) => (downloadFile ? [[downloadFile, name] as const] : [])),
  );
  return [...files].map(([file, name]) => ({ name, file, uses: DOWNLOAD_USES }));
}

async function confirm(
  app: App,
  order: Order,
  reference: string,
  from: Pick<Taken, 'lineIds' | 'files'> & { readonly cartToken: string },
): Promise<Result<{ token: string }>> {
  await app.db.inDurableTransaction(async () => {
    if (!(await app.orders.move(order.token, 'reserved', 'paid', reference)))
      throw new Error(`Order ${order.token} was no longer reserved`);
    if (!(await app.carts.emptyOrdered(from.cartToken, order.cartVersion!, app.now()))) {
      // Removes only what was ordered: something may have been added during the payment.
      const cart = await app.carts.read(from.cartToken);
      const lines = cart.lines.filter((line) => !from.lineIds.includes(line.id));
      await app.carts.write(from.cartToken, cart, { ...cart, lines, codes: [], note: '' }, { now: app.now() });
      await app.carts.forgetCheckout(from.cartToken);
    }
    await app.catalogue.recordSale(takenBy(order.lines));
    await app.orders.grantDownloads(order.token, from.files, app.now() + DOWNLOAD_DAYS * 86_400_000);
    if (order.visitId && (await app.visits.addRevenue(order.visitId, order.totalMinor, order.currency))) {
      await app.visits.recordServerEvent({
        id: `order-${order.token}`,
        visitId: order.visitId,
        at: order.placedAt,
        kind: 'order',
      });
    }
  });
  app.log.info({ order: order.token, totalMinor: order.totalMinor, revision: order.laneRevision }, 'order paid');
  await noteUses(app);
  await sendOrderMail(app, order);
  return ok({ token: order.token });
}

async function release(app: App, order: Pick<Order, 'token' | 'lines' | 'visitId'>, why: string): Promise<void> {
  await app.db.inTransaction(async () => {
    if (!(await app.orders.move(order.token, 'reserved', 'failed', why))) return;
    for (const { variantId, quantity } of takenBy(order.lines)) await app.catalogue.returnStock(variantId, quantity);
    await app.orders.unredeem(order.token);
    if (order.visitId)
      await app.visits.recordServerEvent({
        id: `failed-${order.token}`,
        visitId: order.visitId,
        at: app.now(),
        kind: 'payment-failed',
      });
  });
  app.log.info({ order: order.token, why }, 'payment failed');
  await noteUses(app);
}

const ABANDONED_AFTER_MS = 10 * 60_000;

/**
 * Gives back what a crash between reserving and paying left behind, older than so many milliseconds. Run at start, when
 * nothing can be under way, and now and then. One payment that cannot be cancelled does not keep the others.
 */
export async function releaseAbandoned(app: App, olderThanMs = ABANDONED_AFTER_MS): Promise<number> {
  let released = 0;
  for (const token of await app.orders.listReserved(app.now() - olderThanMs)) {
    try {
      await app.payment.cancel(token);
      const order = await app.orders.find(token);
      if (order) await release(app, order, 'abandoned');
      released += 1;
    } catch (error) {
      app.log.error({ err: error, order: token }, 'an order left behind could not be given back');
    }
  }
  return released;
}

/** The order made from this cart already, if the refusal says so: the shopper is sent to its page. */
export function orderedAlready(problems: readonly Problem[]): string | null {
  const ordered = problems.find((problem) => problem.code === 'cart-ordered');
  return ordered ? String(ordered.facts?.['token']) : null;
}

/** An order for its thank-you page; its token is the secret. */
export async function showOrder(app: App, token: string): Promise<Order | null> {
  const order = await app.orders.find(token);
  return order?.status === 'paid' ? order : null;
}
