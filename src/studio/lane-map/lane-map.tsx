import { useEffect, useRef, useState } from 'react';
import type { Device } from '~/core/where';
import { ask } from '../shared/api';
import { useDraft } from '../shared/draft-store';
import { count, day, money, percent } from '../shared/format';
import { Shell } from '../shared/shell';
import type { ShellData } from '../shared/studio-data';
import { DayChart } from './day-chart';
import type { LaneMapData } from './lane-map-data';
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
    <Shell data={shell} room="lane">
      <MapScreen initial={initial} />
    </Shell>
  );
}

function MapScreen({ initial }: { initial: LaneMapData }) {
  const shop = useDraft((state) => state.live.lane.shop);
  const [map, setMap] = useState(initial);
  const [query, setQuery] = useState<LaneMapData['query']>(initial.query);
  const [problem, setProblem] = useState<string | null>(null);
  const isFirst = useRef(true);
  useEffect(() => {
    if (isFirst.current) {
      isFirst.current = false;
      return;
    }
    const stop = new AbortController();
    const search = new URLSearchParams({
      device: query.device ?? '',
      source: query.source ?? '',
      days: String(query.days),
    });
    history.replaceState(null, '', `?${search}`);
    ask<LaneMapData>(`/api/studio/lane-map?${search}`, { signal: stop.signal })
      .then((next) => {
        setMap(next);
        setProblem(null);
      })
      .catch((error: unknown) => !stop.signal.aborted && setProblem((error as Error).message));
    return () => stop.abort();
  }, [query]);
  const { funnel, excluded, orders } = map;
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
            {count(funnel.sessions)} visits, {day(map.fromDay)} – {day(map.toDay)} · {count(funnel.orders)} orders (
            {percent(funnel.sessions ? funnel.orders / funnel.sessions : 0)}) · {money(funnel.revenueMinor, shop)}
          </p>
        </div>
        <div className="flex gap-2">
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
        <div className="panel grid flex-1 place-items-center p-10 text-center">
          <div>
            <h2>No visits in these days yet</h2>
            <p className="mb-4 text-gravel">
              As soon as somebody walks your shop, their way is drawn here. Walk it once yourself to see it as they do.
            </p>
            <a className="btn btn-go" href="/shop/" target="_blank">
              Walk the shop
            </a>
          </div>
        </div>
      ) : (
        <>
          <Road map={map} shop={shop} />
          <LossList losses={map.losses} shop={shop} />
          <section className="panel flex min-h-[140px] flex-1 flex-col px-4 pt-2 pb-1">
            <h2>Day by day</h2>
            <DayChart days={map.days} />
          </section>
        </>
      )}
      <p className="help">
        A visit counts on a stretch when it did something there or further on.{' '}
        {left.length > 0 &&
          `Left out of all figures: ${count(excluded.bots + excluded.owner)} visits (${left.join(', ')}). `}
        {orders.withoutVisit > 0 &&
          `${count(orders.withoutVisit)} of ${count(orders.all)} paid orders have no recorded visit (no script, or no tracking wanted); they are in Orders, not here. `}
        Sums are in {shop.currency}, days in {shop.timeZone}.
      </p>
    </div>
  );
}
