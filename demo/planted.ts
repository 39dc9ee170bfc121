/**
 * What is true of the made-up shoppers. The app never reads this; tests use it to check that what the app reports was
 * planted here.
 */
export const DEVICE_SHARES = { phone: 0.68, desktop: 0.26, tablet: 0.06 } as const;
export type DemoDevice = keyof typeof DEVICE_SHARES;

/** Chance of going on from one stretch to the next: Browse→Look, Look→Add, Add→Cart, Cart→Pay, Pay→After. */
export const GO_ON: Readonly<Record<DemoDevice, readonly [number, number, number, number, number]>> = {
  phone: [0.6, 0.165, 0.69, 0.48, 0.58],
  desktop: [0.64, 0.31, 0.7, 0.5, 0.63],
  tablet: [0.61, 0.25, 0.69, 0.48, 0.6],
};

export const SOURCES = { search: 0.44, direct: 0.27, newsletter: 0.17, 'kite-blog': 0.12 } as const;

/** Part of visits that are robots, and the owner's own. */
export const BOT_SHARE = 0.02;
export const OWNER_VISITS_A_DAY = 2;

/** Bought together beyond chance: when the first is bought, the others follow with the given chance. */
export const TOGETHER: readonly {
  readonly whenFrom: string;
  readonly also: readonly string[];
  readonly chance: number;
}[] = [
  { whenFrom: 'Single-line', also: ['Single Line 40 kg', 'Hoop Winder'], chance: 0.42 },
  { whenFrom: 'Power', also: ['Line Gloves', 'Ground Stake'], chance: 0.47 },
  { whenFrom: 'Dual-line', also: ['Dual Line Pair 70 kg'], chance: 0.4 },
];

/** Buyers of spares who come back, and after how many days. */
export const SPARES_REPEAT = { chance: 0.35, days: 42 } as const;
export const DAYS = 120;
export const SESSIONS = 60_000;

/** Bought in the first weeks alone, each for itself: of one season, and of nothing else in common. */
export const SEASONAL = { pair: ['Pocket Wind Meter', 'Hollowtarn Mug'], days: 24, chance: 0.3 } as const;

/** Taken by many, each for itself: often together, and never because of each other. */
export const MERELY_POPULAR = ['Streamer Tail', 'Kite Bag'] as const;
export const MERELY_POPULAR_CHANCE = 0.17;

/** Orders that come near free delivery are often filled up, but not quite: so many of those between the two sums. */
export const UNDER_THRESHOLD = { fromMinor: 4000, thresholdMinor: 6000, chance: 0.4 } as const;

/** What costs the shop so much that the winter offer with the code brings it under cost; neither does alone. */
export const UNDER_COST = { product: 'Scarp Foil', costShare: 0.66, offer: 'winter-power', code: 'WIND10' } as const;
