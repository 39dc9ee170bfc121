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
