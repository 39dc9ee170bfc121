import type { Baskets } from './baskets';

/** The most products of a basket that are paired with each other. */
const LARGEST = 4096;
/** Baskets of this many products and more count as of one size. */
const LARGE = 6;
/** Triples counted in a table, four bytes each. */
const MOST_IN_TABLE = 8_000_000;

/** Place of a pair in a table of all, a < b. */
export const pairAt = (a: number, b: number): number => (b * (b - 1)) / 2 + a;

/** Where the pairs of each second product begin. */
function rowsOf(products: number): Int32Array {
  const rows = new Int32Array(products);
  for (let b = 1; b < products; b += 1) rows[b] = pairAt(0, b);
  return rows;
}

/** Baskets in strata: how many there are of each, and how many of those hold each product. */
export interface Strata {
  readonly total: Int32Array;
  /** By stratum × products + place. */
  readonly bought: Int32Array;
}

/** What is counted in one pass over the baskets. */
export interface Tally {
  /** Of each product, below 0: none. */
  readonly place: Int32Array;
  /** The places of each basket in rising order, without those that have none, and where those of each begin. */
  readonly places: Uint16Array;
  readonly starts: Int32Array;
  /** Baskets with both, by `pairAt`. */
  readonly pairs: Int32Array;
  readonly sizes: Strata;
  readonly weeks: Strata;
  /** Of each basket the number of its week. */
  readonly weekOf: Int32Array;
  readonly rows: Int32Array;
}

/** A tally of so many products, those that have a place; up to 65,535. */
export function newTally({ starts, items, weeks }: Baskets, place: Int32Array, products: number): Tally {
  const strata = (count: number): Strata => ({
    total: new Int32Array(count),
    bought: new Int32Array(count * products),
  });
  const numbers = new Map<number, number>();
  const weekOf = new Int32Array(weeks.length);
  let [last, number] = [-1, 0];
  for (let basket = 0; basket < weeks.length; basket += 1) {
    const week = weeks[basket]!;
    // Orders come in order of time: most are in the same week as the one before.
    if (week !== last) {
      number = numbers.get(week) ?? numbers.size;
      numbers.set(week, number);
      last = week;
    }
    weekOf[basket] = number;
  }
  return {
    place,
    places: new Uint16Array(items.length),
    starts: new Int32Array(starts.length),
    pairs: new Int32Array(pairAt(0, products)),
    sizes: strata(LARGE + 1),
    weeks: strata(numbers.size),
    weekOf,
    rows: rowsOf(products),
  };
}

/** Counts the baskets from one to before another, in turn. */
export function countBaskets({ starts, items }: Baskets, tally: Tally, from: number, to: number): void {
  const { place, places, starts: begins, pairs, rows, weekOf, sizes, weeks } = tally;
  const [sized, weekly, products] = [sizes.bought, weeks.bought, rows.length];
  let end = begins[from]!;
  for (let basket = from; basket < to; basket += 1) {
    const begin = end;
    const first = starts[basket]!;
    const held = starts[basket + 1]! - first;
    const last = first + Math.min(held, LARGEST);
    const size = Math.min(held, LARGE);
    const week = weekOf[basket]!;
    sizes.total[size]! += 1;
    weeks.total[week]! += 1;
    for (let i = first; i < last; i += 1) {
      const product = place[items[i]!]!;
      if (product < 0) continue;
      sized[size * products + product]! += 1;
      weekly[week * products + product]! += 1;
      // Baskets are small and almost sorted.
      let at = end;
      for (; at > begin && places[at - 1]! > product; at -= 1) {
        const larger = places[at - 1]!;
        places[at] = larger;
        pairs[rows[larger]! + product]! += 1;
      }
      places[at] = product;
      end += 1;
      for (at -= 1; at >= begin; at -= 1) pairs[rows[product]! + places[at]!]! += 1;
    }
    begins[basket + 1] = end;
  }
}

/** Of each product, how many baskets hold it. */
export function countItems(items: Int32Array, products: number): Int32Array {
  const counts = new Int32Array(products);
  for (let i = 0; i < items.length; i += 1) counts[items[i]!]! += 1;
  return counts;
}

/** Two products by their places, i < j, and how many baskets hold both. */
export interface Two {
  readonly i: number;
  readonly j: number;
  readonly both: number;
}

/** The pairs that `least` baskets or more hold. */
export function oftenTogether({ pairs, rows }: Tally, least: number): Two[] {
  const found: Two[] = [];
  for (let j = 1; j < rows.length; j += 1) {
    const row = rows[j]!;
    for (let i = 0; i < j; i += 1) {
      const both = pairs[row + i]!;
      if (both >= least) found.push({ i, j, both });
    }
  }
  return found;
}

/** Three products by their places, i < j < k, and how many baskets hold all three. */
interface Three {
  readonly i: number;
  readonly j: number;
  readonly k: number;
  readonly together: number;
}

/** The threes of which every two are kept that `least` baskets or more hold. */
export function countTriples(
  { starts, places, rows: { length: products } }: Tally,
  kept: readonly Pick<Two, 'i' | 'j'>[],
  least: number,
): Three[] {
  const pairsOf = new Int32Array(products);
  for (const { i, j } of kept) for (const product of [i, j]) pairsOf[product]! += 1;
  // Products of a triple are in two pairs at least. They are counted in a table where it fits, else one by one.
  const named = [...pairsOf.keys()].filter((product) => pairsOf[product]! >= 2);
  const number = new Int32Array(products).fill(-1);
  for (const [i, product] of named.entries()) number[product] = i;
  const size = named.length;
  const rows = rowsOf(size);
  const isKept = new Uint8Array(size * size);
  for (const { i, j } of kept) if (number[i]! >= 0 && number[j]! >= 0) isKept[number[j]! * size + number[i]!] = 1;
  const below = (k: number) => (k * (k - 1) * (k - 2)) / 6;
  const isTable = below(size) <= MOST_IN_TABLE;
  const table = new Int32Array(isTable ? below(size) : 0);
  const belows = Int32Array.from({ length: isTable ? size : 0 }, (_, k) => below(k));
  const listed = new Map<number, number>();
  const often: (Omit<Three, 'together'> & { key: number })[] = [];
  /** The products of a basket that are in a pair, and of those the ones kept with the last. */
  const own = new Int32Array(LARGEST);
  const withK = new Int32Array(LARGEST);
  const baskets = starts.length - 1;
  for (let basket = 0; basket < baskets; basket += 1) {
    const begin = starts[basket]!;
    const end = starts[basket + 1]!;
    if (end - begin < 3) continue;
    let count = 0;
    for (let x = begin; x < end; x += 1) {
      const found = number[places[x]!]!;
      if (found >= 0) own[count++] = found;
    }
    for (let z = 2; z < count; z += 1) {
      const k = own[z]!;
      const ofK = k * size;
      let beside = 0;
      for (let y = 0; y < z; y += 1) if (isKept[ofK + own[y]!] === 1) withK[beside++] = own[y]!;
      if (beside < 2) continue;
      const beyond = isTable ? belows[k]! : ofK * size;
      for (let y = 1; y < beside; y += 1) {
        const j = withK[y]!;
        const ofJ = j * size;
        const row = beyond + (isTable ? rows[j]! : ofJ);
        for (let x = 0; x < y; x += 1) {
          const i = withK[x]!;
          if (isKept[ofJ + i] === 0) continue;
          const key = row + i;
          const now = (isTable ? table[key]! : (listed.get(key) ?? 0)) + 1;
          if (isTable) table[key] = now;
          else listed.set(key, now);
          if (now === least) often.push({ i: named[i]!, j: named[j]!, k: named[k]!, key });
        }
      }
    }
  }
  return often.map(({ i, j, k, key }) => ({ i, j, k, together: isTable ? table[key]! : listed.get(key)! }));
}
