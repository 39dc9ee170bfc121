import { type Giving } from './order-facts';
import { LETTERS } from '~/core/limits';
import { OrderedGoods, OrderFacts } from './order-facts';
import type { SentAction } from '~/contract/studio/orders';
import { useState } from 'react';
import type { EventKind } from '~/core/funnel';
import { ask } from '~/studio/data/api';
import { useShop } from '~/studio/data/sums';
import { moment, money } from '~/studio/data/format';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import type { KeptOrder } from '~/contract/studio/orders';
import { stateOf } from './orders';
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
        <OrderActions
          isLive={isLive}
          keeping={keeping}
          order={order}
          busy={busy}
          act={act}
          tracking={tracking}
          setTracking={setTracking}
          left={left}
          setOpen={setOpen}
        />
      </header>
      {problem && (
        <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
          {problem}
        </p>
      )}
      <OrderedGoods order={order} left={left} sum={sum} refunded={refunded} />
      <OrderFacts
        order={order}
        keeping={keeping}
        shop={shop}
        refunds={refunds}
        sum={sum}
        kept={kept}
        busy={busy}
        problem={problem}
        act={act}
        setOpen={setOpen}
      />
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

function OrderActions({
  isLive,
  keeping,
  order,
  busy,
  act,
  tracking,
  setTracking,
  left,
  setOpen,
}: {
  isLive: boolean;
  keeping: KeptOrder['keeping'];
  order: KeptOrder['order'];
  busy: boolean;
  act: (action: SentAction) => Promise<boolean>;
  tracking: string;
  setTracking: (next: string) => void;
  left: KeptOrder['left'];
  setOpen: (next: Giving | null) => void;
}) {
  return (
    isLive && (
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
              maxLength={LETTERS.tracking}
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
    )
  );
}
