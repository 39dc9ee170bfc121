import { useEffect, useRef } from 'react';
import type { EChartsOption } from 'echarts';

/** Of texts in charts. */
export const CHART_TEXT = { color: '#5c6166', fontFamily: 'Instrument Sans Variable', fontSize: 11.5 };

interface Props {
  readonly option: EChartsOption;
  /** What it shows; its figures stand in a table beside it. */
  readonly label: string;
  readonly className?: string;
}

/** A drawn chart, as large as its place. */
export function Chart({ option, label, className = 'absolute inset-0' }: Props) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let stop = () => undefined as void;
    let isGone = false;
    void import('./echarts').then(({ initChart }) => {
      if (isGone || !place.current) return;
      const chart = initChart(place.current);
      chart.setOption(option);
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
  }, [option]);
  return <div ref={place} className={className} role="img" aria-label={label} />;
}
