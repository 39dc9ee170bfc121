import { fits } from './selection';
import type { PricedLine, PricedOffer, PricingInput } from './pricing.schema';

/** Why an offer does not count, whatever else there is; the first that holds. */
export type Refusal =
  | {
      readonly code:
        | 'off'
        | 'needs-code'
        | 'not-started'
        | 'ended'
        | 'wrong-shopper'
        | 'not-birthday'
        | 'used-up'
        | 'wrong-country'
        | 'wrong-source';
    }
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

const hasTimes = ({ when }: PricedOffer) => when.from !== null || when.until !== null || when.birthdayDays !== null;

function hasCode({ codes }: PricingInput, wanted: string): boolean {
  return codes.length > 0 && codes.some((typed) => plainCode(typed) === plainCode(wanted));
}

/** Whether an offer is able; null: it is. */
export function refusalOf(offer: PricedOffer, input: PricingInput): Refusal | null {
  const { when, limits } = offer;
  if (!offer.on) return { code: 'off' };
  if (when.code !== null && !hasCode(input, when.code)) return { code: 'needs-code' };
  const at = hasTimes(offer) ? Date.parse(input.at) : 0;
  if (when.from !== null && at < Date.parse(when.from)) return { code: 'not-started' };
  if (when.until !== null && at >= Date.parse(when.until)) return { code: 'ended' };
  if (when.shopper !== 'any' && when.shopper !== input.shopper) return { code: 'wrong-shopper' };
  if (when.birthdayDays !== null) {
    const today = input.today ?? new Date(at).toISOString().slice(0, 10);
    if (input.birthday === null || daysToBirthday(today, input.birthday) > when.birthdayDays)
      return { code: 'not-birthday' };
  }
  const used = input.used[offer.id];
  if (
    used &&
    ((limits.total !== null && used.total >= limits.total) ||
      (limits.perShopper !== null && used.byShopper >= limits.perShopper))
  )
    return { code: 'used-up' };
  if (when.countries.length > 0 && !when.countries.includes(input.country ?? '')) return { code: 'wrong-country' };
  if (when.sources.length > 0 && !when.sources.includes(input.source ?? '')) return { code: 'wrong-source' };
  return needs(offer, input.lines);
}

function needs({ when }: PricedOffer, lines: readonly PricedLine[]): Refusal | null {
  if (when.minGoodsMinor === null && when.minQuantity === null) return null;
  const counted = lines.filter((line) => fits(line, when.counts));
  const goods = counted.reduce((sum, line) => sum + fullPrice(line), 0);
  if (when.minGoodsMinor !== null && goods < when.minGoodsMinor)
    return { code: 'needs-more', missingMinor: when.minGoodsMinor - goods };
  const quantity = counted.reduce((sum, line) => sum + line.quantity, 0);
  return when.minQuantity !== null && quantity < when.minQuantity
    ? { code: 'needs-items', missing: when.minQuantity - quantity }
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
