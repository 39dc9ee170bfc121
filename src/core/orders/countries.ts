import { own } from '~/core/own';

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

interface Country {
  readonly name: string;
  readonly zone: number;
  readonly postcode: RegExp;
}

/** What is known of a country by its code (ISO 3166-1), as it came; undefined where nothing is sent. */
export function countryOf(code: string): Country | undefined {
  return own<Country>(COUNTRIES, code);
}
