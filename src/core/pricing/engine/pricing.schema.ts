import { z } from 'zod';
import { MOST_MINOR } from '~/core/money';

const MOST_LINES = 500;
const MOST_OFFERS = 500;

const key = z.string().min(1).max(120);
const sum = z.number().int().min(0).max(MOST_MINOR);
const count = z.number().int().min(1).max(10_000);
const basisPoints = z.number().int().min(0).max(10_000);
const names = z.array(key).max(500);
/** Absent and null mean the same. */
const maybe = <T extends z.ZodType>(type: T) => type.nullable().default(null);

const named = z.strictObject({
  products: names.nullish(),
  variants: names.nullish(),
  categories: names.nullish(),
  tags: names.nullish(),
});

/** Which lines an offer is about; null and `{}`: all. */
export const selectionSchema = maybe(
  z.strictObject({ only: named.nullish(), except: named.nullish() }).meta({ id: 'LineSelection' }),
);
export type LineSelection = z.infer<typeof selectionSchema>;

const when = z.strictObject({
  code: maybe(z.string().trim().min(1).max(60)),
  /** `code` is what a list of codes begins with, of which each works once; which stand in the list is not said here. */
  isOneTime: z.boolean().default(false),
  /** Instants (ISO 8601): `from` counts, `until` no longer does. */
  from: maybe(z.iso.datetime({ offset: true })),
  until: maybe(z.iso.datetime({ offset: true })),
  shopper: z.enum(['any', 'new', 'returning']).default('any'),
  birthdayDays: maybe(z.number().int().min(0).max(183)),
  countries: z.array(z.string().length(2)).max(300).default([]),
  sources: z.array(key).max(100).default([]),
  minGoodsMinor: maybe(sum),
  minQuantity: maybe(count),
  /** The lines that the two are measured on. */
  counts: selectionSchema,
});

/** What every offer has, of whatever kind. */
const shared = {
  name: z.string().trim().max(80).default(''),
  on: z.boolean().default(true),
  /** Whether shoppers are told of it in the cart while it does not count yet: its code, or how much it lacks. */
  told: z.boolean().default(false),
  rank: z.number().int().min(-1000).max(1000).default(0),
  when: when.prefault({}),
  combine: z
    .strictObject({
      group: maybe(key),
      /** Of one group an item is lowered by one offer, or an order by one. */
      per: z.enum(['item', 'order']).default('order'),
      alone: z.boolean().default(false),
    })
    .prefault({}),
  limits: z.strictObject({ total: maybe(count), perShopper: maybe(count) }).prefault({}),
};

const target = { target: z.enum(['lines', 'order']), selection: selectionSchema, maxMinor: maybe(sum) };
const breakSchema = z.union([
  z.strictObject({ from: count, basisPoints }),
  z.strictObject({ from: count, unitMinor: sum }),
]);
type Break = z.infer<typeof breakSchema>;

/** Whoever takes more must not pay more for each: breaks of one sort fall, and none stands twice. */
function breaksFall(breaks: readonly Break[]): boolean {
  const rising = [...breaks].sort((a, b) => a.from - b.from);
  return rising.every((step, i) => {
    const before = rising[i - 1];
    if (!before) return true;
    if (before.from === step.from) return false;
    if ('unitMinor' in step) return !('unitMinor' in before) || step.unitMinor <= before.unitMinor;
    return !('basisPoints' in before) || step.basisPoints >= before.basisPoints;
  });
}

/** Every kind of offer; `own` is what else each holds. */
function offerKinds<Own extends z.ZodRawShape>(own: Own) {
  const base = { ...own, ...shared };
  return z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('percentOff'), ...base, ...target, basisPoints }),
    z.strictObject({ kind: z.literal('amountOff'), ...base, ...target, amountMinor: sum }),
    z.strictObject({ kind: z.literal('priceIs'), ...base, selection: selectionSchema, unitMinor: sum }),
    z.strictObject({
      kind: z.literal('quantityBreaks'),
      ...base,
      selection: selectionSchema,
      count: z.enum(['line', 'selection']).default('line'),
      breaks: z
        .array(breakSchema)
        .min(1)
        .max(20)
        .refine(breaksFall, 'must get better with more: a larger quantity may not cost more each, nor stand twice'),
    }),
    z.strictObject({
      kind: z.literal('buyGet'),
      ...base,
      buy: selectionSchema,
      get: selectionSchema,
      buyQuantity: count,
      getQuantity: count,
      basisPoints,
      choose: z.enum(['cheapest', 'dearest']).default('cheapest'),
      most: maybe(count),
    }),
    z.strictObject({
      kind: z.literal('bundle'),
      ...base,
      items: z
        .array(z.strictObject({ selection: selectionSchema, quantity: count }))
        .min(1)
        .max(10),
      priceMinor: sum,
      most: maybe(count),
    }),
    z.strictObject({
      kind: z.literal('deliveryOff'),
      ...base,
      methods: z.array(key).max(20).default([]),
      basisPoints: basisPoints.optional(),
      amountMinor: sum.optional(),
      flatMinor: sum.optional(),
    }),
    z.strictObject({ kind: z.literal('gift'), ...base, variant: key, quantity: count }),
  ]);
}

/** An offer as a lane holds it, under its id. */
export const offerSchema = offerKinds({});
export type Offer = z.infer<typeof offerSchema>;
export type OfferKind = Offer['kind'];

const pricedOfferSchema = offerKinds({ id: key });
export type PricedOffer = z.infer<typeof pricedOfferSchema>;

const lineSchema = z.strictObject({
  id: key,
  product: key,
  variant: key,
  categories: names.default([]),
  tags: names.default([]),
  quantity: z.number().int().min(1).max(10_000),
  unitMinor: sum,
  unitOptionsMinor: z.number().int().min(-MOST_MINOR).max(MOST_MINOR).default(0),
  onceOptionsMinor: sum.default(0),
  taxBasisPoints: maybe(basisPoints),
});
export type PricedLine = z.infer<typeof lineSchema>;

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
export type PricingInput = z.infer<typeof inputSchema>;
