import { z } from 'zod';
import { LETTERS } from '~/core/limits';
import { MOST_MINOR } from '~/core/money';

const country = z.string().regex(/^[A-Z]{2}$/, 'must be a country such as DE');
const cost = z.number().int().min(0).max(MOST_MINOR);

const stepSchema = z.strictObject({
  /** Grams, or minor units of the goods, this price goes up to; null: without end. */
  upTo: z.number().int().min(1).max(MOST_MINOR).nullable(),
  amountMinor: cost,
});

const zoneSchema = z.strictObject({
  name: z.string().min(1).max(LETTERS.zoneName),
  position: z.number().int().min(0).max(100),
  countries: z.array(country).max(250),
  /** Working days, as shoppers read them: `2–3`. */
  days: z.string().max(LETTERS.deliveryDays),
  steps: z
    .array(stepSchema)
    .min(1)
    .max(12)
    .refine(
      (steps) => steps.every((step, i) => i === 0 || (step.upTo ?? Infinity) > (steps[i - 1]!.upTo ?? Infinity)),
      'must go up from step to step',
    ),
  /** Express delivery at a surcharge; null: none. */
  express: z.strictObject({ days: z.string().max(LETTERS.deliveryDays), extraMinor: cost }).nullable(),
});

export const deliverySchema = z.strictObject({
  /** The shop's country: used for promises until a shopper names theirs. */
  home: country,
  /** Who says what it costs: the carrier, or the table below by weight or by value of the goods. */
  by: z.enum(['carrier', 'weight', 'value']),
  zones: z.record(z.string().regex(/^[a-z0-9-]{1,40}$/), zoneSchema),
});

export type Delivery = z.infer<typeof deliverySchema>;
export type DeliveryZone = z.infer<typeof zoneSchema>;

/** The carrier's rates, from Germany. */
export const usualDelivery = (): Delivery => ({ home: 'DE', by: 'carrier', zones: {} });
