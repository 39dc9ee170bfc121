import { useContext } from 'react';
import type { Lane } from '~/core/lane';
import type { TestedOrder } from '~/core/pricing';
import { useDraft } from '~/studio/data/draft-store';
import { Progress } from '~/studio/fields/progress';
import { useWork } from '~/studio/data/work';
import { MarginChart } from './margin-chart';
import { NamesContext } from './names-context';

/** What an offer would have done to all orders so far, if nobody had bought differently for it. */
export function PastOrders({ lane, selected }: { lane: Lane; selected: string }) {
  const { reader } = useContext(NamesContext);
  const flush = useDraft((state) => state.flush);
  const work = useWork('POST /api/studio/offers/backtest');
  const { answer } = work;
  const percent = (share: number) => `${(share * 100).toFixed(1)} %`;
  return (
    <section aria-label="Try it on past orders" className="flex flex-col gap-4">
      <h2>Try “{lane.offers[selected]?.name || selected}” on past orders</h2>
      <p className="help">
        Each order is priced anew, with this offer and without it, beside the offers that are on. Behaviour stays as it
        was; a code counts as if everybody had typed it, dates and limits are passed over.
      </p>
      <div className="flex items-center gap-3">
        <button
          className="btn btn-go"
          disabled={work.done !== null}
          onClick={() => void flush().then((ok) => ok && work.start({ body: { offer: selected } }))}
        >
          Price all past orders
        </button>
        <Progress work={work} label="How far the pricing is" />
      </div>
      {answer && (
        <>
          <dl className="grid grid-cols-2 gap-x-6 gap-y-3 2xl:grid-cols-4" role="status">
            <Figure label="Orders that would have got it" value={`${answer.got} of ${answer.orders}`} />
            <Figure label="What it would have cost" value={reader.money(answer.costMinor)} />
            <Figure
              label="Margin of these orders"
              value={`${reader.money(answer.marginBeforeMinor)} → ${reader.money(answer.marginAfterMinor)}`}
            />
            <Figure
              label="To make up for it"
              value={
                answer.uplift === null
                  ? answer.got === 0
                    ? '–'
                    : 'no number would do'
                  : `${percent(answer.uplift.value)} more`
              }
              note={
                answer.uplift === null
                  ? answer.got === 0
                    ? 'No order would have got it.'
                    : 'With it these orders leave nothing, or there are too few.'
                  : `such orders are needed (95 %: ${percent(Math.max(0, answer.uplift.low))} to ${percent(answer.uplift.high)}).`
              }
            />
          </dl>
          {answer.unknownCosts > 0 && (
            <p className="help">
              {answer.unknownCosts} of these orders hold something of unknown cost; margins leave them out.
            </p>
          )}
          {answer.got > 0 && (
            <>
              <MarginChart shares={answer.shares} />
              <button className="btn self-start" onClick={() => save(answer.told)}>
                Download these orders (CSV)
              </button>
              <table className="tbl panel" aria-label="Orders that would have got it">
                <thead>
                  <tr>
                    <th>Order</th>
                    <th className="num">Goods</th>
                    <th className="num">Would have cost</th>
                    <th className="num">Margin before</th>
                    <th className="num">after</th>
                  </tr>
                </thead>
                <tbody>
                  {answer.told.slice(0, 50).map((order) => (
                    <tr key={order.id}>
                      <td>
                        <a href={`/studio/orders/${order.id}`}>{1000 + order.id}</a>
                      </td>
                      <td className="num">{reader.money(order.goodsMinor)}</td>
                      <td className="num">{reader.money(order.costMinor)}</td>
                      <td className="num">
                        {order.marginBefore === null ? '–' : reader.money(Math.round(order.marginBefore))}
                      </td>
                      <td className="num">
                        {order.marginAfter === null ? '–' : reader.money(Math.round(order.marginAfter))}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {answer.got > 50 && (
                <p className="help">
                  The first 50 of {answer.got}; the file holds the first {answer.told.length}.
                </p>
              )}
            </>
          )}
        </>
      )}
    </section>
  );
}

function Figure({ label, value, note }: { label: string; value: string; note?: string }) {
  return (
    <div>
      <dt className="text-gravel">{label}</dt>
      <dd className="font-display text-[20px] leading-7 tabular-nums">{value}</dd>
      {note && <dd className="help">{note}</dd>}
    </div>
  );
}

/** Numbers only: nothing a spreadsheet could take for a formula. */
function save(orders: readonly TestedOrder[]): void {
  const rows = orders.map(({ id, at, goodsMinor, costMinor, marginBefore, marginAfter }) =>
    [1000 + id, new Date(at).toISOString(), goodsMinor, costMinor, marginBefore ?? '', marginAfter ?? ''].join(','),
  );
  const text = ['order,placed,goods_minor,cost_minor,margin_before_minor,margin_after_minor', ...rows].join('\r\n');
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
  link.download = 'offer-on-past-orders.csv';
  link.click();
  URL.revokeObjectURL(link.href);
}
