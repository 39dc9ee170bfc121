import type { EChartsOption } from 'echarts';
import { useMemo } from 'react';
import { Chart, CHART_TEXT } from '~/studio/shell/chart';
import type { BacktestAnswer } from '~/contract/studio/offers';

type Shares = BacktestAnswer['shares'];

const name = (i: number) => (i === 0 ? 'under 0' : i > 10 ? '100 %' : `${(i - 1) * 10}–${i * 10} %`);

/** Orders by the share of their price that is margin, without and with the offer. */
export function MarginChart({ shares }: { shares: Shares }) {
  const option = useMemo((): EChartsOption => {
    const series = (title: string, of: 'before' | 'after', color: string) => ({
      name: title,
      type: 'bar' as const,
      color,
      barMaxWidth: 26,
      data: shares.map((bin) => bin[of]),
    });
    return {
      animation: false,
      grid: { left: 44, right: 12, top: 28, bottom: 40 },
      legend: { top: 0, right: 0, itemHeight: 8, itemWidth: 14, textStyle: CHART_TEXT },
      tooltip: { trigger: 'axis', textStyle: { fontFamily: CHART_TEXT.fontFamily, fontSize: 12 } },
      xAxis: {
        type: 'category',
        data: shares.map((_bin, i) => name(i)),
        name: 'margin, of the price before tax',
        nameLocation: 'middle',
        nameGap: 26,
        nameTextStyle: CHART_TEXT,
        axisLabel: CHART_TEXT,
        axisTick: { show: false },
      },
      yAxis: { type: 'value', name: 'orders', nameTextStyle: CHART_TEXT, axisLabel: CHART_TEXT, minInterval: 1 },
      series: [series('without the offer', 'before', '#c4b8a3'), series('with it', 'after', '#2f6b4a')],
    };
  }, [shares]);
  return (
    <div>
      <h3 className="font-semibold">Margins of these orders</h3>
      <div className="relative h-56">
        <Chart
          option={option}
          label="Orders by their margin, without the offer and with it; the figures are in the table that follows."
        />
      </div>
      <table className="sr-only">
        <caption>Orders by margin</caption>
        <thead>
          <tr>
            <th>Margin</th>
            <th>Without the offer</th>
            <th>With it</th>
          </tr>
        </thead>
        <tbody>
          {shares.map((bin, i) => (
            <tr key={i}>
              <td>{name(i)}</td>
              <td>{bin.before}</td>
              <td>{bin.after}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
