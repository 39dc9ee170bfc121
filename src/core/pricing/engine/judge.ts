import { fits } from './selection';
import type { PricedLine, PricedOffer, PricingInput } from './pricing.schema';

type PlainCode =
  | 'off'
  | 'needs-code'
  | 'not-started'
  | 'ended'
  | 'wrong-shopper'
  | 'not-birthday'
  | 'used-up'
  | 'wrong-country'
  | 'wrong-source';

/** Why an offer does not count, whatever else there is; the first that holds. */
export type Refusal =
  | { readonly code: PlainCode }
  | { readonly code: 'needs-more'; readonly missingMinor: number }
  | { readonly code: 'needs-items'; readonly missing: number };

/** The price of one unit before any offer: goods and the options of a unit, never under 0. */
export function fullUnit(line: PricedLine): number {
  return Math.max(0, line.unitMinor + line.unitOptionsMinor);
}

export function fullPrice(line: PricedLine): number {
  return fullUnit(line) * line.quantity + line.onceOptionsMinor;
}

/** Codes as they are compared: without surrounding white space, regardless of case. */
export const plainCode = (typed: string): string => typed.trim().toLowerCase();

export const isSameCode = (a: string, b: string): boolean => plainCode(a) === plainCode(b);

/** Said by itself each is the same for every offer. */
const PLAIN = Object.fromEntries(
  (
    [
      'off',
      'needs-code',
      'not-started',
      'ended',
      'wrong-shopper',
      'not-birthday',
      'used-up',
      'wrong-country',
      'wrong-source',
    ] as PlainCode[]
  ).map((code) => [code, Object.freeze({ code })]),
) as Readonly<Record<PlainCode, Refusal>>;

/** Why an offer is not able, whatever the goods; null: they decide. `at` in milliseconds since 1970, `codes` plain. */
export function refusalBefore(
  { id, on, when, limits }: PricedOffer,
  input: PricingInput,
  at: number,
  codes: readonly string[],
): Refusal | null {
  if (!on) return PLAIN.off;
  if (when.code !== null && !codes.includes(plainCode(when.code))) return PLAIN['needs-code'];
  if (when.from !== null && at < Date.parse(when.from)) return PLAIN['not-started'];
  if (when.until !== null && at >= Date.parse(when.until)) return PLAIN.ended;
  if (when.shopper !== 'any' && when.shopper !== input.shopper) return PLAIN['wrong-shopper'];
  if (when.birthdayDays !== null) {
    const today = input.today ?? new Date(at).toISOString().slice(0, 10);
    if (input.birthday === null || daysToBirthday(today, input.birthday) > when.birthdayDays)
      return PLAIN['not-birthday'];
  }
  if (isUsedUp(limits, input.used[id])) return PLAIN['used-up'];
  if (when.countries.length > 0 && !when.countries.includes(input.country ?? '')) return PLAIN['wrong-country'];
  if (when.sources.length > 0 && !when.sources.includes(input.source ?? '')) return PLAIN['wrong-source'];
  return null;
}

/** Whether an offer has been given as often as it may be. */
export function isUsedUp(
  { total, perShopper }: PricedOffer['limits'],
  used: PricingInput['used'][string] | undefined,
): boolean {
  return (
    used !== undefined &&
    ((total !== null && used.total >= total) || (perShopper !== null && used.byShopper >= perShopper))
  );
}

/** What goods lack for an offer that nothing else keeps out; null: nothing. */
export function refusalByGoods({ when }: PricedOffer, lines: readonly PricedLine[]): Refusal | null {
  const { minGoodsMinor, minQuantity, counts } = when;
  if (minGoodsMinor === null && minQuantity === null) return null;
  let [goods, quantity] = [0, 0];
  for (const line of lines) {
    if (!fits(line, counts)) continue;
    goods += fullPrice(line);
    quantity += line.quantity;
  }
  if (minGoodsMinor !== null && goods < minGoodsMinor)
    return { code: 'needs-more', missingMinor: minGoodsMinor - goods };
  return minQuantity !== null && quantity < minQuantity
    ? { code: 'needs-items', missing: minQuantity - quantity }
    : null;
}

const DAY_MS = 86_400_000;

/** Calendar days between a day (YYYY-MM-DD) and the nearest birthday (MM-DD); 29 February is 1 March in other years. */
export function daysToBirthday(today: string, birthday: string): number {
  const now = Date.parse(`${today}T00:00:00Z`);
  const year = Number(today.slice(0, 4));
  const [month, day] = birthday.split('-').map(Number) as [number, number];
  // A day that a month does not have is the first of the next, as Date counts.
  const distances = [year - 1, year, year + 1].map((of) => Math.abs(Date.UTC(of, month - 1, day) - now) / DAY_MS);
  return Math.min(...distances);
}
