import type { LaneMapQuery, LaneMap } from '~/contract/studio/lane-map';
import { countFunnel, sizeLosses, worthOfOnePoint, type Funnel } from '~/core/funnel';
import { addDays, dayIn } from '~/core/time';
import type { Device } from '~/core/where';
import { DEVICES } from '~/core/where/where.schema';
import type { VisitQuery } from '~/data';
import type { App } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';

export async function showLaneMap(app: App, query: LaneMapQuery): Promise<LaneMap> {
  const { lane } = await liveLane(app);
  const { currency } = lane.shop;
  const toDay = dayIn(lane.shop.timeZone, app.now());
  const fromDay = addDays(toDay, 1 - query.days);
  const now: VisitQuery = {
    fromDay,
    toDay,
    ...(query.device && { device: query.device }),
    ...(query.source && { source: query.source }),
  };
  const before: VisitQuery = { ...now, fromDay: addDays(fromDay, -query.days), toDay: addDays(fromDay, -1) };
  const allDevices: VisitQuery = { fromDay, toDay, ...(query.source && { source: query.source }) };
  const [rows, rowsBefore, rowsAll, days, excluded, orders, pieceUse, sources, revisions] = await Promise.all([
    app.visits.countDepths(now, currency),
    app.visits.countDepths(before, currency),
    query.device ? app.visits.countDepths(allDevices, currency) : null,
    app.visits.countDays(now),
    app.visits.countExcluded(now),
    app.visits.countOrders(now),
    app.visits.countPieces(now),
    app.visits.listSources(),
    app.lanes.listRevisions(),
  ]);
  const compared = rowsAll ?? rows;
  const byDevice = new Map(
    DEVICES.map((device): [Device, Funnel] => [device, countFunnel(compared.filter((row) => row.device === device))]),
  );
  const funnel = countFunnel(rows);
  const losses = sizeLosses(byDevice, query.days).filter((loss) => !query.device || loss.device === query.device);
  return {
    query,
    fromDay,
    toDay,
    funnel,
    before: countFunnel(rowsBefore),
    pointMinor: worthOfOnePoint(funnel, query.days),
    losses,
    days,
    excluded,
    orders,
    pieceUse,
    sources,
    publications: revisions
      .map(({ id, publishedAt }) => ({ day: dayIn(lane.shop.timeZone, publishedAt), revision: id }))
      .filter((publication) => publication.day >= fromDay && publication.day <= toDay),
  };
}

/** The funnel of each device for some days up to today. */
export async function showDevices(app: App, days: number): Promise<{ device: Device; funnel: Funnel }[]> {
  const { lane } = await liveLane(app);
  const toDay = dayIn(lane.shop.timeZone, app.now());
  const rows = await app.visits.countDepths({ fromDay: addDays(toDay, 1 - days), toDay }, lane.shop.currency);
  return DEVICES.map((device) => ({ device, funnel: countFunnel(rows.filter((row) => row.device === device)) }));
}
