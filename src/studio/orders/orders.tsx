import { useState } from 'react';
import { addressOf, ask } from '~/studio/data/api';
import { useShop } from '~/studio/data/sums';
import { moment, money, plural } from '~/studio/data/format';
import { ListSearch, Pages } from '~/studio/fields/list-bar';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { DispatchImport } from './dispatch-import';
import { EraseShopper } from './erase-shopper';

interface OrderRow {
  readonly id: number;
  readonly placedAt: number;
  readonly name: string;
  readonly email: string;
  readonly status: 'reserved' | 'paid' | 'failed';
  readonly totalMinor: number;
  readonly refundedMinor: number;
  readonly currency: string;
  readonly packedAt: number | null;
  readonly sentAt: number | null;
  readonly cancelledAt: number | null;
  readonly items: number;
  /** Whether there is something to send. */
  readonly isParcel: boolean;
}

const FILTERS = {
  all: 'All orders',
  open: 'To be sent',
  sent: 'Sent',
  returning: 'Coming back',
  refunded: 'With a refund',
  failed: 'Payment failed',
} as const;

interface Props {
  readonly shell: ShellData;
  readonly orders: readonly OrderRow[];
  readonly total: number;
  readonly page: number;
  readonly pages: number;
  readonly q: string;
  readonly filter: keyof typeof FILTERS;
  /** Days of the shop, both counted; empty: open. */
  readonly from: string;
  readonly to: string;
}

export function Orders(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/orders">
      <OrderList {...props} />
    </Shell>
  );
}

/** How an order stands, in a word or two. */
export function stateOf(order: Pick<OrderRow, 'status' | 'packedAt' | 'sentAt' | 'cancelledAt'>): string {
  if (order.cancelledAt !== null) return 'cancelled';
  if (order.status === 'failed') return 'payment failed';
  if (order.status === 'reserved') return 'being paid';
  if (order.sentAt !== null) return 'sent';
  return order.packedAt === null ? 'paid' : 'packed';
}

/** What can be marked: paid, with something to send, and not sent yet. */
const isOpen = (order: OrderRow) =>
  order.isParcel && order.status === 'paid' && order.sentAt === null && order.cancelledAt === null;

function OrderList({ orders, total, page, pages, q, filter, from, to }: Props) {
  const shop = useShop();
  const [ticked, setTicked] = useState<readonly number[]>([]);
  const [said, setSaid] = useState<string | null>(null);
  const open = orders.filter(isOpen).map(({ id }) => id);
  const more = { from, to };

  async function mark(action: 'pack' | 'send'): Promise<void> {
    try {
      const { refused } = await ask('POST /api/studio/orders', { body: { ids: ticked, action } });
      if (refused.length === 0) return location.reload();
      setSaid(refused.map(({ number, message }) => `${number}: ${message}`).join(' '));
    } catch (error) {
      setSaid((error as Error).message);
    }
  }

  return (
    <div className="flex flex-col gap-3 px-[18px] py-4">
      <header className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1>Look after orders</h1>
          <p className="text-gravel">
            {plural(total, 'order', 'orders')}
            {q && ` found for “${q}”`}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <ListSearch
            q={q}
            filter={filter}
            hint="Name, e-mail, number or product"
            label="Search orders"
            filterLabel="Which orders"
            filters={FILTERS}
          >
            <input className="field" type="date" name="from" defaultValue={from} aria-label="From day" />
            <input className="field" type="date" name="to" defaultValue={to} aria-label="To day" />
          </ListSearch>
          <DispatchImport />
          <a className="btn" href={addressOf('GET /api/studio/orders', { query: { q, filter, ...more } })}>
            Download as CSV
          </a>
        </div>
      </header>
      {ticked.length > 0 && (
        <div className="panel flex flex-wrap items-center gap-2 px-4 py-2">
          <span>{plural(ticked.length, 'order', 'orders')} ticked</span>
          <button className="btn" onClick={() => void mark('pack')}>
            Mark as packed
          </button>
          <button className="btn" onClick={() => void mark('send')}>
            Mark as sent
          </button>
        </div>
      )}
      {said !== null && (
        <p role="alert" className="text-brick">
          {said}
        </p>
      )}
      {orders.length === 0 ? (
        <p className="panel px-4 py-6 text-center">
          {q || filter !== 'all'
            ? 'No orders found. Try a shorter word, or all orders.'
            : 'No orders yet. Visit the shop and make one: the payment is a stand-in.'}
        </p>
      ) : (
        <table className="tbl panel">
          <thead>
            <tr>
              <th>
                {open.length > 0 && (
                  <input
                    type="checkbox"
                    aria-label="All to be sent on this page"
                    checked={ticked.length === open.length}
                    onChange={(event) => setTicked(event.target.checked ? open : [])}
                  />
                )}
              </th>
              <th>Order</th>
              <th>Placed</th>
              <th>Buyer</th>
              <th className="num">Items</th>
              <th className="num">Total</th>
              <th className="num">Refunded</th>
              <th>State</th>
            </tr>
          </thead>
          <tbody>
            {orders.map((order) => {
              const inIts = { ...shop, currency: order.currency };
              return (
                <tr key={order.id}>
                  <td>
                    {isOpen(order) && (
                      <input
                        type="checkbox"
                        aria-label={`Order ${1000 + order.id}`}
                        checked={ticked.includes(order.id)}
                        onChange={(event) =>
                          setTicked(
                            event.target.checked ? [...ticked, order.id] : ticked.filter((id) => id !== order.id),
                          )
                        }
                      />
                    )}
                  </td>
                  <td>
                    <a href={`/studio/orders/${order.id}`}>{1000 + order.id}</a>
                  </td>
                  <td>{moment(order.placedAt, shop)}</td>
                  <td>
                    {order.name} <span className="help">{order.email}</span>
                  </td>
                  <td className="num">{order.items}</td>
                  <td className="num">{money(order.totalMinor, inIts)}</td>
                  <td className="num">{order.refundedMinor > 0 ? money(order.refundedMinor, inIts) : '–'}</td>
                  <td className={order.status === 'failed' ? 'text-brick' : ''}>{stateOf(order)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <Pages page={page} pages={pages} q={q} filter={filter} more={more} />
      <EraseShopper />
    </div>
  );
}
