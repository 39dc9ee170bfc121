import type { SentAction } from '~/contract/studio/orders';
import { useState } from 'react';
import { discountName, discountsOf, fullMinorOf, lineMinorOf } from '~/core/pricing';
import type { EventKind } from '~/core/funnel';
import { addressLines, type OrderLine, type RefundedUnits } from '~/core/orders';
import { countryName } from '~/core/delivery';
import { ask } from '~/studio/data/api';
import { useShop } from '~/studio/data/sums';
import { moment, money } from '~/studio/data/format';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import type { KeptOrder } from '~/contract/studio/orders';
import { stateOf } from './orders';
import { OrderReturns } from './order-returns';
import { RefundDialog, type RefundWish } from './refund-dialog';

export function OrderScreen({ shell, kept }: { shell: ShellData; kept: KeptOrder }) {
  return (
    <Shell data={shell} room="/studio/orders">
      <Screen initial={kept} />
    </Shell>
  );
}

/** What a shopper did, in the words of the trade. */
const DID: Readonly<Record<EventKind, string>> = {
  page: 'Looked at a page',
  'product-page': 'Looked at a product',
  'quick-view': 'Opened quick view',
  'piece-seen': 'Saw a piece',
  search: 'Searched',
  add: 'Added to the cart',
  'cart-seen': 'Opened the cart',
  checkout: 'Went to checkout',
  order: 'Ordered',
  'payment-failed': 'Payment failed',
};

const isGift = ({ steps }: KeptOrder['order']['lines'][number]) => steps.some(({ code }) => code === 'gift');

/** A refund, or the cancelling of the order, about to be made. */
interface Giving {
  readonly isWhole: boolean;
  readonly first: readonly RefundedUnits[];
  readonly restocks: boolean;
}

function Screen({ initial }: { initial: KeptOrder }) {
  const shop = useShop();
  const [kept, setKept] = useState(initial);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [tracking, setTracking] = useState(initial.keeping.tracking);
  const [open, setOpen] = useState<Giving | null>(null);
  const { order, keeping, refunds, left, mails, way, number } = kept;
  const inIts = { ...shop, currency: order.currency };
  const sum = (amount: number) => money(amount, inIts);
  const isLive = order.status === 'paid' && keeping.cancelledAt === null;
  const refunded = refunds.reduce((all, refund) => all + refund.amountMinor, 0);

  async function act(action: SentAction): Promise<boolean> {
    setBusy(true);
    setProblem(null);
    try {
      setKept(await ask('POST /api/studio/orders/[id]', { params: { id: order.id }, body: action }));
      return true;
    } catch (error) {
      setProblem((error as Error).message);
      return false;
    } finally {
      setBusy(false);
    }
  }

  async function giveBack(wish: RefundWish): Promise<void> {
    const { isWhole, ...rest } = wish;
    const { restock, reason } = rest;
    if (await act(isWhole ? { action: 'cancel', restock, reason } : { action: 'refund', ...rest })) setOpen(null);
  }

  return (
    <div className="flex max-w-[1120px] flex-col gap-4 px-[18px] py-4">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <p className="help">
            <a href="/studio/orders">Orders</a>
          </p>
          <h1>
            Order {number}{' '}
            <span className="text-[16px] font-normal text-gravel">{stateOf({ ...order, ...keeping })}</span>
          </h1>
          <p className="text-gravel">
            {moment(order.placedAt, shop)}, {order.name}
          </p>
        </div>
        {order.status === 'paid' && (
          <p className="flex gap-3">
            <a href={`/studio/orders/${order.id}/print?what=invoice`}>Invoice</a>
            <a href={`/studio/orders/${order.id}/print?what=slip`}>Packing slip</a>
          </p>
        )}
        {isLive && (
          <div className="flex flex-wrap items-end gap-2">
            {keeping.packedAt === null && order.delivery !== 'none' && (
              <button className="btn" disabled={busy} onClick={() => void act({ action: 'pack' })}>
                Mark as packed
              </button>
            )}
            {keeping.sentAt === null && order.delivery !== 'none' && (
              <>
                <input
                  className="field w-44"
                  aria-label="Tracking number"
                  placeholder="Tracking number, if any"
                  maxLength={200}
                  value={tracking}
                  onChange={(event) => setTracking(event.target.value)}
                />
                <button className="btn btn-go" disabled={busy} onClick={() => void act({ action: 'send', tracking })}>
                  Mark as sent
                </button>
              </>
            )}
            {(keeping.packedAt !== null || keeping.sentAt !== null) && (
              <button className="btn" disabled={busy} onClick={() => void act({ action: 'reopen' })}>
                Not packed or sent after all
              </button>
            )}
            <button
              className="btn"
              disabled={busy || left.totalMinor === 0}
              onClick={() => setOpen({ isWhole: false, first: [], restocks: true })}
            >
              Refund …
            </button>
            <button
              className="btn text-brick"
              disabled={busy}
              onClick={() => setOpen({ isWhole: true, first: [], restocks: true })}
            >
              Cancel the order …
            </button>
          </div>
        )}
      </header>
      {problem && (
        <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
          {problem}
        </p>
      )}
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
      <div className="grid grid-cols-2 gap-4">
        <section className="panel px-4 py-3">
          <h2>Mails</h2>
          {mails.length === 0 && <p className="text-gravel">None yet.</p>}
          {mails.map((mail) => (
            <details key={mail.id}>
              <summary>
                {mail.subject} <span className="help">{moment(mail.at, shop)}</span>
              </summary>
              <pre tabIndex={0} className="my-2 overflow-auto bg-slab p-2 text-[12px] whitespace-pre-wrap">
                {mail.text}
              </pre>
            </details>
          ))}
        </section>
        <section className="panel px-4 py-3">
          <h2>The way to this order</h2>
          {way.length === 0 ? (
            <p className="text-gravel">Nothing was recorded: no script, or no tracking wanted.</p>
          ) : (
            <ol className="max-h-60 overflow-auto" tabIndex={0} aria-label="The way to this order">
              {way.map((step, i) => (
                <li key={i} className="flex gap-3">
                  <span className="w-28 shrink-0 text-gravel">{moment(step.at, shop).replace(/^.*, /, '')}</span>
                  <span>
                    {DID[step.kind as EventKind] ?? step.kind}
                    {(step.product ?? step.page) && <span className="text-gravel"> {step.product ?? step.page}</span>}
                  </span>
                </li>
              ))}
            </ol>
          )}
        </section>
      </div>
      {open && (
        <RefundDialog
          order={order}
          done={refunds}
          left={left}
          {...open}
          busy={busy}
          problem={problem}
          sum={sum}
          onClose={() => setOpen(null)}
          onGive={(wish) => void giveBack(wish)}
        />
      )}
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
