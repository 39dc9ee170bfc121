import type { App } from '~/services/app';
import { addDays, dayIn } from '~/core/time';
import { liveLane } from '~/services/lane/live-lane';

/** What came of a piece on one day (YYYY-MM-DD). */
export interface EarnedDay {
  readonly day: string;
  /** In which it was used; null where visits are not what is counted. */
  readonly visits: number | null;
  readonly orders: number;
  readonly revenueMinor: number;
}

export const EARNED_DAYS = 28;

/** The last days, today included, the oldest first. */
async function lastDays(app: App): Promise<string[]> {
  const { lane } = await liveLane(app);
  const today = dayIn(lane.shop.timeZone, app.now());
  return Array.from({ length: EARNED_DAYS }, (_, i) => addDays(today, i - EARNED_DAYS + 1));
}

type Row = Omit<EarnedDay, 'visits'> & { readonly piece: string; readonly visits?: number };

/** Every day of each piece that has any; days on which nothing came of it say so. */
function byPiece(rows: readonly Row[], days: readonly string[], countsVisits: boolean): Record<string, EarnedDay[]> {
  const found = new Map(rows.map((row) => [`${row.piece} ${row.day}`, row]));
  return Object.fromEntries(
    [...new Set(rows.map(({ piece }) => piece))].map((piece) => [
      piece,
      days.map((day) => {
        const { visits = 0, orders = 0, revenueMinor = 0 } = found.get(`${piece} ${day}`) ?? {};
        return { day, visits: countsVisits ? visits : null, orders, revenueMinor };
      }),
    ]),
  );
}

/** What came of pieces in the last days, by their ids: visits in which one was used, and the paid orders of those visits. */
export async function showEarned(app: App, pieces: readonly string[]): Promise<Record<string, EarnedDay[]>> {
  const days = await lastDays(app);
  const rows = await app.visits.countEarned(pieces, { fromDay: days[0]!, toDay: days.at(-1)! });
  return byPiece(rows, days, true);
}

/** What was added to orders of the last days by one press, by the thank-you page it was offered on. */
export async function showAdded(app: App): Promise<Record<string, EarnedDay[]>> {
  const days = await lastDays(app);
  return byPiece(await app.afterOrders.countAdded(days[0]!), days, false);
}
