import { currencyOf, usualSum } from '~/core/money';
import { countryName, countryOf } from '~/core/delivery/countries';
import type { Delivery } from '~/core/delivery/delivery.schema';
import { convertLane } from './convert-currency';
import type { Lane } from '../document/lane.schema';

/** What shops in a country usually begin with: its currency, its standard tax in basis points, and whether prices hold it. */
interface Place {
  readonly currency: string;
  readonly taxBasisPoints: number;
  readonly isIncluded: boolean;
}

/** Standard rates of value added tax; where there are others, or taxes of states on top, the owner says so. */
const INCLUDED: Readonly<Record<string, readonly [currency: string, percent: number]>> = {
  AE: ['AED', 5],
  AR: ['ARS', 21],
  AT: ['EUR', 20],
  AU: ['AUD', 10],
  BD: ['BDT', 15],
  BE: ['EUR', 21],
  BG: ['EUR', 20],
  BH: ['BHD', 10],
  BR: ['BRL', 0],
  CH: ['CHF', 8.1],
  CL: ['CLP', 19],
  CN: ['CNY', 13],
  CO: ['COP', 19],
  CY: ['EUR', 19],
  CZ: ['CZK', 21],
  DE: ['EUR', 19],
  DK: ['DKK', 25],
  EE: ['EUR', 24],
  EG: ['EGP', 14],
  ES: ['EUR', 21],
  FI: ['EUR', 25.5],
  FR: ['EUR', 20],
  GB: ['GBP', 20],
  GR: ['EUR', 24],
  HK: ['HKD', 0],
  HR: ['EUR', 25],
  HU: ['HUF', 27],
  ID: ['IDR', 11],
  IE: ['EUR', 23],
  IL: ['ILS', 18],
  IN: ['INR', 18],
  IS: ['ISK', 24],
  IT: ['EUR', 22],
  JO: ['JOD', 16],
  JP: ['JPY', 10],
  KE: ['KES', 16],
  KR: ['KRW', 10],
  KW: ['KWD', 0],
  LI: ['CHF', 8.1],
  LT: ['EUR', 21],
  LU: ['EUR', 17],
  LV: ['EUR', 21],
  MA: ['MAD', 20],
  MT: ['EUR', 18],
  MX: ['MXN', 16],
  MY: ['MYR', 10],
  NG: ['NGN', 7.5],
  NL: ['EUR', 21],
  NO: ['NOK', 25],
  NZ: ['NZD', 15],
  OM: ['OMR', 5],
  PE: ['PEN', 18],
  PH: ['PHP', 12],
  PK: ['PKR', 18],
  PL: ['PLN', 23],
  PT: ['EUR', 23],
  QA: ['QAR', 0],
  RO: ['RON', 21],
  RS: ['RSD', 20],
  SA: ['SAR', 15],
  SE: ['SEK', 25],
  SG: ['SGD', 9],
  SI: ['EUR', 22],
  SK: ['EUR', 23],
  TH: ['THB', 7],
  TN: ['TND', 19],
  TR: ['TRY', 20],
  TW: ['TWD', 5],
  UA: ['UAH', 20],
  VN: ['VND', 10],
  ZA: ['ZAR', 15],
};
/** Where prices are written without tax. */
const ON_TOP: Readonly<Record<string, readonly [currency: string, percent: number]>> = {
  CA: ['CAD', 5],
  US: ['USD', 0],
};

/** In countries with several zones, the one most people live in. */
const ZONES: Readonly<Record<string, string>> = {
  AR: 'America/Argentina/Buenos_Aires',
  AU: 'Australia/Sydney',
  BR: 'America/Sao_Paulo',
  CA: 'America/Toronto',
  CL: 'America/Santiago',
  CN: 'Asia/Shanghai',
  DE: 'Europe/Berlin',
  ES: 'Europe/Madrid',
  ID: 'Asia/Jakarta',
  MX: 'America/Mexico_City',
  MY: 'Asia/Kuala_Lumpur',
  NZ: 'Pacific/Auckland',
  PT: 'Europe/Lisbon',
  UA: 'Europe/Kyiv',
  US: 'America/New_York',
  GB: 'Europe/London',
  CY: 'Asia/Nicosia',
  PE: 'America/Lima',
};

/** Languages a shop can speak, the most read ones; words ship in English, German and Arabic. */
export const LANGUAGES = [
  'en',
  'de',
  'ar',
  'bg',
  'bn',
  'cs',
  'da',
  'el',
  'es',
  'et',
  'fi',
  'fr',
  'he',
  'hi',
  'hr',
  'hu',
  'id',
  'it',
  'ja',
  'ko',
  'lt',
  'lv',
  'nl',
  'no',
  'pl',
  'pt',
  'ro',
  'ru',
  'sk',
  'sl',
  'sv',
  'sw',
  'th',
  'tr',
  'uk',
  'ur',
  'vi',
  'zh',
] as const;

function placeOf(country: string): Place | null {
  const [found, isIncluded] = INCLUDED[country] ? [INCLUDED[country], true] : [ON_TOP[country], false];
  return found ? { currency: found[0], taxBasisPoints: Math.round(found[1] * 100), isIncluded } : null;
}

/** The zone of a country's clocks; null where nobody can say which of several. */
function zoneIn(country: string): string | null {
  const locale = new Intl.Locale(`und-${country}`) as Intl.Locale & {
    readonly timeZones?: readonly string[];
    getTimeZones?(): readonly string[] | undefined;
  };
  const zones = locale.getTimeZones?.() ?? locale.timeZones ?? [];
  return ZONES[country] ?? (zones.length === 1 ? zones[0]! : null);
}

/** How delivery begins: the carrier's rates where it goes, else one price for the country the shop is in. */
function deliveryIn(country: string, currency: string): Delivery {
  if (countryOf(country)) return { home: country, by: 'carrier', zones: {} };
  const amountMinor = usualSum(5, currencyOf(currency));
  const home = { name: countryName(country, 'en'), position: 0, countries: [country], days: '2–3', express: null };
  return { home: country, by: 'weight', zones: { 'zone-1': { ...home, steps: [{ upTo: null, amountMinor }] } } };
}

/** The locale sums and days are written in: the shop's first language as it is written where the shop is. */
export const localeOf = ({ languages, delivery }: Pick<Lane['shop'], 'languages' | 'delivery'>): string =>
  `${languages[0]}-${delivery.home}`;

/**
 * Moves a shop that is not open yet to a country: what it begins with is what shops there begin with, where the owner has not said
 * anything else. `isPriced`: there are prices, whose currency is changed in a step of its own.
 */
export function moveToCountry(lane: Lane, country: string, isPriced: boolean): Lane {
  const place = placeOf(country);
  const before = placeOf(lane.shop.delivery.home);
  const currency = isPriced ? lane.shop.currency : (place?.currency ?? lane.shop.currency);
  const moved = convertLane(lane, { from: lane.shop.currency, to: currency, rate: 1 });
  const { tax } = lane.shop;
  const isUntouched =
    before === null || (tax.basisPoints === before.taxBasisPoints && tax.included === before.isIncluded);
  const isBegun = isDelivery(lane.shop.delivery, lane.shop.currency);
  const shop: Lane['shop'] = {
    ...moved.shop,
    timeZone: zoneIn(country) ?? lane.shop.timeZone,
    tax:
      place && isUntouched && Object.keys(tax.rates).length === 0
        ? { ...tax, basisPoints: place.taxBasisPoints, included: place.isIncluded }
        : tax,
    delivery: isBegun ? deliveryIn(country, currency) : { ...moved.shop.delivery, home: country },
  };
  return { ...moved, shop: { ...shop, locale: localeOf(shop) } };
}

/** Whether delivery is still as a shop in its country begins with. */
function isDelivery(delivery: Delivery, currency: string): boolean {
  return JSON.stringify(delivery) === JSON.stringify(deliveryIn(delivery.home, currency));
}
