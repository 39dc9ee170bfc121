import { useMemo } from 'react';
import type { EChartsOption } from 'echarts';
import { Chart, CHART_TEXT as text } from '~/studio/shell/chart';
import { day } from '~/studio/data/format';

interface Props {
  readonly days: readonly { readonly day: string; readonly sessions: number; readonly orders: number }[];
  readonly publications: readonly { readonly day: string; readonly revision: number }[];
}

/** Visits and orders of each day, on two scales. */
export function DayChart({ days, publications }: Props) {
  const option = useMemo(() => optionOf(days, publications), [days, publications]);
  return (
    <div className="relative min-h-[96px] flex-1">
      <Chart
        option={option}
        label={`Visits and orders of ${days.length} days; the figures are in the table that follows.`}
      />
      <table className="sr-only">
        <thead>
          <tr>
            <th>Day</th>
            <th>Visits</th>
            <th>Orders</th>
            <th>Published</th>
          </tr>
        </thead>
        <tbody>
          {days.map((row) => (
            <tr key={row.day}>
              <td>{row.day}</td>
              <td>{row.sessions}</td>
              <td>{row.orders}</td>
              <td>{revisionsOf(row.day, publications)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** “Revision 4” or “Revisions 4, 5”, where something was published on a day. */
function revisionsOf(of: string, publications: Props['publications']): string {
  const ids = publications.filter((publication) => publication.day === of).map(({ revision }) => revision);
  if (ids.length === 0) return '';
  return `${ids.length === 1 ? 'Revision' : 'Revisions'} ${ids.sort((a, b) => a - b).join(', ')}`;
}

function optionOf(days: Props['days'], publications: Props['publications']): EChartsOption {
  const published = days.flatMap((row, i) => {
    const name = revisionsOf(row.day, publications);
    return name ? [{ xAxis: i, name }] : [];
  });
  return {
    animation: false,
    grid: { left: 44, right: 36, top: 24, bottom: 22 },
    legend: { top: 0, right: 0, itemHeight: 8, itemWidth: 14, textStyle: text },
    tooltip: { trigger: 'axis', textStyle: { fontFamily: text.fontFamily, fontSize: 12 } },
    xAxis: {
      type: 'category',
      data: days.map((row) => day(row.day)),
      axisLabel: text,
      axisTick: { show: false },
      axisLine: { lineStyle: { color: '#cfc8ba' } },
    },
    yAxis: [
      { type: 'value', axisLabel: text, splitNumber: 2, splitLine: { lineStyle: { color: '#ebe6dc' } } },
      { type: 'value', axisLabel: text, splitNumber: 2, splitLine: { show: false }, minInterval: 1 },
    ],
    series: [
      {
        name: 'Visits',
        type: 'bar',
        data: days.map((row) => row.sessions),
        color: '#c4b8a3',
        barMaxWidth: 26,
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: '#24292d', type: 'dashed' },
          label: { ...text, formatter: '{b}', position: 'insideEndTop' },
          data: published,
        },
      },
      {
        name: 'Orders',
        type: 'line',
        yAxisIndex: 1,
        data: days.map((row) => row.orders),
        color: '#2f6b4a',
        symbolSize: 5,
        lineStyle: { width: 2 },
      },
    ],
  };
}
