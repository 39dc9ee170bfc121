import { createHash, randomUUID } from 'node:crypto';
import type { CartLine } from '~/core/cart';
import { formatMoney, minor } from '~/core/money';
import { priceCart } from '~/core/offers';
import { checkCheckout, type CheckoutForm, type Order } from '~/core/orders';
import { fail, ok, type ProblemCode, type Result } from '~/core/problems';
import { dayIn } from '~/core/time';
import type { App } from './app';
import { liveLane } from './live-lane';
import { quoteDelivery } from './quote-delivery';

export interface OrderRequest {
  readonly cartToken: string;
  readonly form: CheckoutForm;
  /** The same key is the same order, however often it is sent. */
  readonly key: string;
  readonly visitId: string | null;
  /** The total the shopper was shown; an order at another price is refused. */
  readonly seenTotalMinor: number | null;
}

const FAILED: Readonly<Record<string, ProblemCode>> = {
  declined: 'payment-declined',
  'timed-out': 'payment-timed-out',
};

/**
 * Reserves stock, takes the payment, then confirms; or gives the stock back. The cart is emptied only by a paid order.
 * Stock and the order are written in one immediate transaction, so the last unit is sold once.
 */
export async function placeOrder(app: App, request: OrderRequest): Promise<Result<{ token: string }>> {
  const requestHash = createHash('sha256')
    .update(JSON.stringify([request.cartToken, request.form]))
    .digest('hex');
  const earlier = await findEarlier(app, request.key, requestHash);
  if (earlier) return earlier;
  const reserved = await reserve(app, request, requestHash);
  if (!reserved.ok) return reserved;
  if ('repeat' in reserved.value) return reserved.value.repeat;
  const { order } = reserved.value;
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
  if (charge.status === 'approved') return confirm(app, order, charge.reference, request.cartToken);
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
    : fail('cardNumber', FAILED[order.paymentReference ?? ''] ?? 'payment-timed-out');
}

type Reserved = { readonly order: Order } | { readonly repeat: Result<{ token: string }> };

/** Thrown to roll a transaction back; carries what the shopper is told. */
class Refused extends Error {
  constructor(readonly result: ReturnType<typeof fail>) {
    super('refused');
  }
}

async function reserve(app: App, request: OrderRequest, requestHash: string): Promise<Result<Reserved>> {
  try {
    return await app.db.inTransaction(async () => {
      const repeat = await findEarlier(app, request.key, requestHash);
      if (repeat) return ok<Reserved>({ repeat });
      const lines = await app.carts.readLines(request.cartToken);
      if (lines.length === 0) return fail('cart', 'cart-empty');
      const built = await buildOrder(app, request, requestHash, lines);
      if (!built.ok) return built;
      for (const line of built.value.lines) {
        if (await app.catalogue.takeStock(line.variantId!, line.quantity)) continue;
        const stock = (await app.catalogue.variantFacts([line.variantId!])).get(line.variantId!)?.stock ?? 0;
        throw new Refused(fail('cart', stock === 0 ? 'sold-out' : 'not-enough-stock', { name: line.name, stock }));
      }
      await app.orders.insert(built.value);
      return ok<Reserved>({ order: { ...built.value, id: 0 } });
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
  lines: readonly CartLine[],
): Promise<Result<Omit<Order, 'id'>>> {
  const { form } = request;
  const facts = await app.catalogue.variantFacts(lines.map((line) => line.variantId));
  const goods = lines.flatMap((line) => {
    const found = facts.get(line.variantId);
    return found ? [{ id: line.id, quantity: line.quantity, facts: found }] : [];
  });
  if (goods.length === 0) return fail('cart', 'cart-empty');
  const needsDelivery = goods.some((item) => item.facts.fulfilment === 'parcel');
  const problems = checkCheckout(form, { delivery: needsDelivery });
  if (problems.length > 0) return { ok: false, problems };
  const rate = (await quoteDelivery(app, form.country, goods)).find((candidate) => candidate.key === form.delivery);
  if (needsDelivery && !rate) return fail('delivery', 'delivery-unknown');
  const { lane, revision, currency } = await liveLane(app);
  const priced = priceCart({
    lines: goods.map((item) => ({ id: item.id, quantity: item.quantity, unitPriceMinor: item.facts.priceMinor })),
    offers: lane.offers,
    tax: lane.shop.tax,
    deliveryMinor: rate?.amountMinor ?? minor(0),
  });
  if (request.seenTotalMinor !== null && request.seenTotalMinor !== priced.totalMinor) {
    const show = (amount: number) => formatMoney(amount, currency, lane.shop.locale);
    return fail('total', 'price-changed', { before: show(request.seenTotalMinor), after: show(priced.totalMinor) });
  }
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
    lines: goods.map(({ facts: item, quantity }, i) => ({
      variantId: item.variantId,
      sku: item.sku,
      name: item.name,
      choices: Object.values(item.choices).join(', '),
      quantity,
      unitMinor: item.priceMinor,
      totalMinor: priced.lines[i]!.totalMinor,
      costMinor: item.costMinor,
      steps: priced.lines[i]!.steps,
    })),
  });
}

async function confirm(
  app: App,
  order: Order,
  reference: string,
  cartToken: string,
): Promise<Result<{ token: string }>> {
  await app.db.inTransaction(async () => {
    if (!(await app.orders.move(order.token, 'reserved', 'paid', reference)))
      throw new Error(`Order ${order.token} was no longer reserved`);
    await app.carts.writeLines(cartToken, [], app.now());
    await app.catalogue.recordSale(order.lines);
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
  return ok({ token: order.token });
}

async function release(app: App, order: Pick<Order, 'token' | 'lines' | 'visitId'>, why: string): Promise<void> {
  await app.db.inTransaction(async () => {
    if (!(await app.orders.move(order.token, 'reserved', 'failed', why))) return;
    for (const line of order.lines)
      if (line.variantId !== null) await app.catalogue.returnStock(line.variantId, line.quantity);
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

/** Gives back what a crash between reserving and paying left behind. Run at start and now and then. */
export async function releaseAbandoned(app: App): Promise<number> {
  const tokens = await app.orders.listReserved(app.now() - ABANDONED_AFTER_MS);
  for (const token of tokens) {
    await app.payment.cancel(token);
    const order = await app.orders.find({ token });
    if (order) await release(app, order, 'abandoned');
  }
  return tokens.length;
}

/** An order for the page that thanks for it; the token is the secret. */
export async function showOrder(app: App, token: string): Promise<Order | null> {
  const order = await app.orders.find({ token });
  return order?.status === 'paid' ? order : null;
}
