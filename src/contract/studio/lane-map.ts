import { z } from 'zod';
import { routes } from '~/contract/route';
import { DEVICES } from '~/core/where/where.schema';
import type { Funnel, FunnelStretch } from '~/core/funnel/count-funnel';
import type { Loss } from '~/core/funnel/size-losses';
import { same } from '~/contract/tools';

export const funnelStretchSchema = same<FunnelStretch>()(
  z.strictObject({
    stretch: z.enum(['cart', 'add', 'look', 'browse', 'pay', 'after']),
    sessions: z.number(),
    /** Part of all sessions that got here, 0 to 1. */
    share: z.number(),
    /** Sessions whose furthest stretch this was. After: those who ordered. */
    left: z.number(),
    /** Part of those here that went on, 0 to 1; null on the last stretch or when nobody was here. */
    goOn: z.number().nullable(),
  }),
);

export const funnelSchema = same<Funnel>()(
  z.strictObject({
    sessions: z.number(),
    orders: z.number(),
    revenueMinor: z.number(),
    /** Orders whose sums are in none of the figures: they were paid in another currency. */
    foreignOrders: z.number(),
    stretches: z.array(funnelStretchSchema),
  }),
);

export const lossSchema = same<Loss>()(
  z.strictObject({
    device: z.enum(['phone', 'tablet', 'desktop']),
    from: z.enum(['cart', 'add', 'look', 'browse', 'pay', 'after']),
    to: z.enum(['cart', 'add', 'look', 'browse', 'pay', 'after']),
    goOn: z.number(),
    bestDevice: z.enum(['phone', 'tablet', 'desktop']),
    bestGoOn: z.number(),
    sessions: z.number(),
    /** Sessions more that would go on at the best device's rate. */
    extraSessions: z.number(),
    /** Those sessions times what a session of this device that got to `to` spends on average, per 30 days. */
    monthlyMinor: z.number(),
  }),
);

export const laneMapSchema = z.strictObject({
  query: z.strictObject({
    days: z.union([z.literal(7), z.literal(90), z.literal(28)]),
    device: z.enum(['phone', 'tablet', 'desktop']).optional(),
    source: z.string().optional(),
  }),
  fromDay: z.string(),
  toDay: z.string(),
  funnel: funnelSchema,
  before: funnelSchema,
  /** What one more in a hundred going on is worth in 30 days, per stretch. */
  pointMinor: z.array(z.number().nullable()),
  losses: z.array(lossSchema),
  days: z.array(
    z.strictObject({
      day: z.string(),
      sessions: z.number(),
      orders: z.number(),
    }),
  ),
  /** What was published on these days. */
  publications: z.array(
    z.strictObject({
      day: z.string(),
      revision: z.number(),
    }),
  ),
  /** Visits left out of all figures; `ownDepth`: how far the owner's own went, 0 where there was none. */
  excluded: z.strictObject({
    bots: z.number(),
    owner: z.number(),
    ownDepth: z.number(),
  }),
  orders: z.strictObject({
    all: z.number(),
    withoutVisit: z.number(),
  }),
  /** Visits in which each piece was used, by piece id. */
  pieceUse: z.record(z.string(), z.number()),
  sources: z.array(z.string()),
});
export type LaneMap = z.infer<typeof laneMapSchema>;

export const laneMapQuerySchema = z.strictObject({
  device: z.enum(DEVICES).optional(),
  source: z.string().max(60).optional(),
  days: z.coerce
    .number()
    .pipe(z.union([z.literal(7), z.literal(28), z.literal(90)]))
    .default(28),
});
export type LaneMapQuery = z.infer<typeof laneMapQuerySchema>;

export const laneMapRoutes = routes({
  'GET /api/studio/lane-map': {
    says: 'Where visits go on and where they end.',
    role: 'viewer',
    query: laneMapQuerySchema,
    answer: laneMapSchema,
  },
});
