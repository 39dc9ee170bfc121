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

const formats = new Map<string, Intl.NumberFormat>();

/** Minor units as a shopper reads them, e.g. `€64.00`; `locale` is BCP 47. */
export function formatMoney(amountMinor: number, currency: Currency, locale: string): string {
  const key = `${locale} ${currency.code}`;
  let format = formats.get(key);
  if (!format)
    formats.set(key, (format = new Intl.NumberFormat(locale, { style: 'currency', currency: currency.code })));
  return format.format(amountMinor / 10 ** currency.exponent);
}
