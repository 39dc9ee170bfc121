import { randomUUID } from 'node:crypto';
import { minor } from '~/core/money';
import type { Address, Order, OrderLine, OrderStatus } from '~/core/orders';
import type { PriceStep } from '~/core/offers';
import type { AnswerText } from '~/core/options';
import type { Database } from '../database';

/** A buyer's own link to a file. */
export interface Download {
  readonly token: string;
  readonly orderToken: string;
  readonly name: string;
  /** Below the shop's downloads. */
  readonly file: string;
  readonly usesLeft: number;
  readonly until: number;
}

export type NewOrder = Omit<Order, 'id'>;

interface OrderSummary {
  readonly id: number;
  readonly placedAt: number;
  readonly name: string;
  readonly status: OrderStatus;
  readonly totalMinor: number;
  readonly currency: string;
  readonly laneRevision: number;
  readonly items: number;
}

export function orderRepository(db: Database) {
  const { OrderRow, OrderLineRow } = db.models;

  async function find(where: { token: string } | { idempotencyKey: string }): Promise<Order | null> {
    // Most keys are new: that is found out without reading an order whole.
    if ('idempotencyKey' in where && !(await isKnown(where.idempotencyKey))) return null;
    const row = await OrderRow.findOne({ where });
    if (!row) return null;
    const lines = await OrderLineRow.findAll({ where: { orderId: row.id }, order: ['id'] });
    const { mailedAt: _mailedAt, ...plain } = row.get({ plain: true });
    return {
      ...plain,
      status: plain.status as OrderStatus,
      address: plain.address as Address,
      subtotalMinor: minor(plain.subtotalMinor),
      discountMinor: minor(plain.discountMinor),
      deliveryMinor: minor(plain.deliveryMinor),
      taxMinor: minor(plain.taxMinor),
      totalMinor: minor(plain.totalMinor),
      steps: plain.steps as PriceStep[],
      lines: lines.map((line) => {
        const { id: _id, orderId: _orderId, ...facts } = line.get({ plain: true });
        return {
          ...facts,
          unitMinor: minor(facts.unitMinor),
          totalMinor: minor(facts.totalMinor),
          steps: facts.steps as PriceStep[],
          answers: facts.answers as AnswerText[],
          addOns: facts.addOns as number[],
        } satisfies OrderLine;
      }),
    };
  }

  async function isKnown(key: string): Promise<boolean> {
    return (await db.select('SELECT 1 FROM orders WHERE idempotency_key = $key', { key })).length > 0;
  }

  /** What came of a cart so far: an order under way, or the one paid from this very state of it. */
  async function findOfCart(
    cartToken: string,
    cartVersion: number,
  ): Promise<{ token: string; status: 'reserved' | 'paid' } | null> {
    const [row] = await db.select<{ token: string; status: 'reserved' | 'paid' }>(
      `SELECT token, status FROM orders WHERE cart_token = $cartToken AND status = 'reserved' UNION ALL
       SELECT token, status FROM orders WHERE cart_token = $cartToken AND cart_version = $cartVersion AND status = 'paid' LIMIT 1`,
      { cartToken, cartVersion },
    );
    return row ?? null;
  }

  /** Writes an order and answers its number. */
  async function insert(order: NewOrder): Promise<number> {
    const { lines, ...facts } = order;
    const row = await OrderRow.create(facts);
    await OrderLineRow.bulkCreate(lines.map((line) => ({ ...line, orderId: row.id })));
    return row.id;
  }

  /** Gives a buyer a link of their own to each file. */
  async function grantDownloads(
    orderToken: string,
    files: readonly { readonly name: string; readonly file: string; readonly uses: number }[],
    until: number,
  ): Promise<void> {
    if (files.length === 0) return;
    await db.run(
      `INSERT INTO downloads (token, order_id, name, file, uses_left, until)
       SELECT f.value ->> 'token', o.id, f.value ->> 'name', f.value ->> 'file', f.value ->> 'uses', $until
       FROM orders o, json_each($files) f WHERE o.token = $orderToken`,
      { orderToken, until, files: JSON.stringify(files.map((file) => ({ ...file, token: randomUUID() }))) },
    );
  }

  async function listDownloads(orderToken: string): Promise<Download[]> {
    return db.select<Download>(
      `SELECT d.token, d.name, d.file, d.uses_left usesLeft, d.until, o.token orderToken FROM downloads d JOIN orders o ON o.id = d.order_id
       WHERE o.token = $orderToken ORDER BY d.name`,
      { orderToken },
    );
  }

  async function findDownload(token: string): Promise<Download | null> {
    const [row] = await db.select<Download>(
      `SELECT d.token, d.name, d.file, d.uses_left usesLeft, d.until, o.token orderToken FROM downloads d JOIN orders o ON o.id = d.order_id
       WHERE d.token = $token`,
      { token },
    );
    return row ?? null;
  }

  /** Takes one use of a link; false when there is none left or its time is over. */
  async function useDownload(token: string, now: number): Promise<boolean> {
    return (
      (await db.run(
        'UPDATE downloads SET uses_left = uses_left - 1 WHERE token = $token AND uses_left > 0 AND until > $now',
        { token, now },
      )) === 1
    );
  }

  /** Moves an order on, only from the status it is expected in; false when something else was quicker. */
  async function move(
    token: string,
    from: OrderStatus,
    to: OrderStatus,
    paymentReference: string | null,
  ): Promise<boolean> {
    const moved = await db.run(
      'UPDATE orders SET status = $to, payment_reference = $paymentReference WHERE token = $token AND status = $from',
      { to, paymentReference, token, from },
    );
    return moved === 1;
  }

  async function listReserved(before: number): Promise<string[]> {
    const rows = await db.select<{ token: string }>(
      `SELECT token FROM orders WHERE status = 'reserved' AND placed_at < $before`,
      { before },
    );
    return rows.map((row) => row.token);
  }

  /** Paid orders whose mail has not gone out. */
  async function listUnmailed(limit: number): Promise<string[]> {
    const rows = await db.select<{ token: string }>(
      `SELECT token FROM orders WHERE mailed_at IS NULL AND status = 'paid' ORDER BY id LIMIT $limit`,
      { limit },
    );
    return rows.map((row) => row.token);
  }

  async function markMailed(token: string, at: number): Promise<void> {
    await db.run('UPDATE orders SET mailed_at = $at WHERE token = $token', { at, token });
  }

  async function listRecent(limit: number): Promise<OrderSummary[]> {
    return db.select<OrderSummary>(
      `SELECT id, placed_at placedAt, name, status, total_minor totalMinor, currency, lane_revision laneRevision,
         (SELECT sum(quantity) FROM order_lines l WHERE l.order_id = o.id) items
       FROM orders o ORDER BY placed_at DESC, id DESC LIMIT $limit`,
      { limit },
    );
  }

  return {
    find,
    findOfCart,
    grantDownloads,
    listDownloads,
    findDownload,
    useDownload,
    insert,
    move,
    listReserved,
    listUnmailed,
    markMailed,
    listRecent,
  };
}
