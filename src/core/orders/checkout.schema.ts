import { z } from 'zod';

/** Countries served, with their delivery zone and the shape of their postcodes. Made up for the demo shop. */
export const COUNTRIES = {
  AT: { name: 'Austria', zone: 1, postcode: /^\d{4}$/ },
  BE: { name: 'Belgium', zone: 1, postcode: /^\d{4}$/ },
  DE: { name: 'Germany', zone: 0, postcode: /^\d{5}$/ },
  DK: { name: 'Denmark', zone: 1, postcode: /^\d{4}$/ },
  FR: { name: 'France', zone: 1, postcode: /^\d{5}$/ },
  GB: { name: 'United Kingdom', zone: 2, postcode: /^[A-Z]{1,2}\d[A-Z\d]? ?\d[A-Z]{2}$/i },
  NL: { name: 'Netherlands', zone: 1, postcode: /^\d{4} ?[A-Z]{2}$/i },
  NO: { name: 'Norway', zone: 2, postcode: /^\d{4}$/ },
} as const;
export type CountryCode = keyof typeof COUNTRIES;

const text = (limit: number) => z.string().trim().max(limit);

/** What a shopper fills in. Missing and misshapen fields are reported by `checkCheckout`, with our wording. */
export const checkoutSchema = z.strictObject({
  email: text(200).default(''),
  name: text(120).default(''),
  line1: text(160).default(''),
  line2: text(160).default(''),
  postcode: text(20).default(''),
  city: text(120).default(''),
  country: text(2).default('DE'),
  delivery: text(20).default(''),
  cardNumber: z
    .string()
    .max(40)
    .transform((value) => value.replace(/[\s-]/g, ''))
    .default(''),
});
export type CheckoutForm = z.infer<typeof checkoutSchema>;
