import type { EChartsOption } from 'echarts';
import { useContext, useMemo, useState } from 'react';
import type { Lane } from '~/core/lane';
import { currencyOf } from '~/core/money';
import { bestFrom, type FreeFromAnswer, isOnDelivery, freeStandardDelivery } from '~/core/pricing';
import { ask } from '~/studio/data/api';
import { Chart, CHART_TEXT } from '~/studio/shell/chart';
import { useDraft } from '~/studio/data/draft-store';
import { NumberField } from '~/studio/fields/number-field';
import { NamesContext } from './names-context';

/** The offer that is free delivery from a sum on, as Settings keep it, too. */
const FREE = 'free-delivery';

/** Where the best of the sums looked at is the first or the last of them. */
const END_WORDS = {
  lowest: 'That is the lowest sum looked at: a lower one may leave more still.',
  highest: 'That is the highest sum looked at: a higher one, or no free delivery at all, may leave more still.',
} as const;

/** From which sum on free delivery leaves most, by the orders there were. */
export function FreeDelivery({ lane }: { lane: Lane }) {
  const { reader } = useContext(NamesContext);
  const change = useDraft((state) => state.change);
  const say = useDraft((state) => state.say);
  const [share, setShare] = useState(20);
  const [reach, setReach] = useState(25);
  const [answer, setAnswer] = useState<FreeFromAnswer | null>(null);
  const offer = lane.offers[FREE];
  const present = offer?.on && isOnDelivery(offer) ? offer.when.minGoodsMinor : null;
  const { best, end } = answer ? bestFrom(answer) : { best: null, end: null };

  async function look(): Promise<void> {
    try {
      setAnswer(await ask('POST /api/studio/offers/free-from', { body: { share: share / 100, reach: reach / 100 } }));
    } catch (error) {
      say((error as Error).message);
    }
  }
  function take(fromMinor: number): void {
    change((draft) => {
      const found = draft.offers[FREE];
      if (found) Object.assign(found, { on: true, when: { ...found.when, minGoodsMinor: fromMinor } });
      else draft.offers[FREE] = freeStandardDelivery(fromMinor);
    });
    say(`Free delivery from ${reader.money(fromMinor)} is in the draft.`);
  }
  return (
    <section aria-label="Free delivery from" className="flex flex-col gap-4">
      <h2>From which sum on should delivery be free?</h2>
      <p className="help">
        All past orders, as they came. Delivery is taken to cost you what you charge for it, by each order’s own zone
        and weight. How shoppers behave is your estimate; the band shows what follows if nobody fills up, and if twice
        as many do. Whether more people order because delivery is free is not in it: no past order can tell.
      </p>
      <div className="flex flex-wrap items-center gap-2">
        <NumberField
          label="Share that fills up, in percent"
          className="w-20"
          min={0}
          max={100}
          value={share}
          onChange={setShare}
        />
        % of those who are within
        <NumberField
          label="How near, in percent"
          className="w-20"
          min={0}
          max={100}
          value={reach}
          onChange={setReach}
        />
        % below the sum put in more to reach it.
        <button className="btn btn-go" onClick={() => void look()}>
          Work it out
        </button>
      </div>
      {answer && best && answer.orders === 0 && <p role="status">No order that is sent has all its costs known yet.</p>}
      {answer && best && answer.orders > 0 && (
        <>
          <p role="status">
            Under this estimate {reader.money(best.fromMinor)} leaves most:{' '}
            {reader.money(Math.round(best.perOrderMinor))} of an order before tax, between{' '}
            {reader.money(Math.round(best.lowMinor))} and {reader.money(Math.round(best.highMinor))}.{' '}
            {end !== null && `${END_WORDS[end]} `}
            {present !== null && `It is from ${reader.money(present)} on now.`}
            {answer.leftOut > 0 &&
              ` ${answer.leftOut} orders are left out: they are not sent, or something in them has no known cost.`}
          </p>
          <Curve
            answer={answer}
            present={present}
            money={reader.money}
            exponent={currencyOf(lane.shop.currency).exponent}
          />
          <table className="tbl panel" aria-label="What each sum leaves">
            <thead>
              <tr>
                <th>Free from</th>
                <th className="num">Orders sent free</th>
                <th className="num">Left of an order</th>
                <th className="num">if nobody fills up</th>
                <th className="num">if twice as many do</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {answer.steps.map((step) => (
                <tr key={step.fromMinor} className={step === best ? 'font-semibold' : ''}>
                  <td>
                    {reader.money(step.fromMinor)}
                    {step.fromMinor === present && ' (now)'}
                  </td>
                  <td className="num">{Math.round(step.freeShare * 100)} %</td>
                  <td className="num">{reader.money(Math.round(step.perOrderMinor))}</td>
                  <td className="num">{reader.money(Math.round(step.lowMinor))}</td>
                  <td className="num">{reader.money(Math.round(step.highMinor))}</td>
                  <td>
                    {step.fromMinor !== present && (
                      <button
                        className="btn min-h-7 py-0"
                        aria-label={`Take ${reader.money(step.fromMinor)} into the draft`}
                        onClick={() => take(step.fromMinor)}
                      >
                        Take
                      </button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </section>
  );
}

interface CurveProps {
  readonly answer: FreeFromAnswer;
  readonly present: number | null;
  readonly money: (amountMinor: number) => string;
  readonly exponent: number;
}

function Curve({ answer, present, money, exponent }: CurveProps) {
  const option = useMemo((): EChartsOption => {
    const units = (amount: number) => Number((amount / 10 ** exponent).toFixed(exponent));
    const line = (name: string, of: 'perOrderMinor' | 'lowMinor' | 'highMinor', width: number) => ({
      name,
      type: 'line' as const,
      symbol: 'none',
      color: of === 'perOrderMinor' ? '#2f6b4a' : '#b9ac97',
      lineStyle: { width, type: of === 'perOrderMinor' ? ('solid' as const) : ('dashed' as const) },
      data: answer.steps.map((step) => units(step[of])),
    });
    const now = answer.steps.findIndex(({ fromMinor }) => fromMinor === present);
    return {
      animation: false,
      grid: { left: 56, right: 16, top: 28, bottom: 42 },
      legend: { top: 0, right: 0, itemHeight: 8, itemWidth: 14, textStyle: CHART_TEXT },
      tooltip: { trigger: 'axis', textStyle: { fontFamily: CHART_TEXT.fontFamily, fontSize: 12 } },
      xAxis: {
        type: 'category',
        data: answer.steps.map(({ fromMinor }) => money(fromMinor)),
        axisLabel: CHART_TEXT,
        name: 'free delivery from',
        nameLocation: 'middle',
        nameGap: 26,
        nameTextStyle: CHART_TEXT,
      },
      yAxis: { type: 'value', scale: true, axisLabel: CHART_TEXT, name: 'left of an order', nameTextStyle: CHART_TEXT },
      series: [
        {
          ...line('as you estimate', 'perOrderMinor', 2.5),
          markLine: {
            symbol: 'none',
            silent: true,
            lineStyle: { color: '#24292d' },
            label: { ...CHART_TEXT, formatter: 'now' },
            data: now < 0 ? [] : [{ xAxis: now }],
          },
        },
        line('if nobody fills up', 'lowMinor', 1.5),
        line('if twice as many do', 'highMinor', 1.5),
      ],
    };
  }, [answer, present, money, exponent]);
  return (
    <div className="relative h-60">
      <Chart
        option={option}
        label="What is left of an order for each sum; the figures are in the table that follows."
      />
    </div>
  );
}
