import type { App } from '~/services/app';
import { dayIn } from '~/core/time';
import { liveLane } from '~/services/lane/live-lane';

/** What came of a buy link: visits in which it was used, and their paid orders. */
export interface Earned {
  readonly visits: number;
  readonly orders: number;
  readonly revenueMinor: number;
}

export const EARNED_DAYS = 28;
const DAY_MS = 86_400_000;

/** What came of pieces in the last days, today included, by their ids. */
export async function showEarned(app: App, pieces: readonly string[]): Promise<Record<string, Earned>> {
  const { lane } = await liveLane(app);
  const day = (at: number) => dayIn(lane.shop.timeZone, at);
  const days = { fromDay: day(app.now() - (EARNED_DAYS - 1) * DAY_MS), toDay: day(app.now()) };
  const rows = await app.visits.countEarned(pieces, days);
  return Object.fromEntries(rows.map(({ piece, ...earned }) => [piece, earned]));
}
