import { useEffect, useRef } from 'react';
import type { EChartsOption } from 'echarts';
import { day } from '../shared/format';

interface Props {
  readonly days: readonly { readonly day: string; readonly sessions: number; readonly orders: number }[];
}

/** Visits and orders of each day, on two scales. */
export function DayChart({ days }: Props) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let stop = () => undefined as void;
    let isGone = false;
    void import('./echarts').then(({ initChart }) => {
      if (isGone || !place.current) return;
      const chart = initChart(place.current);
      chart.setOption(optionOf(days));
      const watch = new ResizeObserver(() => chart.resize());
      watch.observe(place.current);
      stop = () => {
        watch.disconnect();
        chart.dispose();
      };
    });
    return () => {
      isGone = true;
      stop();
    };
  }, [days]);
  return (
    <div className="relative min-h-[96px] flex-1">
      <div
        ref={place}
        className="absolute inset-0"
        role="img"
        aria-label={`Visits and orders of ${days.length} days; the figures are in the table that follows.`}
      />
      <table className="sr-only">
        <thead>
          <tr>
            <th>Day</th>
            <th>Visits</th>
            <th>Orders</th>
          </tr>
        </thead>
        <tbody>
          {days.map((row) => (
            <tr key={row.day}>
              <td>{row.day}</td>
              <td>{row.sessions}</td>
              <td>{row.orders}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function optionOf(days: Props['days']): EChartsOption {
  const text = { color: '#5c6166', fontFamily: 'Instrument Sans Variable', fontSize: 11.5 };
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
      { name: 'Visits', type: 'bar', data: days.map((row) => row.sessions), color: '#c4b8a3', barMaxWidth: 26 },
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
