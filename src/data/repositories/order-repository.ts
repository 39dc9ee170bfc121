import { randomUUID } from 'node:crypto';
import type { Order, OrderLine, OrderStatus } from '~/core/orders';
import { readSteps, storeSteps } from '~/core/pricing';
import type { Database } from '../database';
import { orderKeeping } from './order-keeping';

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

/** An order that a request meets. */
export interface RelatedOrder extends Pick<Order, 'token' | 'status' | 'requestHash' | 'paymentReference'> {
  /** Made under the same key. */
  readonly isRepeat: boolean;
}

export type NewOrder = Omit<Order, 'id'>;

type Row = Record<string, unknown>;

/** The fields of a row, and whether each is kept as JSON. */
type Fields<Of> = { readonly [Field in keyof Required<Of>]: 'plain' | 'json' };

const ORDER: Fields<Omit<NewOrder, 'lines'>> = {
  token: 'plain',
  idempotencyKey: 'plain',
  requestHash: 'plain',
  status: 'plain',
  email: 'plain',
  name: 'plain',
  address: 'json',
  delivery: 'plain',
  deliveryName: 'plain',
  deliveryDays: 'plain',
  language: 'plain',
  currency: 'plain',
  subtotalMinor: 'plain',
  discountMinor: 'plain',
  deliveryMinor: 'plain',
  taxMinor: 'plain',
  taxIncluded: 'plain',
  totalMinor: 'plain',
  steps: 'json',
  laneRevision: 'plain',
  visitId: 'plain',
  paymentReference: 'plain',
  placedAt: 'plain',
  day: 'plain',
  coupon: 'plain',
  note: 'plain',
  cartToken: 'plain',
  cartVersion: 'plain',
  shownTotalMinor: 'plain',
  taxBasisPoints: 'plain',
};

const ORDER_LINE: Fields<OrderLine> = {
  variantId: 'plain',
  sku: 'plain',
  name: 'plain',
  choices: 'plain',
  quantity: 'plain',
  unitMinor: 'plain',
  totalMinor: 'plain',
  costMinor: 'plain',
  steps: 'json',
  answers: 'json',
  addOns: 'json',
  taxBasisPoints: 'plain',
};

const columnOf = (field: string) => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
const columnsOf = (fields: object) => Object.keys(fields).map(columnOf).join(', ');
const readSql = (fields: object) =>
  Object.keys(fields)
    .map((field) => `${columnOf(field)} AS ${field}`)
    .join(', ');
/** The fields of a JSON object in `value`, in the order of their columns. */
const writeSql = (fields: object) =>
  Object.entries(fields)
    .map(([field, kind]) => `value ${kind === 'json' ? '->' : '->>'} '${field}'`)
    .join(', ');
/** A row as what it was written from. Columns and fields are one list each. */
const plain = <Of extends object>(row: Row, fields: Fields<Of>): Of & { readonly id: number } =>
  Object.fromEntries(
    Object.entries(row).map(([field, value]) => [
      field,
      (fields as Record<string, string>)[field] === 'json' ? (JSON.parse(value as string) as unknown) : value,
    ]),
  ) as Of & { readonly id: number };

export function orderRepository(db: Database) {
  async function find(token: string): Promise<Order | null> {
    const [row] = await db.select<Row>(`SELECT id, ${readSql(ORDER)} FROM orders WHERE token = $token`, { token });
    if (!row) return null;
    const lines = await db.select<Row>(
      `SELECT ${readSql(ORDER_LINE)} FROM order_lines WHERE order_id = $id ORDER BY id`,
      { id: row['id'] },
    );
    const { steps, ...order } = plain(row, ORDER);
    return {
      ...order,
      steps: readSteps(steps),
      taxIncluded: row['taxIncluded'] === 1,
      lines: lines.map((line) => {
        const { steps: ofLine, ...read } = plain(line, ORDER_LINE);
        return { ...read, steps: readSteps(ofLine) };
      }),
    };
  }

  /**
   * What was made of a request before: the order under its key, an order of its cart that is under way, and the one that was
   * paid from this very state of the cart.
   */
  async function findRelated(of: {
    readonly key: string;
    readonly cartToken: string;
    readonly cartVersion: number;
  }): Promise<RelatedOrder[]> {
    const rows = await db.select<Omit<RelatedOrder, 'isRepeat'> & { isRepeat: number }>(
      [
        'idempotency_key = $key',
        `cart_token = $cartToken AND status = 'reserved'`,
        `cart_token = $cartToken AND cart_version = $cartVersion AND status = 'paid'`,
      ]
        .map(
          (where) => `SELECT token, status, request_hash requestHash, payment_reference paymentReference,
            idempotency_key = $key isRepeat FROM orders WHERE ${where}`,
        )
        .join(' UNION '),
      of,
    );
    return rows.map((row) => ({ ...row, isRepeat: row.isRepeat === 1 }));
  }

  async function writeLines(id: number, lines: readonly OrderLine[]): Promise<void> {
    await db.run(
      `INSERT INTO order_lines (order_id, ${columnsOf(ORDER_LINE)}) SELECT $id, ${writeSql(ORDER_LINE)} FROM json_each($rows)`,
      { id, rows: JSON.stringify(lines.map((line) => ({ ...line, steps: storeSteps(line.steps) }))) },
    );
  }

  /** Writes an order and answers its number. */
  async function insert({ lines, ...order }: NewOrder): Promise<number> {
    return db.inTransaction(async () => {
      const [row] = await db.select<{ id: number }>(
        `INSERT INTO orders (${columnsOf(ORDER)}) SELECT ${writeSql(ORDER)} FROM (SELECT $row AS value) RETURNING id`,
        { row: JSON.stringify({ ...order, steps: storeSteps(order.steps) }) },
      );
      await writeLines(row!.id, lines);
      return row!.id;
    });
  }

  /** Adds a line to an order, and what it comes to to the order's sums. Call inside a transaction. */
  async function addLine(
    { id, steps }: Pick<Order, 'id' | 'steps'>,
    line: OrderLine,
    more: Pick<Order, 'subtotalMinor' | 'discountMinor' | 'taxMinor' | 'totalMinor' | 'steps'>,
  ): Promise<void> {
    await writeLines(id, [line]);
    const { subtotalMinor, discountMinor, taxMinor, totalMinor } = more;
    await db.run(
      `UPDATE orders SET subtotal_minor = subtotal_minor + $subtotalMinor, discount_minor = discount_minor + $discountMinor,
         tax_minor = tax_minor + $taxMinor, total_minor = total_minor + $totalMinor, steps = $steps WHERE id = $id`,
      {
        id,
        subtotalMinor,
        discountMinor,
        taxMinor,
        totalMinor,
        steps: JSON.stringify(storeSteps([...steps, ...more.steps])),
      },
    );
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

  /** Nothing of an order can be downloaded any more. */
  async function closeDownloads(orderToken: string): Promise<void> {
    await db.run(
      'UPDATE downloads SET uses_left = 0 WHERE order_id = (SELECT id FROM orders WHERE token = $orderToken)',
      { orderToken },
    );
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

  /** Counts offers as used in an order. Call inside the transaction that writes it. */
  async function redeem(orderId: number, offers: readonly string[], shopper: string, at: number): Promise<void> {
    if (offers.length === 0) return;
    await db.run(
      'INSERT INTO redemptions (order_id, offer_id, shopper, at) SELECT $orderId, value, $shopper, $at FROM json_each($offers)',
      { orderId, shopper, at, offers: JSON.stringify(offers) },
    );
  }

  /** What an order used may be used again. */
  async function unredeem(token: string): Promise<void> {
    const own = '(SELECT id FROM orders WHERE token = $token)';
    await db.run(`DELETE FROM redemptions WHERE order_id = ${own}`, { token });
    await db.run(`UPDATE one_time_codes SET order_id = NULL WHERE order_id = ${own}`, { token });
  }

  /** How often offers were used, in all and by one shopper (see `shopperKey`; null: nobody). */
  async function countRedemptions(
    offers: readonly string[],
    shopper: string | null,
  ): Promise<Record<string, { total: number; byShopper: number }>> {
    const rows = await db.select<{ id: string; total: number; byShopper: number }>(
      `SELECT value id, (SELECT count(*) FROM redemptions r WHERE r.offer_id = value) total,
         (SELECT count(*) FROM redemptions r WHERE r.offer_id = value AND r.shopper = $shopper) byShopper
       FROM json_each($offers)`,
      { offers: JSON.stringify(offers), shopper },
    );
    return Object.fromEntries(rows.map(({ id, ...counts }) => [id, counts]));
  }

  /** Whether somebody has bought before; `email` in small letters. */
  async function hasBought(email: string): Promise<boolean> {
    const rows = await db.select(
      `SELECT 1 FROM orders WHERE lower(email) = $email AND status = 'paid' AND cancelled_at IS NULL LIMIT 1`,
      {
        email,
      },
    );
    return rows.length > 0;
  }

  /** Whether somebody had bought before an order. */
  async function hasBoughtBefore({ id, email }: Pick<Order, 'id' | 'email'>): Promise<boolean> {
    if (email === '') return false;
    const rows = await db.select(
      `SELECT 1 FROM orders WHERE lower(email) = lower($email) AND status = 'paid' AND cancelled_at IS NULL AND id < $id LIMIT 1`,
      { id, email },
    );
    return rows.length > 0;
  }

  /** The token of the last paid order; null where there is none. */
  async function findLatest(): Promise<string | null> {
    const [row] = await db.select<{ token: string }>(
      `SELECT token FROM orders WHERE status = 'paid' ORDER BY placed_at DESC, id DESC LIMIT 1`,
    );
    return row?.token ?? null;
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

  return {
    ...orderKeeping(db),
    find,
    findRelated,
    grantDownloads,
    listDownloads,
    findDownload,
    useDownload,
    closeDownloads,
    insert,
    addLine,
    move,
    listReserved,
    redeem,
    unredeem,
    countRedemptions,
    hasBought,
    hasBoughtBefore,
    findLatest,
    listUnmailed,
    markMailed,
  };
}
