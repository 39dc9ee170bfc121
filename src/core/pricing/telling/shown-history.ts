import { addDays, dayIn, startOfDay } from '~/core/time';
import type { PricedOffer } from '../offers';

/** What one of a variant was shown to cost from a moment on (milliseconds since 1970), offers included. */
export interface ShownPrice {
  readonly at: number;
  readonly priceMinor: number;
  /** What it costs before offers. */
  readonly listMinor: number;
  /** Ids of the offers that lowered it, in order; empty: none did. */
  readonly by: string;
}

/** The moments after `from`, up to and with `to`, at which an offer that is on begins or ends; in order. */
export function offerMoments(offers: readonly PricedOffer[], from: number, to: number): number[] {
  const moments = offers
    .filter(({ on }) => on)
    .flatMap(({ when }) => [when.from, when.until].flatMap((moment) => (moment === null ? [] : [Date.parse(moment)])))
    .filter((moment) => moment > from && moment <= to);
  return [...new Set(moments)].sort((a, b) => a - b);
}

/**
 * Where in a history (oldest first) the reduction that stands now began: with the offers that lower the price now, or, where none
 * does, with the price before offers that stands now.
 */
function beginOf(history: readonly ShownPrice[]): number {
  const last = history.length - 1;
  const now = history[last]!;
  let at = last;
  const isSame = (before: ShownPrice) => (now.by === '' ? before.listMinor === now.listMinor : before.by === now.by);
  while (at > 0 && isSame(history[at - 1]!)) at -= 1;
  return at;
}

const DAYS = 30;

/**
 * The lowest price that was shown in the 30 days before the reduction that stands now began: what the law wants told beside it
 * (Directive 98/6/EC, article 6a). `history` oldest first, as it is now; days are those of the shop's zone. Null where nothing
 * was shown before it began.
 */
export function lowestShownBefore(history: readonly ShownPrice[], timeZone: string): number | null {
  if (history.length === 0) return null;
  const began = beginOf(history);
  if (began === 0) return null;
  const from = startOfDay(addDays(dayIn(timeZone, history[began]!.at), -DAYS), timeZone);
  const before = history.slice(0, began);
  // The price of the first day is that of the last change before it.
  const first = before.findLastIndex(({ at }) => at <= from);
  return Math.min(...before.slice(Math.max(0, first)).map(({ priceMinor }) => priceMinor));
}
