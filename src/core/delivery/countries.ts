import { own } from '~/core/own';

/** Countries the carrier serves, with its zone and the shape of their postcodes. */
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

const names = new Map<string, Intl.DisplayNames>();

/** A country as people call it in a language; its code where the language has no name for it. */
export function countryName(code: string, language: string): string {
  if (!/^[A-Z]{2}$/.test(code)) return code;
  // Made once a language: making one costs more than all else of a mail.
  let known = names.get(language);
  if (!known) names.set(language, (known = new Intl.DisplayNames([language], { type: 'region' })));
  return known.of(code) ?? code;
}

/** A country by its code (ISO 3166-1) from outside; undefined when the carrier does not deliver there. */
export function countryOf(code: string): Country | undefined {
  return own<Country>(COUNTRIES, code);
}

/** Postcodes of countries whose own shape is not known here: letters, digits, spaces and dashes. */
const ANY_POSTCODE = /^[A-Z\d][A-Z\d -]{1,11}$/i;

/** Whether a postcode is written as one of this country. */
export function isPostcode(country: string, postcode: string): boolean {
  // On letters a country stands before the postcode: “D-10115”.
  const plain = postcode.replace(/^[A-Z]{1,2}\s*[-\s]\s*/i, '');
  const shape = countryOf(country)?.postcode ?? ANY_POSTCODE;
  return shape.test(postcode) || shape.test(plain);
}

/** Every country there is (ISO 3166-1 alpha-2). */
export const ALL_COUNTRIES =
  'AD AE AF AG AI AL AM AO AR AS AT AU AW AX AZ BA BB BD BE BF BG BH BI BJ BL BM BN BO BQ BR BS BT BW BY BZ CA CC CD CF CG CH CI CK CL CM CN CO CR CU CV CW CX CY CZ DE DJ DK DM DO DZ EC EE EG EH ER ES ET FI FJ FK FM FO FR GA GB GD GE GF GG GH GI GL GM GN GP GQ GR GT GU GW GY HK HN HR HT HU ID IE IL IM IN IO IQ IR IS IT JE JM JO JP KE KG KH KI KM KN KP KR KW KY KZ LA LB LC LI LK LR LS LT LU LV LY MA MC MD ME MF MG MH MK ML MM MN MO MP MQ MR MS MT MU MV MW MX MY MZ NA NC NE NF NG NI NL NO NP NR NU NZ OM PA PE PF PG PH PK PL PM PN PR PS PT PW PY QA RE RO RS RU RW SA SB SC SD SE SG SH SI SJ SK SL SM SN SO SR SS ST SV SX SY SZ TC TD TG TH TJ TK TL TM TN TO TR TT TV TW TZ UA UG US UY UZ VA VC VE VG VI VN VU WF WS YE YT ZA ZM ZW'.split(
    ' ',
  );
