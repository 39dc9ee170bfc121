import type { EChartsOption } from 'echarts';
import { useMemo } from 'react';
import { currencyOf, formatMoney } from '~/core/money';
import { Chart, CHART_TEXT } from './chart';
import { useDraft } from '~/studio/data/draft-store';

/** What came of a piece on one day (YYYY-MM-DD). */
export interface EarnedDay {
  readonly day: string;
  /** null: not what is counted. */
  readonly visits: number | null;
  readonly orders: number;
  readonly revenueMinor: number;
}

const shortDay = (day: string) => `${Number(day.slice(8))}/${Number(day.slice(5, 7))}`;

/** What came of a piece, day by day: drawn, and as a table that says the same and its sums. */
export function EarnedByDay({ days, label }: { days: readonly EarnedDay[]; label: string }) {
  const { currency, locale } = useDraft((state) => state.lane.shop);
  const money = (amount: number) => formatMoney(amount, currencyOf(currency), locale);
  const countsVisits = days.some(({ visits }) => visits !== null);
  const option = useMemo((): EChartsOption => {
    const series = (title: string, data: readonly number[], color: string) => ({
      name: title,
      type: 'bar' as const,
      color,
      barMaxWidth: 14,
      data: [...data],
    });
    return {
      animation: false,
      grid: { left: 32, right: 8, top: 28, bottom: 22 },
      legend: { top: 0, right: 0, itemHeight: 8, itemWidth: 14, textStyle: CHART_TEXT },
      tooltip: { trigger: 'axis', textStyle: { fontFamily: CHART_TEXT.fontFamily, fontSize: 12 } },
      xAxis: {
        type: 'category',
        data: days.map(({ day }) => shortDay(day)),
        axisLabel: CHART_TEXT,
        axisTick: { show: false },
      },
      yAxis: { type: 'value', axisLabel: CHART_TEXT, minInterval: 1 },
      series: [
        ...(countsVisits
          ? [
              series(
                'visits that used it',
                days.map(({ visits }) => visits ?? 0),
                '#c4b8a3',
              ),
            ]
          : []),
        series(
          'orders',
          days.map(({ orders }) => orders),
          '#2f6b4a',
        ),
      ],
    };
  }, [days]);
  const sum = (of: (day: EarnedDay) => number) => days.reduce((total, day) => total + of(day), 0);
  return (
    <div className="flex max-w-[640px] flex-col gap-2">
      <div className="relative h-40">
        <Chart option={option} label={`${label}, day by day; the figures are in the table that follows.`} />
      </div>
      <details>
        <summary>Day by day</summary>
        <table className="tbl panel mt-2 w-full">
          <thead>
            <tr>
              <th scope="col">Day</th>
              {countsVisits && (
                <th scope="col" className="num">
                  Visits
                </th>
              )}
              <th scope="col" className="num">
                Orders
              </th>
              <th scope="col" className="num">
                Sum
              </th>
            </tr>
          </thead>
          <tbody>
            {days.map(({ day, visits, orders, revenueMinor }) => (
              <tr key={day}>
                <th scope="row">{day}</th>
                {countsVisits && <td className="num">{visits}</td>}
                <td className="num">{orders}</td>
                <td className="num">{money(revenueMinor)}</td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row">In all</th>
              {countsVisits && <td className="num">{sum(({ visits }) => visits ?? 0)}</td>}
              <td className="num">{sum(({ orders }) => orders)}</td>
              <td className="num">{money(sum(({ revenueMinor }) => revenueMinor))}</td>
            </tr>
          </tfoot>
        </table>
      </details>
    </div>
  );
}
