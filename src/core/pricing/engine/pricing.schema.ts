import { z } from 'zod';
import { basisPoints, key, maybe, sum } from '../basis/fields';
import { lineSchema, type PricedLine } from '../basis/line';
import { pricedOfferSchema, type PricedOffer } from '../offers';

const MOST_LINES = 500;
const MOST_OFFERS = 500;

const day = z.iso.date();

const inputSchema = z.strictObject({
  lines: z.array(lineSchema).max(MOST_LINES),
  offers: z.array(pricedOfferSchema).max(MOST_OFFERS).default([]),
  codes: z.array(z.string().max(100)).max(50).default([]),
  at: z.iso.datetime({ offset: true }),
  /** The shop's day. */
  today: maybe(day),
  shopper: z.enum(['new', 'returning']).default('new'),
  country: maybe(z.string().length(2)),
  source: maybe(key),
  birthday: maybe(
    z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'must be a month and a day such as 02-29'),
  ),
  used: z
    .record(key, z.strictObject({ total: z.number().int().min(0), byShopper: z.number().int().min(0) }))
    .default({}),
  deliveryMinor: maybe(sum),
  deliveryMethod: maybe(key),
  tax: z.strictObject({ basisPoints, included: z.boolean() }),
});
/** Selections stay as written: two are told apart by it. */
const AS_WRITTEN: readonly string[] = ['selection', 'buy', 'get', 'counts'];

/** Absent and null mean the same: what is null is left out. */
function withoutNulls(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutNulls);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, own]) =>
      own === null ? [] : [[key, AS_WRITTEN.includes(key) ? own : withoutNulls(own)]],
    ),
  );
}

/** A cart to be priced, with all that its price hangs on. Sums in minor units. */
export const pricingInputSchema = z.preprocess(withoutNulls, inputSchema);
export type PricingInput = Omit<z.infer<typeof inputSchema>, 'lines' | 'offers'> & {
  readonly lines: readonly PricedLine[];
  readonly offers: readonly PricedOffer[];
};
