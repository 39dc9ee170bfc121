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
