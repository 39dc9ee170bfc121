/** A moment (ms since 1970) as a clock in an IANA time zone shows it: YYYY-MM-DDTHH:MM. */
export function localTime(at: number, timeZone: string): string {
  const text = new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'short' }).format(at);
  return text.replace(' ', 'T');
}

/** The moment at which a clock in a zone shows YYYY-MM-DDTHH:MM; one that it skips is as much later, of one shown twice it is the first. */
export function momentOf(local: string, timeZone: string): number {
  const wanted = Date.parse(`${local}:00Z`);
  const offsetAt = (at: number) => Date.parse(`${localTime(at, timeZone)}:00Z`) - at;
  const early = wanted - offsetAt(wanted - 86_400_000);
  const late = wanted - offsetAt(wanted + 86_400_000);
  const right = [early, late].sort((a, b) => a - b).find((at) => localTime(at, timeZone) === local);
  return right ?? early;
}

/** While a zone is so many milliseconds ahead of UTC: from an instant on, up to another (milliseconds since 1970). */
export interface OffsetSpan {
  readonly offsetMs: number;
  readonly from: number;
  readonly to: number;
}

const DAY_MS = 86_400_000;
/** Clocks are changed on the full or the half hour. */
const STEP_MS = 30 * 60_000;

/** How far a zone is from UTC at every instant of a span, its last included. */
export function offsetSpans(timeZone: string, from: number, to: number): OffsetSpan[] {
  const offsetAt = (at: number) => Date.parse(`${localTime(at, timeZone)}Z`) - Math.floor(at / 60_000) * 60_000;
  const spans: OffsetSpan[] = [];
  let since = from;
  let offsetMs = offsetAt(from);
  for (let day = from; day < to; day += DAY_MS) {
    const next = offsetAt(Math.min(day + DAY_MS, to));
    if (next === offsetMs) continue;
    // Between these two the clock was changed: at the first step at which it shows the new time.
    let [before, after] = [Math.floor(day / STEP_MS), Math.ceil(Math.min(day + DAY_MS, to) / STEP_MS)];
    while (after - before > 1) {
      const middle = Math.floor((before + after) / 2);
      if (offsetAt(middle * STEP_MS) === offsetMs) before = middle;
      else after = middle;
    }
    spans.push({ offsetMs, from: since, to: after * STEP_MS });
    since = after * STEP_MS;
    offsetMs = next;
  }
  return [...spans, { offsetMs, from: since, to: to + 1 }];
}
