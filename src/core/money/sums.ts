import { minor, type Minor } from './minor';

/** How prices are written: `1.234,50` (comma) or `1,234.50` (point). */
export type DecimalMark = 'comma' | 'point';

/** The most a sum can be, in minor units: the same wherever one is typed, stored or priced. */
export const MOST_MINOR = 10_000_000_000;

const marks = new Map<string, DecimalMark>();

/** The mark before decimals where people write like this (CLDR, through Intl); `locale` is BCP 47. */
export function decimalMarkOf(locale: string): DecimalMark {
  let mark = marks.get(locale);
  if (!mark) {
    const parts = new Intl.NumberFormat(locale, { numberingSystem: 'latn' }).formatToParts(1.5);
    mark = parts.some(({ type, value }) => type === 'decimal' && value === ',') ? 'comma' : 'point';
    marks.set(locale, mark);
  }
  return mark;
}

/** How a person writes sums of a currency. */
export interface SumStyle {
  readonly exponent: number;
  readonly mark: DecimalMark;
}

/** Minor units as they stand in a field: every decimal of the currency, nothing between thousands, no sign of the currency. */
export function writeSum(amountMinor: number, { exponent, mark }: SumStyle): string {
  const digits = String(Math.abs(amountMinor)).padStart(exponent + 1, '0');
  const whole = digits.slice(0, digits.length - exponent);
  const sign = amountMinor < 0 ? '−' : '';
  return exponent === 0 ? sign + whole : `${sign}${whole}${mark === 'comma' ? ',' : '.'}${digits.slice(-exponent)}`;
}

export type ReadSum =
  | { readonly kind: 'sum'; readonly amountMinor: Minor }
  /** It can be read in two ways, which are those. */
  | { readonly kind: 'unclear'; readonly readings: readonly [Minor, Minor] }
  /** No number, below 0, with more decimals than the currency has, or more than `MOST_MINOR`. */
  | { readonly kind: 'no-number' | 'negative' | 'too-exact' | 'too-large' };

/**
 * Reads a sum as a person writes it. Signs and codes of currencies, spaces and marks of direction count for nothing; digits may be
 * Arabic. Thousands marks must stand where thousands (or lakhs) stand. What is written the other way round is read where it can
 * mean one thing only (`1.234,50`); what can mean two (`12,500` of a currency with three decimals) is never guessed.
 */
export function readSum(text: string, { exponent, mark }: SumStyle): ReadSum {
  const bare = bareOf(text);
  if (/^[-−–]/.test(bare)) {
    const read = readSum(bare.slice(1), { exponent, mark });
    return read.kind === 'sum' && read.amountMinor === 0 ? read : { kind: 'negative' };
  }
  const hasArabicMarks = /[٫٬]/.test(bare);
  const plain = bare.replaceAll('٬', ',').replaceAll('٫', '.');
  const [mine, theirs] = hasArabicMarks
    ? [parse(plain, '.'), null]
    : mark === 'point'
      ? [parse(plain, '.'), parse(plain, ',')]
      : [parse(plain, ','), parse(plain, '.')];
  if (!mine && !theirs) return { kind: 'no-number' };
  const fits = (read: Written) => read.fraction.length <= exponent;
  const sum = (read: Written) => amountOf(read, exponent);
  if (mine && fits(mine)) {
    const isUsual = mine.fraction.length === exponent;
    return theirs && fits(theirs) && !isUsual ? oneOf(sum(mine), sum(theirs)) : oneOf(sum(mine));
  }
  if (theirs && fits(theirs)) return mine ? oneOf(sum(mine), sum(theirs)) : oneOf(sum(theirs));
  const exact = [mine, theirs].filter((read) => read && read.fraction.replace(/0+$/, '').length <= exponent);
  return exact.length === 1 ? oneOf(sum(exact[0]!)) : { kind: 'too-exact' };
}

/**
 * Reads a price of a file of which it is known how it writes decimals. Null when the text is no such price, is negative, or has
 * more decimals than the currency.
 */
export function parseAmount(text: string, { exponent, mark }: SumStyle): Minor | null {
  const read = parse(bareOf(text), mark === 'comma' ? ',' : '.');
  if (!read || read.fraction.replace(/0+$/, '').length > exponent) return null;
  const amount = amountOf(read, exponent);
  return amount <= MOST_MINOR ? minor(amount) : null;
}

/** As `readSum`, of a sum that may be below 0. */
export function readSignedSum(text: string, style: SumStyle): ReadSum {
  const bare = bareOf(text);
  if (!/^[-−–]/.test(bare)) return readSum(text, style);
  const read = readSum(bare.slice(1), style);
  const below = (amount: Minor) => minor(0 - amount);
  if (read.kind === 'sum') return { kind: 'sum', amountMinor: below(read.amountMinor) };
  if (read.kind !== 'unclear') return read;
  return { kind: 'unclear', readings: [below(read.readings[0]), below(read.readings[1])] };
}

/** A text without what counts for nothing in a sum. */
function bareOf(text: string): string {
  return text
    .replace(/[٠-٩]/g, (digit) => String(digit.charCodeAt(0) - 0x660))
    .replace(/[۰-۹]/g, (digit) => String(digit.charCodeAt(0) - 0x6f0))
    .replace(/\p{Sc}|\p{Cf}|[\s'’]/gu, '')
    .replace(/^([-−–]?)\p{L}[\p{L}\p{M}.]*/u, '$1')
    .replace(/\p{L}[\p{L}\p{M}.]*$/u, '');
}

interface Written {
  readonly whole: string;
  /** Its decimals as they were written. */
  readonly fraction: string;
}

function parse(bare: string, decimal: '.' | ','): Written | null {
  const [d, g] = decimal === '.' ? ['\\.', ','] : [',', '\\.'];
  const match = new RegExp(`^(\\d{1,3}(?:${g}\\d{2,3})*${g}\\d{3}|\\d*)(?:${d}(\\d+))?$`).exec(bare);
  if (!match || bare === '') return null;
  return { whole: match[1]!.replace(/[.,]/g, '') || '0', fraction: match[2] ?? '' };
}

/** In minor units, rounded. */
function amountOf({ whole, fraction }: Written, exponent: number): number {
  const kept = Number(`${whole}${fraction.slice(0, exponent).padEnd(exponent, '0')}`);
  return kept + (Number(fraction[exponent] ?? 0) >= 5 ? 1 : 0);
}

function oneOf(amount: number, other = amount): ReadSum {
  if (amount > MOST_MINOR || other > MOST_MINOR) return { kind: 'too-large' };
  if (amount === other) return { kind: 'sum', amountMinor: minor(amount) };
  return { kind: 'unclear', readings: [minor(amount), minor(other)] };
}
