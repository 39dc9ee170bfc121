import { minor, type Currency, type Minor } from '~/core/money';

export interface DeliveryRate {
  readonly key: 'standard' | 'express';
  readonly name: string;
  readonly days: string;
  readonly amountMinor: Minor;
}

/** What a carrier's rate service must answer: the ways to send a parcel to a zone, cheapest first. */
export interface Rates {
  quote(parcel: { zone: number; weightGrams: number; currency: Currency }): Promise<DeliveryRate[]>;
}

/** Cents for parcels up to 2 kg, up to 10 kg and beyond, by zone: home, near, far. */
const STEPS = [
  [490, 690, 1290],
  [990, 1490, 2490],
  [1690, 2490, 3990],
] as const;
const EXPRESS_CENTS = 800;
const DAYS = ['2–3 working days', '3–5 working days', '4–7 working days'] as const;

export function standInRates(): Rates {
  return {
    async quote({ zone, weightGrams, currency }) {
      const steps = STEPS[zone] ?? STEPS[2];
      const cents = weightGrams <= 2000 ? steps[0] : weightGrams <= 10_000 ? steps[1] : steps[2];
      const inMinor = (amount: number) => minor(Math.round((amount / 100) * 10 ** currency.exponent));
      return [
        { key: 'standard', name: 'Standard', days: DAYS[zone] ?? DAYS[2], amountMinor: inMinor(cents) },
        { key: 'express', name: 'Express', days: '1–2 working days', amountMinor: inMinor(cents + EXPRESS_CENTS) },
      ];
    },
  };
}
