import { z } from 'zod';
import { minor } from '~/core/money';
import type { PriceStep } from './price-line';

/** Of how receipts are kept. */
const STEPS_VERSION = 2;

export interface StoredSteps {
  readonly version: typeof STEPS_VERSION;
  readonly steps: readonly PriceStep[];
}

const amountMinor = z.number().int().transform(minor);
const text = z.string().max(200);
const shared = [
  z.object({ code: z.literal('list-price'), amountMinor, quantity: z.number().int(), unitMinor: amountMinor }),
  z.object({
    code: z.literal('option'),
    amountMinor,
    key: text,
    label: text,
    per: z.enum(['unit', 'once']),
    eachMinor: amountMinor,
  }),
  z.object({ code: z.literal('floor'), amountMinor }),
  z.object({ code: z.literal('delivery'), amountMinor }),
  z.object({ code: z.enum(['tax-included', 'tax-on-top']), amountMinor, basisPoints: z.number().int() }),
] as const;

const now = z.discriminatedUnion('code', [
  ...shared,
  z.object({ code: z.literal('gift'), amountMinor, offerId: text, name: text, valueMinor: amountMinor }),
  z.object({
    code: z.literal('offer'),
    amountMinor,
    offerId: text,
    name: text,
    coupon: text.nullable(),
    // Not told before offers on the order stood apart.
    isOfOrder: z.boolean().default(false),
  }),
]);
/** Before offers were one kind of step, codes and free delivery had steps of their own. */
const before = z.discriminatedUnion('code', [
  ...shared,
  z.object({ code: z.literal('coupon'), amountMinor, offerId: text, coupon: text }),
  z.object({ code: z.literal('free-delivery'), amountMinor, offerId: text }),
]);
/** Demo shops were once seeded with the steps of today as a bare list. */
const stored = z.union([
  z.object({ version: z.literal(STEPS_VERSION), steps: z.array(now) }),
  z.array(z.union([now, before])),
]);

export function storeSteps(steps: readonly PriceStep[]): StoredSteps {
  return { version: STEPS_VERSION, steps };
}

/** The steps of a receipt that was kept, of whatever version. Throws what Zod throws on what is no receipt. */
export function readSteps(kept: unknown): PriceStep[] {
  const read = stored.parse(kept);
  if (!Array.isArray(read)) return read.steps;
  return read.map((step): PriceStep => {
    if (step.code === 'coupon') return { ...step, code: 'offer', name: step.coupon, isOfOrder: false };
    if (step.code === 'free-delivery')
      return { ...step, code: 'offer', name: 'Free delivery', coupon: null, isOfOrder: false };
    return step;
  });
}
