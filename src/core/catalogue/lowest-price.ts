/** A price from a moment on (milliseconds since 1970). */
export interface PriceChange {
  readonly priceMinor: number;
  readonly at: number;
}

const DAYS = 30;
const DAY_MS = 86_400_000;

/**
 * The lowest price of the 30 days before a lower price was announced: what the law wants told beside it (Directive 98/6/EC, article
 * 6a). `changes` oldest first. A price that stands lowered now was announced with its last change; otherwise the
 * days end now. Null where no price of that time is known.
 */
export function lowestBefore(changes: readonly PriceChange[], isLowered: boolean, now: number): number | null {
  const end = isLowered ? (changes.at(-1)?.at ?? now) : now;
  const from = end - DAYS * DAY_MS;
  // The price of the first day is that of the last change before it.
  const first = changes.findLastIndex(({ at }) => at <= from);
  const prices = changes.slice(Math.max(0, first)).filter(({ at }) => at < end);
  return prices.length === 0 ? null : Math.min(...prices.map(({ priceMinor }) => priceMinor));
}
