import { z } from 'zod';

/** Any rule that changes a price. Discriminated by `kind`; each kind is applied in `price-cart.ts`. */
export const offerSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('freeShipping'),
    id: z.string().min(1).max(60),
    name: z.string().min(1).max(80),
    on: z.boolean(),
    thresholdMinor: z.number().int().min(0).max(100_000_000),
  }),
]);

export type Offer = z.infer<typeof offerSchema>;
