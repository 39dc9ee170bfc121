const zones = new Map<string, Intl.DateTimeFormat>();
const long = new Map<string, Intl.DateTimeFormat>();

/** The calendar day (YYYY-MM-DD) of a moment in an IANA time zone. */
export function dayIn(timeZone: string, atMs: number): string {
  let format = zones.get(timeZone);
  if (!format) zones.set(timeZone, (format = new Intl.DateTimeFormat('en-CA', { timeZone, dateStyle: 'short' })));
  return format.format(atMs);
}

/** Whether days can be told in a time zone (IANA, such as Europe/Berlin). */
export function isTimeZone(timeZone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}

/** A day so many days later (or earlier); calendar arithmetic, free of zones. */
export function addDays(day: string, count: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + count * 86_400_000).toISOString().slice(0, 10);
}

/** A moment's day as people write it in a locale (BCP 47), in an IANA time zone: 26 November 2026. */
export function longDate(atMs: number, locale: string, timeZone: string): string {
  const key = `${locale} ${timeZone}`;
  let format = long.get(key);
  if (!format) long.set(key, (format = new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone })));
  return format.format(atMs);
}

/** When a day (YYYY-MM-DD) begins in an IANA time zone, in milliseconds since 1970. */
export function startOfDay(day: string, timeZone: string): number {
  const noon = Date.parse(`${day}T12:00:00Z`);
  // No zone is more than 14 hours off, and none changes its clock by more than a few: within these the first moment of the day is found.
  let [before, at] = [noon - 36 * 3_600_000, noon + 24 * 3_600_000];
  while (at - before > 1) {
    const middle = Math.floor((before + at) / 2);
    if (dayIn(timeZone, middle) < day) before = middle;
    else at = middle;
  }
  return at;
}
