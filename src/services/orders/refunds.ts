import { randomUUID } from 'node:crypto';
import { currencyOf, formatMoney, type Minor } from '~/core/money';
import {
  planRefund,
  refundable,
  spreadRefund,
  takenBy,
  type Charged,
  type Order,
  type Refundable,
  type RefundedUnits,
  type OrderKeeping,
  type StoredRefund,
} from '~/core/orders';
import { fail, ok, type Problem, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { noteUses } from '~/services/prices/record-shown';
import { additionKey } from './add-after';
import { sendRefundMail } from './order-mails';

export interface Wanted {
  readonly units: readonly RefundedUnits[];
  readonly delivery: boolean;
  readonly sumMinor: Minor;
  readonly restock: boolean;
  readonly reason: string;
}

/**
 * Gives money back, and with `cancels` ends the order. What the order is to be is decided and written down first, in one transaction,
 * and only then is the provider asked: nothing is added to an order that is being refunded, and nothing is refunded while
 * something is added or another refund is under way. An answer that is lost is asked for again by `settleRefunds`, under the same
 * key.
 */
export async function giveBack(
  app: App,
  id: number,
  want: (left: Refundable) => Wanted,
  { accountId, cancels }: { readonly accountId: number; readonly cancels: boolean },
): Promise<Result<null>> {
  const asked = await app.db.inDurableTransaction(
    async (): Promise<Result<{ token: string; refund: StoredRefund } | null>> => {
      const found = await read(app, id);
      if (!found) return fail('', 'not-found');
      const { order, refunds, keeping } = found;
      if (order.status !== 'paid') return fail('', 'order-unpaid');
      if (keeping.cancelledAt !== null) return fail('', 'order-cancelled');
      if ((await app.afterOrders.readAddition(id))?.state === 'reserved') return fail('', 'order-adding');
      if (refunds.some(({ state }) => state === 'asked')) return fail('', 'order-refunding');
      const wanted = want(refundable(order, refunds));
      const at = app.now();
      // Cancelling a fully refunded order refunds nothing more.
      const isNothing = wanted.units.length === 0 && !wanted.delivery && wanted.sumMinor === 0 && refunds.length > 0;
      const planned = isNothing ? null : planRefund(order, refunds, wanted);
      if (planned && !planned.ok) return inWords(app, planned.problems, order);
      if (cancels) await app.orders.writeKeeping(id, { ...keeping, cancelledAt: at });
      if (!planned) {
        if (cancels) await endOrder(app, order, accountId);
        return ok(null);
      }
      const { restock: restocked, ...rest } = wanted;
      const { amountMinor } = planned.value;
      const refund = { ...rest, amountMinor, restocked, key: `${order.token}-${randomUUID()}`, at };
      await app.orders.insertRefund(id, accountId, refund);
      return ok({ token: order.token, refund: { ...refund, id: 0, state: 'asked' } });
    },
  );
  if (!asked.ok) return asked;
  const done = asked.value ? await settle(app, asked.value.token, asked.value.refund, accountId) : ok(null);
  if (done.ok && cancels) await noteUses(app);
  return done;
}

/** A sum in what is in the way, as the order has it. */
async function inWords(app: App, problems: readonly Problem[], { currency }: Order): Promise<Result<never>> {
  const { locale } = (await liveLane(app)).lane.shop;
  const told = ({ facts, ...problem }: Problem): Problem =>
    typeof facts?.['leftMinor'] === 'number'
      ? { ...problem, facts: { left: formatMoney(facts['leftMinor'], currencyOf(currency), locale) } }
      : { ...problem, ...(facts && { facts }) };
  return { ok: false, problems: problems.map(told) };
}

/** Ends what depends on a cancelled order: uses of offers are given back, downloads close, codes for next time end. */
async function endOrder(app: App, order: Order, accountId: number | null): Promise<void> {
  await app.orders.unredeem(order.token);
  await app.orders.closeDownloads(order.token);
  await app.afterOrders.endGiven(order.id);
  await app.audit.write({ at: app.now(), accountId, action: 'order-cancel', facts: { order: order.id } });
}

async function settle(app: App, token: string, refund: StoredRefund, accountId: number | null): Promise<Result<null>> {
  const order = (await app.orders.find(token))!;
  const charges = await chargesOf(app, order);
  // Those written down before it, in their order: of two at once neither takes the other for an earlier one.
  const all = await app.orders.listRefunds(order.id);
  const before = all.slice(
    0,
    all.findIndex(({ key }) => key === refund.key),
  );
  const shares = spreadRefund(charges, sumOf(before), refund.amountMinor);
  for (const [i, { key, amountMinor }] of shares.entries()) {
    const refundKey = i === 0 ? refund.key : `${refund.key}-${i}`;
    const answer = await app.payment.refund({ key, refundKey, amountMinor });
    if (answer.status === 'done') continue;
    // Refunds already made stay noted; the rest is tried again.
    if (i > 0) throw new Error(`Part ${i + 1} of refund ${refund.key} was refused`);
    await app.db.inTransaction(async () => {
      await app.orders.dropRefund(refund.key);
      const keeping = (await app.orders.readKeeping(order.id))!;
      if (isOfCancelling(refund, keeping)) await app.orders.writeKeeping(order.id, { ...keeping, cancelledAt: null });
    });
    return fail('', 'refund-refused');
  }
  await app.db.inDurableTransaction(async () => {
    if (!(await app.orders.settleRefund(refund.key))) return;
    await takeBack(app, order, refund);
    if (isOfCancelling(refund, (await app.orders.readKeeping(order.id))!)) await endOrder(app, order, accountId);
    if (order.visitId) await app.visits.addRevenue(order.visitId, -refund.amountMinor, order.currency);
    const facts = { order: order.id, amountMinor: refund.amountMinor, units: refund.units };
    await app.audit.write({ at: app.now(), accountId, action: 'order-refund', facts });
  });
  await sendRefundMail(app, order, refund);
  return ok(null);
}

const sumOf = (refunds: readonly { readonly amountMinor: number }[]) =>
  refunds.reduce((sum, { amountMinor }) => sum + amountMinor, 0);

/** What the buyer's card was charged, in turn: the order, and what was added to it afterwards. */
async function chargesOf(app: App, { id, token, totalMinor }: Order): Promise<Charged[]> {
  const addition = await app.afterOrders.readAddition(id);
  const more = addition?.state === 'paid' ? addition : null;
  return [
    { key: token, amountMinor: totalMinor - (more?.amountMinor ?? 0) },
    ...(more ? [{ key: additionKey(token, more), amountMinor: more.amountMinor }] : []),
  ];
}

/** Whether a refund was asked for to cancel its order: both were written down at one moment. */
const isOfCancelling = ({ at }: StoredRefund, { cancelledAt }: OrderKeeping): boolean => at === cancelledAt;

/** Counts units and their add-ons as not sold, and returns them to stock where they come back. */
async function takeBack(app: App, order: Order, { units: back, restocked }: StoredRefund): Promise<void> {
  const taken = takenBy(back.map(({ line, quantity }) => ({ ...order.lines[line]!, quantity })));
  if (restocked) for (const { variantId, quantity } of taken) await app.catalogue.returnStock(variantId, quantity);
  await app.catalogue.recordSale(taken.map(({ variantId, quantity }) => ({ variantId, quantity: -quantity })));
}

const ASKED_FOR_MS = 60_000;

/** Retries refunds whose answer was lost in a crash or on the network. */
export async function settleRefunds(app: App): Promise<number> {
  let settled = 0;
  for (const { token, refund } of await app.orders.listAskedRefunds(app.now() - ASKED_FOR_MS)) {
    const answer = await settle(app, token, refund, null).catch((error: unknown) => {
      app.log.error({ err: error, refund: refund.key }, 'a refund could not be settled');
      return null;
    });
    if (answer?.ok) settled += 1;
  }
  return settled;
}

export async function read(app: App, id: number) {
  const token = await app.orders.tokenOf(id);
  const order = token === null ? null : await app.orders.find(token);
  const keeping = await app.orders.readKeeping(id);
  return order && keeping && { order, keeping, refunds: await app.orders.listRefunds(id) };
}
