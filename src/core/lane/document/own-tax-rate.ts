import { own } from '~/core/own';
import type { Shop } from './lane.schema';

/** The rate of its own that a product names, in basis points; null: the shop's. */
export function ownTaxRate(shop: Shop, taxRate: string | null): number | null {
  return (taxRate === null ? undefined : own(shop.tax.rates, taxRate))?.basisPoints ?? null;
}
