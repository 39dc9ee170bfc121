import { minor, type Minor } from './minor';

/** How prices are written: `1.234,50` (comma) or `1,234.50` (point). */
export type DecimalMark = 'comma' | 'point';

/**
 * Reads a price written by hand into minor units. Currency signs, codes and spaces are ignored; thousands marks must
 * stand where thousands stand. Returns null when the text is not such a price, is negative, or has more decimals than
 * the currency.
 */
export function parseAmount(text: string, mark: DecimalMark, exponent: number): Minor | null {
  const bare = text.replace(/[\s\u00a0\u202f']|[A-Z]{3}|\p{Sc}/gu, '');
  const thousands = mark === 'comma' ? '\\.' : ',';
  const decimal = mark === 'comma' ? ',' : '\\.';
  const match = new RegExp(`^(\\d{1,3}(?:${thousands}\\d{3})+|\\d+)(?:${decimal}(\\d+))?$`).exec(bare);
  if (!match) return null;
  const whole = match[1]!.replace(/[.,]/g, '');
  const fraction = (match[2] ?? '').replace(/0+$/, '');
  if (fraction.length > exponent) return null;
  const amount = Number(whole) * 10 ** exponent + Number(fraction.padEnd(exponent, '0') || 0);
  return Number.isSafeInteger(amount) ? minor(amount) : null;
}
