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

/** An offer with what can be found out of it alone. */
interface KnownOffer {
  readonly offer: PricedOffer;
  readonly code: string | null;
  /** Milliseconds since 1970. */
  readonly from: number;
  readonly until: number;
}

const known = new WeakMap<readonly PricedOffer[], readonly KnownOffer[]>();

function knownOf(offers: readonly PricedOffer[]): readonly KnownOffer[] {
  let found = known.get(offers);
  if (!found) known.set(offers, (found = offers.map(know)));
  return found;
}

const know = (offer: PricedOffer): KnownOffer => ({
  offer,
  code: offer.when.code === null ? null : plainCode(offer.when.code),
  from: offer.when.from === null ? -Infinity : Date.parse(offer.when.from),
  until: offer.when.until === null ? Infinity : Date.parse(offer.when.until),
});

/** Said by itself each is the same for every offer. */
const PLAIN = Object.fromEntries(
  (
    [
      ...['off', 'needs-code', 'not-started', 'ended', 'wrong-shopper', 'not-birthday', 'used-up'],
      ...['wrong-country', 'wrong-source'],
    ] as PlainCode[]
  ).map((code) => [code, Object.freeze({ code })]),
) as Readonly<Record<PlainCode, Refusal>>;

/** Of every offer, in order, whether it is able. `tell` hears why not; null: it is. The offers of one array are looked through once. */
export function judgeOffers(input: PricingInput, tell: (offer: PricedOffer, refusal: Refusal | null) => void): void {
  const at = Date.parse(input.at);
  const codes = input.codes.map(plainCode);
  for (const one of knownOf(input.offers)) tell(one.offer, judge(one, input, at, codes));
}

/** Whether an offer is able; null: it is. */
export const refusalOf = (offer: PricedOffer, input: PricingInput): Refusal | null =>
  judge(know(offer), input, Date.parse(input.at), input.codes.map(plainCode));

function judge(
  { offer, code, from, until }: KnownOffer,
  input: PricingInput,
  at: number,
  codes: readonly string[],
): Refusal | null {
  const { when, limits } = offer;
  if (!offer.on) return PLAIN.off;
  if (code !== null && !codes.includes(code)) return PLAIN['needs-code'];
  if (at < from) return PLAIN['not-started'];
  if (at >= until) return PLAIN.ended;
  if (when.shopper !== 'any' && when.shopper !== input.shopper) return PLAIN['wrong-shopper'];
  if (when.birthdayDays !== null) {
    const today = input.today ?? new Date(at).toISOString().slice(0, 10);
    if (input.birthday === null || daysToBirthday(today, input.birthday) > when.birthdayDays)
      return PLAIN['not-birthday'];
  }
  const used = input.used[offer.id];
  if (
    used &&
    ((limits.total !== null && used.total >= limits.total) ||
      (limits.perShopper !== null && used.byShopper >= limits.perShopper))
  )
    return PLAIN['used-up'];
  if (when.countries.length > 0 && !when.countries.includes(input.country ?? '')) return PLAIN['wrong-country'];
  if (when.sources.length > 0 && !when.sources.includes(input.source ?? '')) return PLAIN['wrong-source'];
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
