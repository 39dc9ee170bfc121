import { addressOf } from '~/studio/data/api';
import { useAnswer } from '~/studio/data/query';
import { useEffect, useRef, useState } from 'react';
import { STRETCH_NAMES, STRETCHES } from '~/core/funnel';
import type { Device } from '~/core/where';
import { useBandFigures } from '~/studio/data/band-figures';
import { useShop } from '~/studio/data/sums';
import { Figure } from '~/studio/shell/figure';
import { count, day, money, percent, plural } from '~/studio/data/format';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { DayChart } from './day-chart';
import type { LaneMap as LaneMapData } from '~/contract/studio/lane-map';
import { LossList } from './loss-list';
import { Road } from './road';

const DEVICE_NAMES: Readonly<Record<Device | '', string>> = {
  '': 'All devices',
  phone: 'Phones',
  tablet: 'Tablets',
  desktop: 'Desktops',
};
const RANGES = { 7: 'Last 7 days', 28: 'Last 28 days', 90: 'Last 90 days' } as const;

export function LaneMap({ shell, initial }: { shell: ShellData; initial: LaneMapData }) {
  return (
    <Shell data={shell} room="/studio">
      <MapScreen initial={initial} />
    </Shell>
  );
}

function MapScreen({ initial }: { initial: LaneMapData }) {
  const shop = useShop();
  const [query, setQuery] = useState<LaneMapData['query']>(initial.query);
  const { device, source, days } = query;
  const asking = { query: { device, source, days } };
  const asked = useAnswer('GET /api/studio/lane-map', asking, { keepsLast: true, first: initial });
  const map = asked.answer ?? initial;
  const { problem } = asked;
  const isFirst = useRef(true);
  useEffect(() => {
    if (!isFirst.current)
      history.replaceState(null, '', addressOf('GET /api/studio/lane-map', asking).replace(/^[^?]*/, '') || '?');
    isFirst.current = false;
  }, [query]);
  useEffect(() => {
    const whose = [
      map.query.device && DEVICE_NAMES[map.query.device].toLowerCase(),
      map.query.source && `from ${map.query.source}`,
    ];
    const figures = { funnel: map.funnel, before: map.before, days: map.query.days };
    useBandFigures.setState({ figures: { ...figures, whose: whose.filter(Boolean).join(', ') } });
    return () => useBandFigures.setState({ figures: null });
  }, [map]);
  const { funnel, excluded, orders } = map;
  const ownOrders = funnel.orders - funnel.foreignOrders;
  const left = [
    excluded.bots > 0 && `${count(excluded.bots)} by robots`,
    excluded.owner > 0 && `${count(excluded.owner)} of your own`,
  ].filter(Boolean);
  return (
    <div className="flex min-h-full flex-col gap-2.5 px-[18px] pt-3 pb-2">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>See where shoppers leave the lane</h1>
          <p className="text-gravel" data-testid="summary">
            <Figure
              name="Visits"
              formula={`Every visit that opened a page from ${day(map.fromDay)} to ${day(map.toDay)}. A visit ends after half an hour without anything. Left out: ${count(excluded.bots)} by robots, ${count(excluded.owner)} of your own.`}
            >
              {plural(funnel.sessions, 'visit', 'visits')}
            </Figure>
            , {day(map.fromDay)} – {day(map.toDay)} ·{' '}
            <Figure
              name="Orders"
              formula={`${count(funnel.orders)} of these visits ended in a paid order: ${count(funnel.orders)} ÷ ${count(funnel.sessions)} = ${percent(funnel.sessions ? funnel.orders / funnel.sessions : 0)}.`}
            >
              {plural(funnel.orders, 'order', 'orders')} (
              {percent(funnel.sessions ? funnel.orders / funnel.sessions : 0)})
            </Figure>{' '}
            ·{' '}
            <Figure
              name="Revenue"
              formula={`What these ${plural(ownOrders, 'visit', 'visits')} paid: goods after offers, delivery and tax. On average ${money(ownOrders ? Math.round(funnel.revenueMinor / ownOrders) : 0, shop)} a visit with an order.${funnel.foreignOrders > 0 ? ` Left out: ${plural(funnel.foreignOrders, 'visit', 'visits')} that paid in another currency.` : ''}`}
            >
              {money(funnel.revenueMinor, shop)}
            </Figure>
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <a className="btn" href="/studio/proof">
            Prove the lane
          </a>
          <a className="btn" href="/studio/seen">
            Who sees what
          </a>
          <select
            className="field"
            aria-label="Device"
            value={query.device ?? ''}
            onChange={(event) =>
              setQuery({ ...query, device: (event.target.value || undefined) as Device | undefined })
            }
          >
            {Object.entries(DEVICE_NAMES).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
          <select
            className="field"
            aria-label="Source"
            value={query.source ?? ''}
            onChange={(event) => setQuery({ ...query, source: event.target.value || undefined })}
          >
            <option value="">All sources</option>
            {map.sources.map((source) => (
              <option key={source}>{source}</option>
            ))}
          </select>
          <select
            className="field"
            aria-label="Days"
            value={query.days}
            onChange={(event) => setQuery({ ...query, days: Number(event.target.value) as 7 | 28 | 90 })}
          >
            {Object.entries(RANGES).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </div>
      </header>
      {problem && (
        <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
          {problem} The figures below are those from before.
        </p>
      )}
      {funnel.sessions === 0 ? (
        <>
          <div className="panel flex flex-wrap items-center justify-between gap-3 px-4 py-3" data-testid="no-visits">
            <div>
              <h2>No visits in these days yet</h2>
              <p className="text-gravel">
                {excluded.ownDepth > 0
                  ? `You walked it yourself as far as “${STRETCH_NAMES[STRETCHES[excluded.ownDepth - 1]!]}” (yours, not counted).`
                  : 'Visit the shop once yourself to see it as shoppers do; your own visits are not counted.'}
              </p>
            </div>
            <a className="btn btn-go" href="/shop/" target="_blank">
              Visit the shop
            </a>
          </div>
          <Road map={map} shop={shop} />
        </>
      ) : (
        <>
          <Road map={map} shop={shop} />
          <LossList losses={map.losses} shop={shop} />
          <section className="panel flex min-h-[140px] flex-1 flex-col px-4 pt-2 pb-1">
            <h2>Day by day</h2>
            <DayChart days={map.days} publications={map.publications} />
          </section>
        </>
      )}
      <p className="help">
        Browse to After are the stretches of the road. A visit counts on each that it reached.{' '}
        {left.length > 0 &&
          `Left out of all figures: ${count(excluded.bots + excluded.owner)} visits (${left.join(', ')}). `}
        {orders.withoutVisit > 0 &&
          `${count(orders.withoutVisit)} of ${count(orders.all)} paid orders have no recorded visit (no script, or no tracking wanted); they are in Orders, not here. `}
        Sums are in {shop.currency}, days in {shop.timeZone}.
      </p>
    </div>
  );
}
