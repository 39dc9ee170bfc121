import { minor, type Minor } from '~/core/money';
import { COUNTRIES } from './countries';
import type { Delivery, DeliveryZone } from './delivery.schema';

/** Zones in the owner's order. A country in two of them belongs to the first. */
export function zonesInOrder(delivery: Delivery): (DeliveryZone & { readonly key: string })[] {
  return Object.entries(delivery.zones)
    .map(([key, zone]) => ({ ...zone, key }))
    .sort((a, b) => a.position - b.position || (a.key < b.key ? -1 : 1));
}

/** Countries something is sent to (ISO 3166-1), the shop's own first when it is one of them. */
export function servedCountries(delivery: Delivery): string[] {
  const all =
    delivery.by === 'carrier' ? Object.keys(COUNTRIES) : zonesInOrder(delivery).flatMap((zone) => zone.countries);
  const { home } = delivery;
  const served = new Set(all);
  return served.has(home) ? [home, ...[...served].filter((code) => code !== home)] : [...served];
}

interface TableRate {
  readonly key: 'standard' | 'express';
  /** Working days. */
  readonly days: string;
  readonly amountMinor: Minor;
}

/**
 * The ways of the owner's own table, cheapest first: none where nobody goes, or beyond the last step. `valueMinor` is what the
 * goods cost before offers.
 */
export function tableRates(
  delivery: Delivery,
  parcel: { readonly country: string; readonly weightGrams: number; readonly valueMinor: number },
): TableRate[] {
  const zone = zonesInOrder(delivery).find(({ countries }) => countries.includes(parcel.country));
  const measure = delivery.by === 'value' ? parcel.valueMinor : parcel.weightGrams;
  const step = zone?.steps.find(({ upTo }) => upTo === null || measure <= upTo);
  if (!zone || !step) return [];
  const { express } = zone;
  const standard = { key: 'standard', days: zone.days, amountMinor: minor(step.amountMinor) } as const;
  if (!express) return [standard];
  return [standard, { key: 'express', days: express.days, amountMinor: minor(step.amountMinor + express.extraMinor) }];
}
