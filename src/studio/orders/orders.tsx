import { useDraft } from '../shared/draft-store';
import { count, moment, money } from '../shared/format';
import { Shell } from '../shared/shell';
import type { ShellData } from '../shared/studio-data';
import { EraseShopper } from './erase-shopper';

interface OrderRow {
  readonly id: number;
  readonly placedAt: number;
  readonly name: string;
  readonly status: 'reserved' | 'paid' | 'failed';
  readonly totalMinor: number;
  readonly currency: string;
  readonly laneRevision: number;
  readonly items: number;
}

const STATUS = { paid: 'paid', reserved: 'being paid', failed: 'payment failed' } as const;

export function Orders({ shell, orders }: { shell: ShellData; orders: readonly OrderRow[] }) {
  return (
    <Shell data={shell} room="orders">
      <OrderScreen orders={orders} />
    </Shell>
  );
}

function OrderScreen({ orders }: { orders: readonly OrderRow[] }) {
  const shop = useDraft((state) => state.live.lane.shop);
  return (
    <div className="px-[18px] py-4">
      <h1>Look over the latest orders</h1>
      <p className="mb-3 text-gravel">
        The last {count(orders.length)}, each with the revision of the lane it was made under.
      </p>
      {orders.length === 0 ? (
        <p className="panel px-4 py-6 text-center">
          No orders yet. Walk the shop and make one: the payment is a stand-in.
        </p>
      ) : (
        <table className="tbl panel">
          <thead>
            <tr>
              <th className="num">Order</th>
              <th>Placed</th>
              <th>Buyer</th>
              <th className="num">Things</th>
              <th className="num">Total</th>
              <th>Payment</th>
              <th className="num">Revision</th>
            </tr>
          </thead>
          <tbody>
            {orders.map((order) => (
              <tr key={order.id}>
                <td className="num">{order.id}</td>
                <td>{moment(order.placedAt, shop)}</td>
                <td>{order.name}</td>
                <td className="num">{order.items}</td>
                <td className="num">{money(order.totalMinor, { ...shop, currency: order.currency })}</td>
                <td className={order.status === 'failed' ? 'text-brick' : ''}>{STATUS[order.status]}</td>
                <td className="num">{order.laneRevision}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <EraseShopper />
    </div>
  );
}
