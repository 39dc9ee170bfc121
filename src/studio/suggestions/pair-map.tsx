import type { EChartsOption } from 'echarts';
import { useMemo } from 'react';
import type { Pair } from '~/core/finder';
import { Chart, CHART_TEXT } from '~/studio/shell/chart';

/** Drawn at most: more is no map. */
const MOST = 60;
const LINE = { together: 'solid', seasonal: 'dashed', popular: 'dotted' } as const;
const COLOUR = { together: '#2f6b4a', seasonal: '#2e6a8e', popular: '#b9ac97' } as const;

/** Products as stones, pairs as the mortar between them: the thicker, the more often beyond chance. */
export function PairMap({ pairs, nameOf }: { pairs: readonly Pair[]; nameOf: (slug: string) => string }) {
  const drawn = pairs.slice(0, MOST);
  const option = useMemo((): EChartsOption => {
    const orders = new Map<string, number>();
    for (const { a, b, withA, withB } of drawn) orders.set(a, withA).set(b, withB);
    const most = Math.max(1, ...orders.values());
    return {
      animation: false,
      tooltip: { textStyle: { fontFamily: CHART_TEXT.fontFamily, fontSize: 12 } },
      series: [
        {
          type: 'graph',
          layout: 'circular',
          circular: { rotateLabel: true },
          left: 130,
          right: 130,
          top: 110,
          bottom: 110,
          symbol: 'rect',
          itemStyle: { color: '#b9ac97', borderColor: '#23282d', borderWidth: 1 },
          label: { show: true, ...CHART_TEXT, color: '#23282d', formatter: '{b}', width: 120, overflow: 'truncate' },
          data: [...orders].map(([slug, count]) => ({
            id: slug,
            name: nameOf(slug),
            value: count,
            symbolSize: 8 + 18 * Math.sqrt(count / most),
          })),
          links: drawn.map(({ a, b, lift, both, verdict }) => ({
            source: a,
            target: b,
            value: both,
            lineStyle: {
              width: Math.min(9, 1 + 1.6 * Math.log2(Math.max(1, lift))),
              type: LINE[verdict],
              color: COLOUR[verdict],
              curveness: 0.2,
              opacity: 0.8,
            },
          })),
        },
      ],
    };
  }, [pairs, nameOf]);
  return (
    <figure className="flex min-w-0 flex-col">
      <div className="relative h-[460px] border border-mortar bg-white">
        {drawn.length > 0 && (
          <Chart option={option} label={`A map of ${drawn.length} pairs; the same stand in the table beside it.`} />
        )}
      </div>
      <figcaption className="help">
        Stones are products, larger where they are in more orders; lines are pairs, thicker the more often beyond
        chance. Solid: go together. Dashed: same season. Dotted: popular only.
        {pairs.length > MOST && ` The first ${MOST} of ${pairs.length}.`}
      </figcaption>
    </figure>
  );
}
