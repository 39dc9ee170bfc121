import { read } from './refunds';
import { type Wanted, giveBack } from './refunds';
import type { OrderListAsked, KeptOrder, ManyOrders, OrderAction } from '~/contract/studio/orders';
import { ORDERS_A_PAGE } from '~/core/limits';
import { stringify } from 'csv-stringify/sync';
import { currencyOf, minor, writeSum } from '~/core/money';
import { orderNumber, refundable, type Refundable, type OrderKeeping } from '~/core/orders';
import { discountName, discountsOf, type PriceStep } from '~/core/pricing';
import { fail, ok, wordProblem, type Result } from '~/core/problems';
import { localTime } from '~/core/time';
import { type OrderSummary } from '~/data';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { keepReturn } from './returns';
import { sendSentMail } from './order-mails';

const MOST_EXPORTED = 50_000;
export interface OrderList extends OrderListAsked {
  readonly orders: readonly OrderSummary[];
  readonly total: number;
  readonly pages: number;
}

export async function listOrders(app: App, asked: OrderListAsked): Promise<OrderList> {
  const { orders, total } = await app.orders.listOrders({ ...asked, pageSize: ORDERS_A_PAGE });
  return { ...asked, orders, total, pages: Math.max(1, Math.ceil(total / ORDERS_A_PAGE)) };
}

/** Orders whose lines are read at once; other requests are served in between. */
const AT_ONCE = 500;

/**
 * Orders as a spreadsheet (RFC 4180): sums in units of the currency, times as the shop's clock has them, and what each offer took
 * off by its name. A cell that a spreadsheet would calculate is quoted.
 */
export async function exportOrders(app: App, asked: OrderListAsked, accountId: number | null = null): Promise<string> {
  const { orders } = await app.orders.listOrders({ ...asked, page: 1, pageSize: MOST_EXPORTED });
  const facts = { orders: orders.length };
  await app.audit.write({ at: app.now(), accountId, action: 'orders-exported', facts });
  const { timeZone } = (await liveLane(app)).lane.shop;
  const time = (at: number | null) => (at === null ? '' : localTime(at, timeZone).replace('T', ' '));
  const lines = new Map<number, { steps: PriceStep[] }[]>();
  for (let i = 0; i < orders.length; i += AT_ONCE)
    for (const [id, own] of await app.orders.listLineSteps(orders.slice(i, i + AT_ONCE).map(({ id }) => id)))
      lines.set(id, own);
  return stringify(
    orders.map((order) => {
      const { exponent } = currencyOf(order.currency);
      const sum = (amount: number) => writeSum(amount, { exponent, mark: 'point' });
      const discounts = discountsOf(lines.get(order.id) ?? []);
      return {
        Order: orderNumber(order),
        Placed: time(order.placedAt),
        Name: order.name,
        'E-mail': order.email,
        Country: order.country,
        Items: order.items,
        Subtotal: sum(order.subtotalMinor),
        Discount: sum(discounts.reduce((all, { amountMinor }) => all + amountMinor, 0)),
        Discounts: discounts
          .map((discount) => `${discountName(discount) || 'Offer'} ${sum(discount.amountMinor)}`)
          .join('; '),
        Delivery: sum(order.deliveryMinor),
        Tax: sum(order.taxMinor),
        Total: sum(order.totalMinor),
        Refunded: sum(order.refundedMinor),
        Currency: order.currency,
        Payment: order.status,
        Packed: time(order.packedAt),
        Sent: time(order.sentAt),
        Cancelled: time(order.cancelledAt),
      };
    }),
    { header: true, escape_formulas: true },
  );
}

const MOST_EVENTS = 200;

export async function showKeptOrder(app: App, id: number): Promise<KeptOrder | null> {
  const found = await read(app, id);
  if (!found) return null;
  const { order, refunds, keeping } = found;
  const [mails, way, returns] = await Promise.all([
    app.mailbox.listAbout(order.token),
    order.visitId ? app.visits.listEvents(order.visitId, MOST_EVENTS) : [],
    app.orders.listReturns(id),
  ]);
  const { requestHash: _hash, idempotencyKey: _key, cartToken: _cart, ...shown } = order;
  return {
    order: shown,
    number: orderNumber(order),
    keeping,
    refunds,
    returns,
    left: refundable(order, refunds),
    mails: mails.map(({ id: key, at, subject, text }) => ({ id: key, at, subject, text })),
    way,
  };
}

/** Marks several orders; returns how many were marked, and why the others were not. */
export async function actOnMany(
  app: App,
  { ids, action }: ManyOrders,
  accountId: number,
): Promise<{ done: number; refused: { number: string; message: string }[] }> {
  const refused: { number: string; message: string }[] = [];
  for (const id of new Set(ids)) {
    // A sent order keeps its tracking number.
    const tracking = (await app.orders.readKeeping(id))?.tracking ?? '';
    const one = action === 'pack' ? ({ action } as const) : ({ action, tracking } as const);
    const answer = await act(app, id, one, accountId);
    if (answer.ok) continue;
    const message = answer.problems.map((problem) => wordProblem(problem)).join(' ');
    refused.push({ number: orderNumber({ id }), message });
  }
  return { done: new Set(ids).size - refused.length, refused };
}

/** Carries out an owner's action on a paid order and returns the order after it. */
export async function actOnOrder(
  app: App,
  id: number,
  action: OrderAction,
  accountId: number,
): Promise<Result<KeptOrder>> {
  const done = await act(app, id, action, accountId);
  return done.ok ? ok((await showKeptOrder(app, id))!) : done;
}

async function act(app: App, id: number, action: OrderAction, accountId: number): Promise<Result<null>> {
  if (action.action === 'refund')
    return giveBack(app, id, () => ({ ...action, sumMinor: minor(action.sumMinor ?? 0) }), {
      accountId,
      cancels: false,
    });
  if (action.action === 'cancel') {
    const all = (left: Refundable): Wanted => ({
      ...action,
      units: left.lines.flatMap(({ quantity }, line) => (quantity > 0 ? [{ line, quantity }] : [])),
      delivery: left.deliveryMinor > 0,
      sumMinor: minor(0),
    });
    return giveBack(app, id, all, { accountId, cancels: true });
  }
  if (action.action === 'return' || action.action === 'return-came' || action.action === 'return-dropped')
    return keepReturn(app, id, action, accountId);
  if (action.action === 'reopen')
    return keep(app, { id, accountId, what: 'reopen' }, (keeping) => ({
      ...keeping,
      packedAt: null,
      sentAt: null,
      tracking: '',
    }));
  if (action.action === 'pack')
    return keep(app, { id, accountId, what: 'pack' }, (keeping) => ({
      ...keeping,
      packedAt: keeping.packedAt ?? app.now(),
    }));
  const { tracking } = action;
  const sent = await keep(app, { id, accountId, what: 'send' }, (keeping) => ({
    ...keeping,
    packedAt: keeping.packedAt ?? app.now(),
    sentAt: keeping.sentAt ?? app.now(),
    tracking,
  }));
  if (sent.ok) await sendSentMail(app, (await read(app, id))!.order, tracking);
  return sent;
}

async function keep(
  app: App,
  {
    id,
    accountId,
    what,
  }: { readonly id: number; readonly accountId: number; readonly what: 'pack' | 'send' | 'reopen' },
  change: (keeping: OrderKeeping) => OrderKeeping,
): Promise<Result<null>> {
  return app.db.inTransaction(async () => {
    const found = await read(app, id);
    if (!found) return fail('', 'not-found');
    if (found.order.status !== 'paid') return fail('', 'order-unpaid');
    if (found.keeping.cancelledAt !== null) return fail('', 'order-cancelled');
    // Its buyer is adding something right now: wait, so that what they pay for is packed.
    const adding = (await app.afterOrders.readAddition(id))?.state === 'reserved';
    if (adding && what !== 'reopen') return fail('', 'order-adding');
    await app.orders.writeKeeping(id, change(found.keeping));
    await app.audit.write({ at: app.now(), accountId, action: `order-${what}`, facts: { order: id } });
    return ok(null);
  });
}
