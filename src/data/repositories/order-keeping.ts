import { minor } from '~/core/money';
import type { ItemReturn, OrderFilter, RefundedUnits, OrderKeeping, StoredRefund } from '~/core/orders';
import { readOrderNumber } from '~/core/orders/order-number';
import { readSteps, type PriceStep } from '~/core/pricing';
import type { Database } from '../database';

export interface OrderSummary {
  readonly id: number;
  readonly placedAt: number;
  readonly name: string;
  readonly email: string;
  readonly status: 'reserved' | 'paid' | 'failed';
  readonly subtotalMinor: number;
  readonly deliveryMinor: number;
  readonly taxMinor: number;
  readonly totalMinor: number;
  readonly refundedMinor: number;
  readonly currency: string;
  readonly country: string;
  readonly packedAt: number | null;
  readonly sentAt: number | null;
  readonly cancelledAt: number | null;
  readonly items: number;
  /** Whether there is something to send. */
  readonly isParcel: boolean;
}

const SQL_OF_FILTER: Readonly<Record<OrderFilter, string>> = {
  all: 'true',
  open: `o.status = 'paid' AND o.sent_at IS NULL AND o.cancelled_at IS NULL AND o.delivery <> 'none'`,
  sent: 'o.sent_at IS NOT NULL',
  returning: 'EXISTS (SELECT 1 FROM returns b WHERE b.order_id = o.id AND b.came_at IS NULL)',
  refunded: 'EXISTS (SELECT 1 FROM refunds r WHERE r.order_id = o.id)',
  failed: `o.status = 'failed'`,
};

export interface OrderQuery {
  /** Part of a name or mail address, of a product's name or SKU, or the number of an order as buyers know it. */
  readonly q: string;
  readonly filter: OrderFilter;
  /** Days of the shop, YYYY-MM-DD, both counted; empty: open. */
  readonly from: string;
  readonly to: string;
  readonly page: number;
  readonly pageSize: number;
}

const SUMMARY = `o.id, o.placed_at placedAt, o.name, o.email, o.status, o.subtotal_minor subtotalMinor, o.delivery_minor deliveryMinor, o.tax_minor taxMinor,
  o.total_minor totalMinor, o.currency, o.address ->> 'country' country,
  o.packed_at packedAt, o.sent_at sentAt, o.cancelled_at cancelledAt, o.delivery <> 'none' isParcel,
  (SELECT coalesce(sum(amount_minor), 0) FROM refunds r WHERE r.order_id = o.id) refundedMinor,
  (SELECT coalesce(sum(quantity), 0) FROM order_lines l WHERE l.order_id = o.id) items`;

interface RefundFields {
  id: number;
  key: string;
  state: 'asked' | 'done';
  at: number;
  amountMinor: number;
  sumMinor: number;
  units: string;
  delivery: number;
  restocked: number;
  reason: string;
}

/** A line of a paid order, as it is priced anew. */
interface PricedRow {
  readonly orderId: number;
  readonly placedAt: number;
  readonly email: string;
  readonly country: string | null;
  readonly delivery: string;
  readonly deliveryMinor: number;
  readonly variantId: number | null;
  readonly sku: string;
  readonly quantity: number;
  readonly costMinor: number | null;
  readonly fullMinor: number;
}

function orderRefunds(db: Database) {
  /** Refunds of an order, oldest first, those without an answer yet included. */
  async function listRefunds(orderId: number): Promise<StoredRefund[]> {
    const rows = await db.select<RefundFields>(
      `SELECT id, key, state, at, amount_minor amountMinor, sum_minor sumMinor, units, delivery, restocked, reason FROM refunds WHERE order_id = $orderId ORDER BY id`,
      { orderId },
    );
    return rows.map(toRefund);
  }
  async function insertRefund(
    orderId: number,
    accountId: number,
    refund: Omit<StoredRefund, 'id' | 'state'>,
  ): Promise<void> {
    await db.run(
      `INSERT INTO refunds (order_id, key, state, at, account_id, amount_minor, sum_minor, units, delivery, restocked, reason)
       VALUES ($orderId, $key, 'asked', $at, $accountId, $amountMinor, $sumMinor, $units, $delivery, $restocked, $reason)`,
      {
        orderId,
        accountId,
        key: refund.key,
        at: refund.at,
        amountMinor: refund.amountMinor,
        sumMinor: refund.sumMinor,
        units: JSON.stringify(refund.units),
        reason: refund.reason,
        delivery: refund.delivery ? 1 : 0,
        restocked: refund.restocked ? 1 : 0,
      },
    );
  }
  /** Records that a refund was made; false when it was recorded already. */
  async function settleRefund(key: string): Promise<boolean> {
    return (await db.run(`UPDATE refunds SET state = 'done' WHERE key = $key AND state = 'asked'`, { key })) === 1;
  }
  async function dropRefund(key: string): Promise<void> {
    await db.run(`DELETE FROM refunds WHERE key = $key AND state = 'asked'`, { key });
  }
  /** Refunds that were asked before a time and never answered, with the order each belongs to. */
  async function listAskedRefunds(before: number): Promise<{ token: string; refund: StoredRefund }[]> {
    const rows = await db.select<RefundFields & { token: string }>(
      `SELECT o.token, r.id, r.key, r.state, r.at, r.amount_minor amountMinor, r.sum_minor sumMinor, r.units, r.delivery, r.restocked, r.reason
       FROM refunds r JOIN orders o ON o.id = r.order_id WHERE r.state = 'asked' AND r.at < $before ORDER BY r.id LIMIT 20`,
      { before },
    );
    return rows.map(({ token, ...row }) => ({ token, refund: toRefund(row) }));
  }

  return { listRefunds, insertRefund, settleRefund, dropRefund, listAskedRefunds };
}

function orderReturns(db: Database) {
  async function listReturns(orderId: number): Promise<ItemReturn[]> {
    const rows = await db.select<Omit<ItemReturn, 'units' | 'restocked'> & { units: string; restocked: number }>(
      'SELECT id, at, units, note, came_at cameAt, restocked FROM returns WHERE order_id = $orderId ORDER BY id',
      { orderId },
    );
    return rows.map(({ units, restocked, ...row }) => ({
      ...row,
      units: JSON.parse(units) as RefundedUnits[],
      restocked: restocked === 1,
    }));
  }
  async function insertReturn(
    orderId: number,
    accountId: number,
    { at, units, note }: Pick<ItemReturn, 'at' | 'units' | 'note'>,
  ): Promise<void> {
    await db.run(
      'INSERT INTO returns (order_id, at, account_id, units, note) VALUES ($orderId, $at, $accountId, $units, $note)',
      { orderId, at, accountId, units: JSON.stringify(units), note },
    );
  }
  async function endReturn(id: number, { cameAt, restocked }: { cameAt: number; restocked: boolean }): Promise<void> {
    await db.run('UPDATE returns SET came_at = $cameAt, restocked = $restocked WHERE id = $id', {
      id,
      cameAt,
      restocked: restocked ? 1 : 0,
    });
  }
  async function dropReturn(id: number): Promise<void> {
    await db.run('DELETE FROM returns WHERE id = $id AND came_at IS NULL', { id });
  }

  return { listReturns, insertReturn, endReturn, dropReturn };
}

export function orderKeeping(db: Database) {
  function narrow({ q, filter, from, to }: Omit<OrderQuery, 'page' | 'pageSize'>): {
    where: string;
    params: Record<string, unknown>;
  } {
    const days = [...(from ? ['o.day >= $from'] : []), ...(to ? ['o.day <= $to'] : [])];
    const where = [SQL_OF_FILTER[filter], ...days].join(' AND ');
    const span = { ...(from && { from }), ...(to && { to }) };
    if (q === '') return { where, params: span };
    const like = `%${q.replace(/[\\%_]/g, '\\$&')}%`;
    const number = readOrderNumber(q) ?? -1;
    return {
      where: `${where} AND (o.id = $number OR o.name LIKE $like ESCAPE '\\' OR o.email LIKE $like ESCAPE '\\'
        OR EXISTS (SELECT 1 FROM order_lines l WHERE l.order_id = o.id AND (l.name LIKE $like ESCAPE '\\' OR l.sku LIKE $like ESCAPE '\\')))`,
      params: { ...span, like, number },
    };
  }
  async function listOrders(query: OrderQuery): Promise<{ orders: OrderSummary[]; total: number }> {
    const { where, params } = narrow(query);
    const [counted] = await db.select<{ n: number }>(`SELECT count(*) n FROM orders o WHERE ${where}`, params);
    const rows = await db.select<Omit<OrderSummary, 'isParcel'> & { isParcel: number }>(
      `SELECT ${SUMMARY} FROM orders o WHERE ${where} ORDER BY o.placed_at DESC, o.id DESC LIMIT $limit OFFSET $offset`,
      { ...params, limit: query.pageSize, offset: (query.page - 1) * query.pageSize },
    );
    return { orders: rows.map((row) => ({ ...row, isParcel: row.isParcel === 1 })), total: counted!.n };
  }
  /** Lines of all paid orders, oldest first, with what each came to before offers. */
  async function listForPricing(currency: string): Promise<PricedRow[]> {
    return db.select<PricedRow>(
      `SELECT o.id orderId, o.placed_at placedAt, lower(o.email) email, o.address ->> 'country' country, o.delivery,
         coalesce((SELECT s.value ->> 'amountMinor' FROM json_each(coalesce(o.steps -> 'steps', o.steps)) s
           WHERE s.value ->> 'code' = 'delivery'), o.delivery_minor) deliveryMinor,
         l.variant_id variantId, l.sku, l.quantity, l.cost_minor costMinor,
         l.total_minor - coalesce((SELECT sum(s.value ->> 'amountMinor') FROM json_each(coalesce(l.steps -> 'steps', l.steps)) s
           WHERE s.value ->> 'code' IN ('offer', 'coupon')), 0) fullMinor
       FROM orders o JOIN order_lines l ON l.order_id = o.id WHERE o.status = 'paid' AND o.currency = $currency ORDER BY o.placed_at, o.id, l.id`,
      { currency },
    );
  }
  /** What made the prices of orders' lines, by order. */
  async function listLineSteps(ids: readonly number[]): Promise<Map<number, { steps: PriceStep[] }[]>> {
    const rows = await db.select<{ orderId: number; steps: string }>(
      'SELECT order_id orderId, steps FROM order_lines WHERE order_id IN (SELECT value FROM json_each($ids)) ORDER BY id',
      { ids: JSON.stringify(ids) },
    );
    const found = new Map<number, { steps: PriceStep[] }[]>();
    for (const { orderId, steps } of rows) {
      const line = { steps: readSteps(JSON.parse(steps)) };
      found.set(orderId, [...(found.get(orderId) ?? []), line]);
    }
    return found;
  }
  async function tokenOf(id: number): Promise<string | null> {
    const [row] = await db.select<{ token: string }>('SELECT token FROM orders WHERE id = $id', { id });
    return row?.token ?? null;
  }
  async function readKeeping(id: number): Promise<OrderKeeping | null> {
    const [row] = await db.select<OrderKeeping>(
      'SELECT packed_at packedAt, sent_at sentAt, cancelled_at cancelledAt, tracking FROM orders WHERE id = $id',
      { id },
    );
    return row ?? null;
  }
  async function writeKeeping(id: number, { packedAt, sentAt, cancelledAt, tracking }: OrderKeeping): Promise<void> {
    await db.run(
      'UPDATE orders SET packed_at = $packedAt, sent_at = $sentAt, cancelled_at = $cancelledAt, tracking = $tracking WHERE id = $id',
      { id, packedAt, sentAt, cancelledAt, tracking },
    );
  }
  return {
    ...orderRefunds(db),
    ...orderReturns(db),
    listOrders,
    listLineSteps,
    listForPricing,
    tokenOf,
    readKeeping,
    writeKeeping,
  };
}

function toRefund({ units, delivery, restocked, amountMinor, sumMinor, ...row }: RefundFields): StoredRefund {
  return {
    ...row,
    amountMinor: minor(amountMinor),
    sumMinor: minor(sumMinor),
    units: JSON.parse(units) as RefundedUnits[],
    delivery: delivery === 1,
    restocked: restocked === 1,
  };
}
