import { createHash, randomUUID } from 'node:crypto';
import type { Cart } from '~/core/cart';
import { formatMoney, minor } from '~/core/money';
import { own } from '~/core/own';
import { answerTexts } from '~/core/options';
import { checkCheckout, type CheckoutForm, type Order, type OrderLine } from '~/core/orders';
import { fail, ok, type Problem, type ProblemCode, type Result } from '~/core/problems';
import { dayIn } from '~/core/time';
import type { StoredCart } from '~/data';
import type { DeliveryRate } from '~/standins';
import type { App } from './app';
import { goodsOf, shopToday, uploadNames, variantName } from './cart-goods';
import { liveLane } from './live-lane';
import { sendOrderMail } from './order-mails';
import { quoteDelivery } from './quote-delivery';
import { priceGoods } from './view-cart';

export interface OrderRequest {
  readonly cartToken: string;
  /** Which state of the cart the shopper saw; another is refused. */
  readonly cartVersion: number;
  readonly form: CheckoutForm;
  /** The same key is the same order, however often it is sent. */
  readonly key: string;
  readonly visitId: string | null;
  /** ISO 639-1. */
  readonly language: string;
  /** The total the shopper was shown; an order at another price is refused. */
  readonly seenTotalMinor: number | null;
}

const FAILED: Readonly<Record<string, ProblemCode>> = {
  declined: 'payment-declined',
  'timed-out': 'payment-timed-out',
};

/** What makes two requests the same. The card is no part of it: nothing made from one is kept anywhere. */
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
  const requestHash = hashOf(request);
  const earlier = await findEarlier(app, request.key, requestHash);
  if (earlier) return earlier;
  const cart = await app.carts.read(request.cartToken);
  const refusal = await refusalOfCart(app, request, cart);
  if (refusal) return refusal;
  const rates = await quoteDelivery(app, request.form, await goodsOf(app, cart), request.language);
  const reserved = await reserve(app, request, requestHash, rates);
  if (!reserved.ok) return reserved;
  if ('repeat' in reserved.value) return reserved.value.repeat;
  const { order, lineIds } = reserved.value;
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
    return confirm(app, order, charge.reference, { cartToken: request.cartToken, lineIds });
  if (charge.status === 'timed-out') await app.payment.cancel(order.token);
  await release(app, order, charge.status);
  return fail('cardNumber', FAILED[charge.status]!);
}

async function findEarlier(app: App, key: string, requestHash: string): Promise<Result<{ token: string }> | null> {
  const order = await app.orders.find({ idempotencyKey: key });
  if (!order) return null;
  if (order.requestHash !== requestHash) return fail('key', 'key-reused');
  if (order.status === 'paid') return ok({ token: order.token });
  return order.status === 'reserved'
    ? fail('key', 'payment-in-progress')
    : fail('cardNumber', own(FAILED, order.paymentReference ?? '') ?? 'payment-timed-out');
}

/** Why nothing can be ordered from a cart as the shopper saw it; null when it can. */
async function refusalOfCart(
  app: App,
  { cartToken, cartVersion }: OrderRequest,
  cart: StoredCart,
): Promise<ReturnType<typeof fail> | null> {
  const other = await app.orders.findOfCart(cartToken, cartVersion);
  if (other?.status === 'reserved') return fail('key', 'payment-in-progress');
  if (other) return fail('key', 'cart-ordered', { token: other.token });
  if (cart.lines.length === 0) return fail('cart', 'cart-empty');
  return cart.version === cartVersion ? null : fail('cart', 'cart-changed');
}

type Reserved =
  { readonly order: Order; readonly lineIds: readonly string[] } | { readonly repeat: Result<{ token: string }> };

/** Thrown to roll a transaction back; carries what the shopper is told. */
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
    return await app.db.inTransaction(async () => {
      const repeat = await findEarlier(app, request.key, requestHash);
      if (repeat) return ok<Reserved>({ repeat });
      const cart = await app.carts.read(request.cartToken);
      const refusal = await refusalOfCart(app, request, cart);
      if (refusal) return refusal;
      const built = await buildOrder(app, request, requestHash, cart, rates);
      if (!built.ok) return built;
      for (const { variantId, quantity } of takenBy(built.value.lines)) {
        if (await app.catalogue.takeStock(variantId, quantity)) continue;
        const facts = (await app.catalogue.variantFacts([variantId])).get(variantId);
        const [name, stock] = [facts ? variantName(facts) : '', facts?.stock ?? 0];
        throw new Refused(fail('cart', stock === 0 ? 'sold-out' : 'not-enough-stock', { name, stock }));
      }
      const id = await app.orders.insert(built.value);
      return ok<Reserved>({ order: { ...built.value, id }, lineIds: cart.lines.map((line) => line.id) });
    });
  } catch (error) {
    if (error instanceof Refused) return error.result;
    throw error;
  }
}

async function buildOrder(
  app: App,
  request: OrderRequest,
  requestHash: string,
  cart: Cart,
  rates: readonly DeliveryRate[],
): Promise<Result<Omit<Order, 'id'>>> {
  const { form } = request;
  const goods = await goodsOf(app, cart);
  if (goods.length === 0) return fail('cart', 'cart-empty');
  const needsDelivery = goods.some((good) => good.isParcel);
  const problems = checkCheckout(form, { delivery: needsDelivery });
  if (problems.length > 0) return { ok: false, problems };
  const unfit = goods.find((good) => good.problem)?.problem;
  if (unfit) return { ok: false, problems: [{ ...unfit, path: 'cart' }] };
  const rate = rates.find((candidate) => candidate.key === form.delivery);
  if (needsDelivery && !rate) return fail('delivery', 'delivery-unknown');
  const live = await liveLane(app);
  const { lane, revision, currency } = live;
  const way = { amountMinor: rate?.amountMinor ?? minor(0), method: rate?.key ?? null };
  const priced = priceGoods(live, cart, goods, await shopToday(app), way);
  if (request.seenTotalMinor !== null && request.seenTotalMinor !== priced.totalMinor) {
    const show = (amount: number) => formatMoney(amount, currency, lane.shop.locale);
    return fail('total', 'price-changed', { before: show(request.seenTotalMinor), after: show(priced.totalMinor) });
  }
  const nameOf = await uploadNames(app, goods);
  const placedAt = app.now();
  return ok({
    token: randomUUID(),
    idempotencyKey: request.key,
    requestHash,
    status: 'reserved',
    email: form.email,
    name: form.name,
    address: { line1: form.line1, line2: form.line2, postcode: form.postcode, city: form.city, country: form.country },
    delivery: rate?.key ?? 'none',
    deliveryName: rate?.name ?? '',
    deliveryDays: rate?.days ?? '',
    language: request.language,
    taxIncluded: lane.shop.tax.included,
    currency: currency.code,
    subtotalMinor: priced.subtotalMinor,
    discountMinor: priced.discountMinor,
    deliveryMinor: priced.deliveryMinor ?? minor(0),
    taxMinor: priced.taxMinor,
    totalMinor: priced.totalMinor,
    steps: priced.steps,
    laneRevision: revision,
    visitId: request.visitId,
    paymentReference: null,
    placedAt,
    day: dayIn(lane.shop.timeZone, placedAt),
    coupon: priced.coupon?.refusal === null ? priced.coupon.code : null,
    note: cart.note,
    cartToken: request.cartToken,
    cartVersion: request.cartVersion,
    lines: goods.map(({ facts, line, evaluation }, i) => ({
      variantId: facts.variantId,
      sku: facts.sku,
      name: facts.name,
      choices: Object.values(facts.choices).join(', '),
      quantity: line.quantity,
      unitMinor: facts.priceMinor,
      totalMinor: priced.lines[i]!.totalMinor,
      costMinor: facts.costMinor,
      steps: priced.lines[i]!.steps,
      answers: answerTexts(facts.options, evaluation.answers, nameOf),
      addOns: evaluation.addOns,
    })),
  });
}

/** How long a bought file can be fetched, and how often each. */
export const DOWNLOAD_DAYS = 60;
export const DOWNLOAD_USES = 5;

/** Files that were bought, each once, with the name of what they belong to. */
async function filesOf(app: App, order: Order): Promise<{ name: string; file: string; uses: number }[]> {
  const ids = order.lines.flatMap((line) => (line.variantId === null ? [] : [line.variantId]));
  const facts = [...(await app.catalogue.variantFacts(ids)).values()];
  const files = new Map(
    facts.flatMap(({ name, downloadFile }) => (downloadFile ? [[downloadFile, name] as const] : [])),
  );
  return [...files].map(([file, name]) => ({ name, file, uses: DOWNLOAD_USES }));
}

/** What lines take off the shelves: their variants, and the add-ons that come along. */
function takenBy(lines: readonly OrderLine[]): { variantId: number; quantity: number }[] {
  return lines.flatMap(({ variantId, addOns, quantity }) =>
    [variantId, ...addOns].flatMap((id) => (id === null ? [] : [{ variantId: id, quantity }])),
  );
}

async function confirm(
  app: App,
  order: Order,
  reference: string,
  from: { readonly cartToken: string; readonly lineIds: readonly string[] },
): Promise<Result<{ token: string }>> {
  await app.db.inTransaction(async () => {
    if (!(await app.orders.move(order.token, 'reserved', 'paid', reference)))
      throw new Error(`Order ${order.token} was no longer reserved`);
    // Only what was ordered: something may have been added while the payment was under way.
    const cart = await app.carts.read(from.cartToken);
    const lines = cart.lines.filter((line) => !from.lineIds.includes(line.id));
    await app.carts.write(from.cartToken, cart, { ...cart, lines, coupon: null, note: '' }, { now: app.now() });
    await app.carts.writeCheckout(from.cartToken, null, app.now());
    await app.catalogue.recordSale(takenBy(order.lines));
    await app.orders.grantDownloads(order.token, await filesOf(app, order), app.now() + DOWNLOAD_DAYS * 86_400_000);
    if (order.visitId && (await app.visits.addRevenue(order.visitId, order.totalMinor))) {
      await app.visits.recordServerEvent({
        id: `order-${order.token}`,
        visitId: order.visitId,
        at: order.placedAt,
        kind: 'order',
      });
    }
  });
  app.log.info({ order: order.token, totalMinor: order.totalMinor, revision: order.laneRevision }, 'order paid');
  await sendOrderMail(app, order);
  return ok({ token: order.token });
}

async function release(app: App, order: Pick<Order, 'token' | 'lines' | 'visitId'>, why: string): Promise<void> {
  await app.db.inTransaction(async () => {
    if (!(await app.orders.move(order.token, 'reserved', 'failed', why))) return;
    for (const { variantId, quantity } of takenBy(order.lines)) await app.catalogue.returnStock(variantId, quantity);
    if (order.visitId)
      await app.visits.recordServerEvent({
        id: `failed-${order.token}`,
        visitId: order.visitId,
        at: app.now(),
        kind: 'payment-failed',
      });
  });
  app.log.info({ order: order.token, why }, 'payment failed');
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
      const order = await app.orders.find({ token });
      if (order) await release(app, order, 'abandoned');
      released += 1;
    } catch (error) {
      app.log.error({ err: error, order: token }, 'an order left behind could not be given back');
    }
  }
  return released;
}

/** The order that a refusal speaks of, where the cart was ordered already: its page is where the shopper wants to be. */
export function orderedAlready(problems: readonly Problem[]): string | null {
  const ordered = problems.find((problem) => problem.code === 'cart-ordered');
  return ordered ? String(ordered.facts?.['token']) : null;
}

/** An order for the page that thanks for it; the token is the secret. */
export async function showOrder(app: App, token: string): Promise<Order | null> {
  const order = await app.orders.find({ token });
  return order?.status === 'paid' ? order : null;
}
