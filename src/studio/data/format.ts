import { currencyOf, formatMoney, formatRoughMoney } from '~/core/money';
import type { Shop } from '~/core/lane';

const whole = new Intl.NumberFormat('en-IE');

export function count(n: number): string {
  return whole.format(n);
}

const rules = new Intl.PluralRules('en');

/** A number with its noun: “1 order”, “1,200 orders”. */
export function plural(n: number, one: string, other: string): string {
  return `${count(n)} ${rules.select(n) === 'one' ? one : other}`;
}

/** A part of one as a percentage; small ones with a decimal. */
export function percent(part: number): string {
  const value = part * 100;
  return `${value >= 20 || value === 0 ? Math.round(value) : value.toFixed(1)} %`;
}

/** Percentage points with a sign, e.g. −1.4. */
export function points(difference: number): string {
  const value = Math.round(difference * 1000) / 10;
  return value === 0 ? '±0' : `${value > 0 ? '+' : '−'}${Math.abs(value).toFixed(1)}`;
}

export function money(amountMinor: number, shop: Shop): string {
  return formatMoney(amountMinor, currencyOf(shop.currency), shop.locale);
}

/** Sums that are estimates, rounded so that they do not look surer than they are. */
export function roughMoney(amountMinor: number, shop: Shop): string {
  return formatRoughMoney(amountMinor, currencyOf(shop.currency), shop.locale);
}

export function day(iso: string): string {
  return new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(
    new Date(`${iso}T00:00:00Z`),
  );
}

export function moment(atMs: number, shop: Shop): string {
  return new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short', timeZone: shop.timeZone }).format(
    atMs,
  );
}
