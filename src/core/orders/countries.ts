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

/** Where the shop itself is: what is promised before anybody has said where they live. */
export const HOME_COUNTRY: keyof typeof COUNTRIES = 'DE';

interface Country {
  readonly name: string;
  readonly zone: number;
  readonly postcode: RegExp;
}

const names = new Map<string, Intl.DisplayNames>();

/** A country as people call it in a language; its code where the language has no name for it. */
export function countryName(code: string, language: string): string {
  if (!/^[A-Z]{2}$/.test(code)) return code;
  // Made once a language: making one costs more than all else of a mail.
  let known = names.get(language);
  if (!known) names.set(language, (known = new Intl.DisplayNames([language], { type: 'region' })));
  return known.of(code) ?? code;
}

/** What is known of a country by its code (ISO 3166-1), as it came; undefined where nothing is sent. */
export function countryOf(code: string): Country | undefined {
  return own<Country>(COUNTRIES, code);
}
