import { minor, type Minor } from '~/core/money';

/** What is done to all products that a search finds. */
export type BulkChange =
  | { readonly kind: 'price'; readonly percent: number; readonly endMinor: number | null }
  | { readonly kind: 'tag'; readonly tag: string; readonly on: boolean }
  | { readonly kind: 'shown'; readonly on: boolean };

/**
 * A price raised or lowered by so many per cent, to whole minor units (halves away from zero). With `endMinor` it ends so, such as
 * on 95 of a hundred: the nearest such price that is not below nothing.
 */
export function changedPrice(price: number, percent: number, endMinor: number | null, exponent: number): Minor {
  const exact = Math.max(0, Math.round(price * (1 + percent / 100)));
  if (endMinor === null || exponent === 0) return minor(exact);
  const unit = 10 ** exponent;
  const below = Math.floor((exact - endMinor) / unit) * unit + endMinor;
  const above = below + unit;
  return minor(below < 0 || exact - below > above - exact ? above : below);
}

/** A change of many products, as it is listed. */
export interface BulkSummary {
  readonly id: number;
  /** Milliseconds since 1970; `undoneAt` null: it still counts. */
  readonly at: number;
  readonly what: BulkChange;
  readonly rows: number;
  readonly undoneAt: number | null;
  /** Name of who made it; null: gone. */
  readonly by: string | null;
}
