import { minor, type Minor } from '~/core/money';
import { answerTexts, type AnswerText } from '~/core/options';
import type { Order, OrderKeeping } from '~/core/orders';
import { fail, ok, type Result } from '~/core/problems';
import { priceAfterOrder, type AfterOrderPrice } from '~/core/pricing';
import type { Lane } from '~/core/lane';
import type { OrderAddition, VariantFacts } from '~/data';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { findLinked, type LinkedFound } from '~/services/links/linked-goods';
import { costed } from '~/services/offers/goods';
import { sendAddedMail } from './order-mails';
import { DOWNLOAD_DAYS, DOWNLOAD_USES } from './place-order';
import type { AfterOffer } from './thanks-page';

export interface ShownAfterOffer {
  readonly facts: VariantFacts;
  readonly name: string;
  /** What its options are answered with. */
  readonly answers: readonly AnswerText[];
  readonly quantity: number;
  readonly price: AfterOrderPrice;
  /** The end of it, by the server's clock; milliseconds since 1970. */
  readonly until: number;
}

/** Why not. */
type Refused = 'after-over' | 'after-packed' | 'after-refunded' | 'after-gone' | 'after-added';

/** An order and what has happened to it since. */
interface Standing {
  readonly order: Order;
  readonly keeping: OrderKeeping;
  readonly addition: OrderAddition | null;
  /** Whether a refund was made or is under way. */
  readonly isRefunded: boolean;
}

/** What can be added to an order, or why nothing can; the page that shows it and the route that adds it both ask this. */
async function judge(
  app: App,
  lane: Lane,
  { order, keeping, addition, isRefunded }: Standing,
  offer: AfterOffer,
): Promise<ShownAfterOffer | Refused> {
  const until = order.placedAt + offer.minutes * 60_000;
  if (addition !== null && addition.state !== 'failed') return 'after-added';
  if (keeping.cancelledAt !== null || isRefunded) return 'after-refunded';
  if (keeping.packedAt !== null || keeping.sentAt !== null) return 'after-packed';
  if (app.now() >= until) return 'after-over';
  const hasCard = order.paymentReference !== null && order.totalMinor > 0;
  if (order.status !== 'paid' || !hasCard) return 'after-gone';
  // Its sums could not be added to those of the order.
  if (order.currency !== lane.shop.currency || order.taxIncluded !== lane.shop.tax.included) return 'after-gone';
  // One press cannot answer required options, and add-ons would need stock and a parcel of their own.
  const found = offer.goods.sku === '' ? null : await findLinked(app, offer.goods);
  if (!found || found.problem !== null || found.evaluation.addOns.length > 0) return 'after-gone';
  const { facts } = found;
  // It is packed with the order's parcel: without a parcel there is nothing to pack it with.
  if (facts.fulfilment === 'parcel' && order.delivery === 'none') return 'after-gone';
  if (order.lines.some(({ variantId }) => variantId === facts.variantId)) return 'after-gone';
  return priced(lane, found, offer, until);
}

async function standingOf(app: App, order: Order): Promise<Standing | null> {
  const [keeping, addition, refunds] = await Promise.all([
    app.orders.readKeeping(order.id),
    app.afterOrders.readAddition(order.id),
    app.orders.listRefunds(order.id),
  ]);
  return keeping && { order, keeping, addition, isRefunded: refunds.length > 0 };
}

/** What can be added to an order by one press now; null for nothing. */
export async function showAfterOffer(app: App, order: Order, offer: AfterOffer): Promise<ShownAfterOffer | null> {
  const standing = await standingOf(app, order);
  if (!standing) return null;
  const judged = await judge(app, (await liveLane(app)).lane, standing, offer);
  return typeof judged === 'string' ? null : judged;
}

/** How the offer looks when nothing prevents it; null if the product it names is not sold. */
export async function exampleAfterOffer(app: App, offer: AfterOffer): Promise<ShownAfterOffer | null> {
  const found = await findLinked(app, offer.goods);
  if (!found) return null;
  return priced((await liveLane(app)).lane, found, offer, app.now() + offer.minutes * 60_000);
}

function priced(
  lane: Lane,
  { facts, name, evaluation }: LinkedFound,
  offer: AfterOffer,
  until: number,
): ShownAfterOffer {
  const { quantity } = offer.goods;
  const { effects } = evaluation;
  const asked = { quantity, percent: offer.percent, offerId: offer.piece, name: offer.name, effects };
  const price = priceAfterOrder(costed(facts, lane.shop), asked, { margins: lane.margins, tax: lane.shop.tax });
  const answers = answerTexts(facts.options, evaluation.answers, () => undefined);
  return { facts, name, answers, quantity, price, until };
}

/** The idempotency key of the charge for what was added to an order. */
export const additionKey = (token: string, { attempt }: Pick<OrderAddition, 'attempt'>) => `${token}-more-${attempt}`;

/**
 * Adds what is offered to a paid order, once: charged on the card of the order, by its reference. Its place in the order is taken
 * first, in one transaction with the stock; packing waits for it, and it comes too late for what is packed.
 */
export async function addAfter(
  app: App,
  token: string,
  offer: AfterOffer,
  seenTotalMinor: number,
): Promise<Result<{ readonly chargedMinor: Minor }>> {
  const reserved = await app.db.inDurableTransaction(async () => {
    const order = await app.orders.find(token);
    if (!order) return fail('', 'not-found');
    const standing = (await standingOf(app, order))!;
    const { addition } = standing;
    if (addition?.state === 'paid') return ok({ done: minor(addition.amountMinor) });
    if (addition?.state === 'reserved') return fail('', 'payment-in-progress');
    const shown = await judge(app, (await liveLane(app)).lane, standing, offer);
    if (typeof shown === 'string') return fail('', shown);
    if (shown.price.totalMinor !== seenTotalMinor) return fail('total', 'after-price');
    if (!(await app.catalogue.takeStock(shown.facts.variantId, shown.quantity))) return fail('', 'after-gone');
    const taken = await app.afterOrders.reserve({
      orderId: order.id,
      piece: offer.piece,
      variantId: shown.facts.variantId,
      quantity: shown.quantity,
      amountMinor: shown.price.totalMinor,
      at: app.now(),
    });
    if (!taken) throw new Error(`The place after order ${order.token} was taken within its own transaction`);
    return ok({ order, shown, addition: taken });
  });
  if (!reserved.ok) return reserved;
  if ('done' in reserved.value) return ok({ chargedMinor: reserved.value.done });
  const { order, shown, addition } = reserved.value;
  const key = additionKey(order.token, addition);
  const charge = await app.payment.chargeAgain({
    key,
    reference: order.paymentReference!,
    amountMinor: shown.price.totalMinor,
    currency: order.currency,
  });
  if (charge.status !== 'approved') {
    if (charge.status === 'timed-out') await app.payment.cancel(key);
    await giveBack(app, addition);
    return fail('', 'after-declined');
  }
  await confirm(app, order, shown, { addition, reference: charge.reference });
  await sendAddedMail(app, order, { name: shown.name, quantity: shown.quantity, amountMinor: shown.price.totalMinor });
  return ok({ chargedMinor: shown.price.totalMinor });
}

async function confirm(
  app: App,
  order: Order,
  { facts, answers, price, quantity }: ShownAfterOffer,
  { addition, reference }: { readonly addition: OrderAddition; readonly reference: string },
): Promise<void> {
  await app.db.inDurableTransaction(async () => {
    if (!(await app.afterOrders.settle(order.id, 'paid', reference)))
      throw new Error(`What was added to order ${order.token} was no longer reserved`);
    await app.orders.addLine(
      order,
      {
        variantId: facts.variantId,
        sku: facts.sku,
        name: facts.name,
        quantity,
        choices: Object.values(facts.choices).join(', '),
        unitMinor: facts.priceMinor,
        totalMinor: price.amountMinor,
        costMinor: facts.costMinor,
        taxBasisPoints: price.taxBasisPoints,
        steps: price.steps,
        answers,
        addOns: [],
      },
      {
        subtotalMinor: price.fullMinor,
        discountMinor: minor(price.fullMinor - price.amountMinor),
        taxMinor: price.taxMinor,
        totalMinor: price.totalMinor,
        steps: price.orderSteps,
      },
    );
    await app.catalogue.recordSale([{ variantId: facts.variantId, quantity }]);
    const files = facts.downloadFile ? [{ name: facts.name, file: facts.downloadFile, uses: DOWNLOAD_USES }] : [];
    await app.orders.grantDownloads(order.token, files, app.now() + DOWNLOAD_DAYS * 86_400_000);
    if (order.visitId) await app.visits.addRevenue(order.visitId, price.totalMinor, order.currency);
  });
  app.log.info(
    { order: order.token, totalMinor: addition.amountMinor, piece: addition.piece },
    'added after the order',
  );
}

async function giveBack(app: App, { orderId, variantId, quantity }: OrderAddition): Promise<void> {
  await app.db.inTransaction(async () => {
    if (await app.afterOrders.settle(orderId, 'failed', null)) await app.catalogue.returnStock(variantId, quantity);
  });
}

const ABANDONED_AFTER_MS = 10 * 60_000;

/** Gives back what a crash left reserved between taking the place and the charge's answer. */
export async function releaseAdditions(app: App, olderThanMs = ABANDONED_AFTER_MS): Promise<number> {
  let released = 0;
  for (const addition of await app.afterOrders.listReserved(app.now() - olderThanMs)) {
    try {
      const token = await app.orders.tokenOf(addition.orderId);
      if (token !== null) await app.payment.cancel(additionKey(token, addition));
      await giveBack(app, addition);
      released += 1;
    } catch (error) {
      app.log.error(
        { err: error, order: addition.orderId },
        'what was to be added to an order could not be given back',
      );
    }
  }
  return released;
}
