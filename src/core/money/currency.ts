/** ISO 4217 code with its exponent: how many decimals the minor unit stands for. */
export interface Currency {
  readonly code: string;
  readonly exponent: number;
}

/** The exponent comes from CLDR through Intl. An unknown code throws a RangeError, as Intl does. */
export function currencyOf(code: string): Currency {
  const { maximumFractionDigits } = new Intl.NumberFormat('en', {
    style: 'currency',
    currency: code,
  }).resolvedOptions();
  return { code, exponent: maximumFractionDigits ?? 2 };
}

let codes: ReadonlySet<string> | null = null;

/** Whether a code is a currency that sums can be written in (ISO 4217, as far as Intl knows it). */
export function isCurrency(code: string): boolean {
  return (codes ??= new Set(Intl.supportedValuesOf('currency'))).has(code);
}

/** Whether sums and days can be written for a locale (BCP 47). */
export function isLocale(locale: string): boolean {
  try {
    return Intl.NumberFormat.supportedLocalesOf(locale).length > 0;
  } catch {
    return false;
  }
}

const formats = new Map<string, Intl.NumberFormat>();

/** Marks that a text reads in a direction of its own (Unicode, UAX #9): left to right, right to left, and the end of it. */
const [LEFT, RIGHT, END] = ['\u2066', '\u2067', '\u2069'];

/**
 * Minor units as a shopper reads them, e.g. `€64.00`; `locale` is BCP 47. There is one minus sign, and where people write from right
 * to left a sum is set apart from the text around it, which would tear “JP¥” apart.
 */
export function formatMoney(amountMinor: number, currency: Currency, locale: string): string {
  const key = `${locale} ${currency.code}`;
  let format = formats.get(key);
  if (!format)
    formats.set(key, (format = new Intl.NumberFormat(locale, { style: 'currency', currency: currency.code })));
  return setApart(format.format(amountMinor / 10 ** currency.exponent), locale);
}

/** As `formatMoney`, to two digits and without decimals: estimates must not look surer than they are. */
export function formatRoughMoney(amountMinor: number, currency: Currency, locale: string): string {
  const style = { style: 'currency', currency: currency.code, maximumSignificantDigits: 2 } as const;
  return setApart(new Intl.NumberFormat(locale, style).format(amountMinor / 10 ** currency.exponent), locale);
}

function setApart(written: string, locale: string): string {
  const text = written.replace('-', '−');
  return /^(ar|fa|he|ur)/.test(locale) ? (/[A-Z]/.test(text) ? LEFT : RIGHT) + text + END : text;
}
