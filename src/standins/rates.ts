import { roughSum, type Currency, type Minor } from '~/core/money';

export interface DeliveryRate {
  readonly key: 'standard' | 'express';
  readonly name: string;
  readonly days: string;
  readonly amountMinor: Minor;
}

interface Parcel {
  readonly zone: number;
  readonly country: string;
  /** May be empty while it is not known yet. */
  readonly postcode: string;
  readonly weightGrams: number;
  /** In which names and times are answered (ISO 639-1). */
  readonly language: string;
  readonly currency: Currency;
}

/** What a carrier's rate service must answer: the ways to send a parcel to a place, cheapest first. */
export interface Rates {
  quote(parcel: Parcel): Promise<DeliveryRate[]>;
}

/** Cents for parcels up to 2 kg, up to 10 kg and beyond, by zone: home, near, far. */
const STEPS = [
  [490, 690, 1290],
  [990, 1490, 2490],
  [1690, 2490, 3990],
] as const;
const EXPRESS_CENTS = 800;
const DAYS = ['2–3', '3–5', '4–7'] as const;
const EXPRESS_DAYS = '1–2';

interface Names {
  readonly standard: string;
  readonly byBoat: string;
  readonly express: string;
  readonly days: (span: string) => string;
}

const ENGLISH: Names = {
  standard: 'Standard',
  byBoat: 'Standard, by boat',
  express: 'Express',
  days: (span) => `${span} working days`,
};
const NAMES: Readonly<Record<string, Names>> = {
  de: {
    standard: 'Standard',
    byBoat: 'Standard, mit dem Schiff',
    express: 'Express',
    days: (span) => `${span} Werktage`,
  },
  ar: { standard: 'عادي', byBoat: 'عادي، بالقارب', express: 'سريع', days: (span) => `${span} أيام عمل` },
};

/** Postcodes reached by boat only, by how they begin. Made up. */
const BY_BOAT: Readonly<Record<string, readonly string[]>> = {
  DE: ['2599', '2649'],
  DK: ['379'],
  GB: ['ZE', 'HS', 'KW'],
  NL: ['888', '916'],
};
const BOAT_CENTS = 600;

export function standInRates(): Rates {
  return {
    async quote({ zone, country, postcode, weightGrams, language, currency }) {
      const names = NAMES[language] ?? ENGLISH;
      const steps = STEPS[zone] ?? STEPS[2];
      const byBoat = BY_BOAT[country]?.some((start) => postcode.toUpperCase().startsWith(start)) ?? false;
      const cents =
        (weightGrams <= 2000 ? steps[0] : weightGrams <= 10_000 ? steps[1] : steps[2]) + (byBoat ? BOAT_CENTS : 0);
      const inMinor = (amount: number) => roughSum(amount / 100, currency);
      const days = names.days(DAYS[zone] ?? DAYS[2]);
      const standard = { name: byBoat ? names.byBoat : names.standard, days, amountMinor: inMinor(cents) };
      if (byBoat) return [{ key: 'standard', ...standard }];
      return [
        { key: 'standard', ...standard },
        {
          key: 'express',
          name: names.express,
          days: names.days(EXPRESS_DAYS),
          amountMinor: inMinor(cents + EXPRESS_CENTS),
        },
      ];
    },
  };
}
