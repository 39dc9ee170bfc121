import { z } from 'zod';
import { routes } from '~/contract/route';
import { isCurrency } from '~/core/money';
import { isTimeZone } from '~/core/time';
import type { CurrencyPlan, ZonePlan } from '~/core/lane/grounds/ground-plans';
import { same } from '~/contract/tools';

export const currencyPlanSchema = same<CurrencyPlan>()(
  z.strictObject({
    from: z.string(),
    to: z.string(),
    products: z.number(),
    offers: z.number(),
    zones: z.number(),
    examples: z.array(
      z.strictObject({
        name: z.string(),
        fromMinor: z.number(),
        toMinor: z.number(),
      }),
    ),
    /** Paid orders, which keep the currency they were paid in. */
    orders: z.number(),
  }),
);

export const zonePlanSchema = same<ZonePlan>()(
  z.strictObject({
    from: z.string(),
    to: z.string(),
    /** The shop's day and time in both zones. */
    now: z.strictObject({
      before: z.string(),
      after: z.string(),
    }),
    /** Paid orders that are on another day then. */
    orders: z.number(),
    /** Offers that begin or end at a time of day: they keep it, and so begin or end at another moment. */
    offers: z.array(
      z.strictObject({
        name: z.string(),
        edge: z.enum(['from', 'until']),
        local: z.string(),
        before: z.string(),
        after: z.string(),
      }),
    ),
  }),
);

const currencyWish = z.strictObject({
  to: z.string().max(3).refine(isCurrency, 'must be a currency such as EUR'),
  /** So much of it a unit of the currency is that there is now; 1 keeps the numbers. */
  rate: z.coerce.number().positive().max(1_000_000).default(1),
});
export type CurrencyWish = z.infer<typeof currencyWish>;
const zoneWish = z.strictObject({
  to: z.string().max(60).refine(isTimeZone, 'must be a time zone such as Europe/Berlin'),
});
export type ZoneWish = z.infer<typeof zoneWish>;
/** Of the draft it is made on. */
const edit = z.number().int();
const edited = z.strictObject({ edit: z.number() });

export const groundRoutes = routes({
  'GET /api/studio/grounds/currency': {
    says: 'What a change of the currency would do.',
    role: 'owner',
    query: currencyWish,
    answer: currencyPlanSchema,
  },
  'POST /api/studio/grounds/currency': {
    says: 'Changes the currency, on the draft of an edit number.',
    role: 'owner',
    body: currencyWish.extend({ edit }),
    answer: edited,
  },
  'GET /api/studio/grounds/zone': {
    says: 'What a change of the time zone would do.',
    role: 'owner',
    query: zoneWish,
    answer: zonePlanSchema,
  },
  'POST /api/studio/grounds/zone': {
    says: 'Changes the time zone, on the draft of an edit number.',
    role: 'owner',
    body: zoneWish.extend({ edit }),
    answer: edited,
  },
});
