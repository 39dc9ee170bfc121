import { STRETCHES, type Stretch } from './stretch';

/** How many sessions got exactly this far (depth 1 to 6), and what they spent. */
export interface DepthCount {
  readonly depth: number;
  readonly sessions: number;
  /** In the shop's currency. */
  readonly revenueMinor: number;
  /** How many of them spent in another currency. */
  readonly foreignOrders?: number;
}

export interface FunnelStretch {
  readonly stretch: Stretch;
  readonly sessions: number;
  /** Part of all sessions that got here, 0 to 1. */
  readonly share: number;
  /** Sessions whose furthest stretch this was. After: those who ordered. */
  readonly left: number;
  /** Part of those here that went on, 0 to 1; null on the last stretch or when nobody was here. */
  readonly goOn: number | null;
}

export interface Funnel {
  readonly sessions: number;
  readonly orders: number;
  readonly revenueMinor: number;
  /** Orders whose sums are in none of the figures: they were paid in another currency. */
  readonly foreignOrders: number;
  readonly stretches: readonly FunnelStretch[];
}

/**
 * A session counts on a stretch when it did something there **or further on**: an add straight from a listing passes
 * Look. So the order of events, and late or repeated batches, cannot change the count.
 */
export function countFunnel(counts: readonly DepthCount[]): Funnel {
  const at = STRETCHES.map(() => 0);
  let [revenueMinor, foreignOrders] = [0, 0];
  for (const count of counts) {
    at[count.depth - 1] = (at[count.depth - 1] ?? 0) + count.sessions;
    revenueMinor += count.revenueMinor;
    foreignOrders += count.foreignOrders ?? 0;
  }
  const reached = at.map((_, i) => at.slice(i).reduce((a, b) => a + b, 0));
  const all = reached[0]!;
  return {
    sessions: all,
    orders: reached.at(-1)!,
    revenueMinor,
    foreignOrders,
    stretches: STRETCHES.map((stretch, i) => ({
      stretch,
      sessions: reached[i]!,
      share: all === 0 ? 0 : reached[i]! / all,
      left: at[i]!,
      goOn: i === STRETCHES.length - 1 || reached[i] === 0 ? null : reached[i + 1]! / reached[i]!,
    })),
  };
}
