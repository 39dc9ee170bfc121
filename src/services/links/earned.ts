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

/** The last days, today included, the oldest first; and the currency whose orders count. */
async function lastDays(app: App): Promise<{ readonly days: string[]; readonly currency: string }> {
  const { shop } = (await liveLane(app)).lane;
  const today = dayIn(shop.timeZone, app.now());
  const days = Array.from({ length: EARNED_DAYS }, (_, i) => addDays(today, i - EARNED_DAYS + 1));
  return { days, currency: shop.currency };
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
  const { days, currency } = await lastDays(app);
  const rows = await app.visits.countEarned(pieces, { fromDay: days[0]!, toDay: days.at(-1)!, currency });
  return byPiece(rows, days, true);
}

/** What came of one block of a thank-you page in the last days. */
export interface EarnedBlock {
  readonly part: string;
  readonly seen: number;
  readonly used: number;
  readonly days: readonly EarnedDay[];
}

/** What came of the blocks of thank-you pages that ask for something, by page. */
export async function showBlocks(app: App): Promise<Record<string, EarnedBlock[]>> {
  const { days, currency } = await lastDays(app);
  const rows = await app.blocks.count(days[0]!, currency);
  return Object.fromEntries(
    [...new Set(rows.map(({ piece }) => piece))].map((page) => {
      const own = rows.filter(({ piece }) => piece === page);
      const blocks = [...new Set(own.map(({ part }) => part))].sort().map((part): EarnedBlock => {
        const ofPart = own.filter((row) => row.part === part);
        const sum = (of: (row: (typeof own)[number]) => number) => ofPart.reduce((total, row) => total + of(row), 0);
        return {
          part,
          seen: sum(({ seen }) => seen),
          used: sum(({ used }) => used),
          days: byPiece(ofPart, days, false)[page]!,
        };
      });
      return [page, blocks];
    }),
  );
}
