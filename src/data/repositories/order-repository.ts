import { orderRedemptions } from './order-redemptions';
import { orderDownloads } from './order-downloads';
import type { Order, OrderLine, OrderStatus } from '~/core/orders';
import { readSteps, storeSteps } from '~/core/pricing';
import type { Database } from '../database';
import { orderKeeping } from './order-keeping';

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

/** What is still to be done for orders, and the latest of them. */
function pendingOrders(db: Database) {
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

  return { findLatest, listReserved, listUnmailed, markMailed };
}

function orderLookups(db: Database) {
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

  return { find, findRelated };
}

export function orderRepository(db: Database) {
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
  /** Changes an order's status if it is the expected one; false when something else was faster. */
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
  return {
    ...orderLookups(db),
    ...orderDownloads(db),
    ...orderRedemptions(db),
    ...pendingOrders(db),
    ...orderKeeping(db),
    insert,
    addLine,
    move,
  };
}
