import { z } from 'zod';

const text = (limit: number) => z.string().trim().max(limit);

/** What a shopper fills in. Missing and misshapen fields are reported by `checkCheckout`, with our wording. */
export const checkoutSchema = z.strictObject({
  email: text(200).default(''),
  name: text(120).default(''),
  line1: text(160).default(''),
  line2: text(160).default(''),
  postcode: text(20).default(''),
  city: text(120).default(''),
  country: text(2).default(''),
  delivery: text(20).default(''),
  cardNumber: z
    .string()
    .max(40)
    .transform((value) => value.replace(/[\s-]/g, ''))
    .default(''),
});
export type CheckoutForm = z.infer<typeof checkoutSchema>;
