import { type Shop } from '~/core/lane';
import type { SentAction } from '~/contract/studio/orders';
import { discountName, discountsOf, fullMinorOf, lineMinorOf } from '~/core/pricing';
import { addressLines, type OrderLine, type RefundedUnits } from '~/core/orders';
import { countryName } from '~/core/delivery';
import { moment } from '~/studio/data/format';
import type { KeptOrder } from '~/contract/studio/orders';
import { stateOf } from './orders';
import { OrderReturns } from './order-returns';

/** A refund, or the cancelling of the order, about to be made. */
export interface Giving {
  readonly isWhole: boolean;
  readonly first: readonly RefundedUnits[];
  readonly restocks: boolean;
}

const isGift = ({ steps }: KeptOrder['order']['lines'][number]) => steps.some(({ code }) => code === 'gift');

export function OrderedGoods({
  order,
  left,
  sum,
  refunded,
}: {
  order: KeptOrder['order'];
  left: KeptOrder['left'];
  sum: (amount: number) => string;
  refunded: number;
}) {
  return (
    <section className="panel" aria-label="What was ordered">
      <table className="tbl">
        <thead>
          <tr>
            <th>Item</th>
            <th>SKU</th>
            <th className="num">Quantity</th>
            <th className="num">Each</th>
            <th className="num">Total</th>
          </tr>
        </thead>
        <tbody>
          {order.lines.map((line, i) => (
            <tr key={i}>
              <td>
                <LineText line={line} />
                {left.lines[i]!.quantity < line.quantity && (
                  <span className="help block text-brick">
                    {line.quantity - left.lines[i]!.quantity} of {line.quantity} refunded
                  </span>
                )}
              </td>
              <td>{line.sku}</td>
              <td className="num">{line.quantity}</td>
              <td className="num">{sum(line.unitMinor)}</td>
              <td className="num">
                {lineMinorOf(line) < fullMinorOf(line) && <s className="text-gravel">{sum(fullMinorOf(line))}</s>}{' '}
                {isGift(line) ? 'free' : sum(lineMinorOf(line))}
              </td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          {[
            ['Subtotal', order.subtotalMinor] as const,
            ...discountsOf(order.lines).map(
              (discount) => [discountName(discount) || 'Discount', -discount.amountMinor] as const,
            ),
            ...(order.delivery === 'none'
              ? []
              : [[['Delivery', order.deliveryName].filter(Boolean).join(', '), order.deliveryMinor] as const]),
            // A rate of nothing is no tax.
            ...(order.taxMinor === 0 ? [] : [[order.taxIncluded ? 'Tax, included' : 'Tax', order.taxMinor] as const]),
            ['Total', order.totalMinor] as const,
            ...(order.shownTotalMinor === null ? [] : [['Shown before it was paid', order.shownTotalMinor] as const]),
            ...(refunded > 0 ? [['Refunded', -refunded] as const] : []),
          ].map(([label, amount], i) => (
            <tr key={i}>
              <td colSpan={4} className="num">
                {label}
              </td>
              <td className={`num ${label === 'Total' ? 'font-semibold' : ''}`}>{sum(amount)}</td>
            </tr>
          ))}
        </tfoot>
      </table>
    </section>
  );
}

export function OrderFacts({
  order,
  keeping,
  shop,
  refunds,
  sum,
  kept,
  busy,
  problem,
  act,
  setOpen,
}: {
  order: KeptOrder['order'];
  keeping: KeptOrder['keeping'];
  shop: Shop;
  refunds: KeptOrder['refunds'];
  sum: (amount: number) => string;
  kept: KeptOrder;
  busy: boolean;
  problem: string | null;
  act: (action: SentAction) => Promise<boolean>;
  setOpen: (next: Giving | null) => void;
}) {
  return (
    <div className="grid gap-4 lg:grid-cols-2">
      <section className="panel px-4 py-3">
        <h2>Buyer</h2>
        <p>{order.email || 'erased'}</p>
        <address className="not-italic">
          {addressLines(order, countryName(order.address.country, 'en')).map((line) => (
            <span key={line} className="block">
              {line}
            </span>
          ))}
        </address>
        {order.note && (
          <>
            <h3 className="mt-2 font-semibold">Note</h3>
            <p>{order.note}</p>
          </>
        )}
      </section>
      <section className="panel px-4 py-3">
        <h2>Payment and delivery</h2>
        <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
          <dt className="text-gravel">Payment</dt>
          <dd>
            {order.status === 'paid' ? 'paid' : stateOf({ ...order, ...keeping })}
            {order.paymentReference && <span className="help block break-all">{order.paymentReference}</span>}
          </dd>
          <dt className="text-gravel">Delivery</dt>
          <dd>
            {order.delivery === 'none'
              ? 'nothing to send'
              : [order.deliveryName, order.deliveryDays].filter(Boolean).join(', ') || 'a parcel'}
          </dd>
          {keeping.packedAt !== null && (
            <>
              <dt className="text-gravel">Packed</dt>
              <dd>{moment(keeping.packedAt, shop)}</dd>
            </>
          )}
          {keeping.sentAt !== null && (
            <>
              <dt className="text-gravel">Sent</dt>
              <dd>
                {moment(keeping.sentAt, shop)}
                {keeping.tracking && <span className="help block">{keeping.tracking}</span>}
              </dd>
            </>
          )}
          {keeping.cancelledAt !== null && (
            <>
              <dt className="text-gravel">Cancelled</dt>
              <dd>{moment(keeping.cancelledAt, shop)}</dd>
            </>
          )}
          <dt className="text-gravel">Lane</dt>
          <dd>
            <a href="/studio/revisions">revision {order.laneRevision}</a>
          </dd>
          <dt className="text-gravel">Page</dt>
          <dd>
            <a href={`/shop/thanks/${order.token}`} target="_blank">
              as the buyer sees it
            </a>
          </dd>
        </dl>
      </section>
      <section className="panel px-4 py-3">
        <h2>Refunds</h2>
        {refunds.length === 0 && <p className="text-gravel">None.</p>}
        <ul className="flex flex-col gap-2">
          {refunds.map((refund) => (
            <li key={refund.id}>
              <strong>{sum(refund.amountMinor)}</strong>, {moment(refund.at, shop)}
              {refund.state === 'asked' && <span className="text-brick"> (waiting for the provider)</span>}
              <span className="help block">
                {[
                  ...refund.units.map(({ line, quantity }) => `${quantity} × ${order.lines[line]!.name}`),
                  ...(refund.delivery ? ['delivery'] : []),
                  ...(refund.sumMinor > 0 ? [`${sum(refund.sumMinor)} as goodwill`] : []),
                ].join(', ')}
                {refund.restocked && refund.units.length > 0 ? '; back in stock' : ''}
                {refund.reason && `; ${refund.reason}`}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <OrderReturns
        kept={kept}
        busy={busy}
        problem={problem}
        act={act}
        onRefund={(first, restocks) => setOpen({ isWhole: false, first, restocks })}
      />
    </div>
  );
}

function LineText({ line }: { line: OrderLine }) {
  return (
    <>
      {line.name}
      {line.choices && <span className="help block">{line.choices}</span>}
      {line.answers.map((answer) => (
        <span key={answer.key} className="help block">
          {answer.label}:{' '}
          {answer.uploadId ? (
            <a href={`/api/uploads/${answer.uploadId}`} target="_blank">
              {answer.text}
            </a>
          ) : (
            answer.text
          )}
        </span>
      ))}
    </>
  );
}
