import type { Baskets } from './baskets';
import { fisherTail, keepUpTo, logFactorials, normalTail } from './exact';

/**
 * What two products bought together come from. `together`: from each other. `seasonal`: both are bought in the same weeks.
 * `popular`: both are bought much, or in large baskets, and no more together than that makes.
 */
export type Verdict = 'together' | 'seasonal' | 'popular';

export interface Pair {
  readonly a: string;
  readonly b: string;
  /** Baskets with both, with the first, with the second. */
  readonly both: number;
  readonly withA: number;
  readonly withB: number;
  /** Of all baskets. */
  readonly support: number;
  /** Of those with the rarer one. */
  readonly confidence: number;
  /** How many times as often as if they had nothing to do with each other. */
  readonly lift: number;
  /** Fisher's exact test, one-sided. */
  readonly p: number;
  readonly verdict: Verdict;
}

export interface Triple {
  readonly products: readonly [string, string, string];
  readonly all: number;
  readonly support: number;
  /** Of those with two of them, the weakest of the three ways. */
  readonly confidence: number;
  readonly lift: number;
  /** The largest of the three tests of one against the two others together. */
  readonly p: number;
}

export interface Found {
  readonly baskets: number;
  readonly products: number;
  readonly pairs: readonly Pair[];
  readonly triples: readonly Triple[];
  /** How many pairs and triples were tested; the corrections are for as many. */
  readonly testedPairs: number;
  readonly testedTriples: number;
  readonly rate: number;
  /** Products bought too seldom to say anything of. */
  readonly tooSeldom: number;
}

export interface FindOptions {
  /** Baskets a product must be in, and a pair. */
  readonly least?: number;
  /** The share of wrong ones among those found that is put up with. */
  readonly rate?: number;
}

const LEAST = 5;
const RATE = 0.05;
/** Baskets of this many products and more count as of one size. */
const LARGE = 6;

/** Products counted with each other, those bought most: their pairs must fit into memory. */
const MOST_PRODUCTS = 3000;

/** Of a basket so many products are counted with each other. */
const LARGEST = 4096;
/** Triples counted in a table, four bytes each. */
const MOST_IN_TABLE = 8_000_000;

/** Place of a pair in a table of all, a < b. */
const at = (a: number, b: number) => (b * (b - 1)) / 2 + a;

/** Baskets with the places of their products in rising order; what has no place is left out. */
interface Placed {
  readonly starts: Uint32Array;
  readonly places: Int32Array;
}

function placeBaskets({ starts, items }: Baskets, place: Int32Array): Placed {
  const places = new Int32Array(items.length);
  const begins = new Uint32Array(starts.length);
  let end = 0;
  for (let basket = 0; basket + 1 < starts.length; basket += 1) {
    const begin = (begins[basket] = end);
    const last = Math.min(starts[basket + 1]!, starts[basket]! + LARGEST);
    for (let i = starts[basket]!; i < last; i += 1) {
      const found = place[items[i]!]!;
      if (found < 0) continue;
      // Baskets are small, and most stand in order nearly.
      let to = end++;
      for (; to > begin && places[to - 1]! > found; to -= 1) places[to] = places[to - 1]!;
      places[to] = found;
    }
  }
  begins[starts.length - 1] = end;
  return { starts: begins, places };
}

/** How many baskets hold each three products of which every two are kept; by `(k × size + j) × size + i`, i < j < k. */
function countTriples({ starts, places }: Placed, isKept: Uint8Array, size: number): [number, number][] {
  // Products that are in no pair are in no triple. The others are counted in a table where it fits, else one by one.
  const number = new Int32Array(size).fill(-1);
  const named: number[] = [];
  for (let j = 1; j < size; j += 1)
    for (let i = 0; i < j; i += 1)
      if (isKept[at(i, j)]) for (const product of [i, j]) if (number[product]! < 0) number[product] = 0;
  for (let i = 0; i < size; i += 1) if (number[i] === 0) number[i] = named.push(i) - 1;
  const below = (k: number) => (k * (k - 1) * (k - 2)) / 6;
  const isTable = below(named.length) <= MOST_IN_TABLE;
  const table = new Uint32Array(isTable ? below(named.length) : 0);
  const listed = new Map<number, number>();
  for (let basket = 0; basket + 1 < starts.length; basket += 1) {
    const begin = starts[basket]!;
    for (let z = begin + 2; z < starts[basket + 1]!; z += 1) {
      const k = places[z]!;
      if (number[k]! < 0) continue;
      for (let y = begin + 1; y < z; y += 1) {
        const j = places[y]!;
        if (!isKept[at(j, k)]) continue;
        for (let x = begin; x < y; x += 1) {
          const i = places[x]!;
          if (!isKept[at(i, j)] || !isKept[at(i, k)]) continue;
          const key = isTable ? below(number[k]!) + at(number[i]!, number[j]!) : (k * size + j) * size + i;
          if (isTable) table[key]! += 1;
          else listed.set(key, (listed.get(key) ?? 0) + 1);
        }
      }
    }
  }
  if (!isTable) return [...listed];
  const found: [number, number][] = [];
  for (let k = 2; k < named.length; k += 1)
    for (let j = 1; j < k; j += 1)
      for (let i = 0; i < j; i += 1) {
        const count = table[below(k) + at(i, j)]!;
        if (count > 0) found.push([(named[k]! * size + named[j]!) * size + named[i]!, count]);
      }
  return found;
}

/** Pairs and triples bought together more than chance, season and size of baskets make. Yields how far it is, from 0 to 1. */
export function* find(baskets: Baskets, { least = LEAST, rate = RATE }: FindOptions = {}): Generator<number, Found> {
  const { starts, items, products, weeks } = baskets;
  const all = starts.length - 1;
  const counts = new Uint32Array(products.length);
  for (const item of items) counts[item]! += 1;
  // Only what is bought often enough has a place; how often says nothing of what it is bought with.
  const frequent = [...counts.keys()]
    .filter((item) => counts[item]! >= least)
    .sort((a, b) => counts[b]! - counts[a]!)
    .slice(0, MOST_PRODUCTS);
  const place = new Int32Array(products.length).fill(-1);
  for (const [i, item] of frequent.entries()) place[item] = i;
  const count = (i: number) => counts[frequent[i]!]!;
  const held = placeBaskets(baskets, place);
  const pairs = new Uint32Array((frequent.length * (frequent.length - 1)) / 2);
  for (let basket = 0; basket < all; basket += 1) {
    const end = held.starts[basket + 1]!;
    for (let y = held.starts[basket]! + 1; y < end; y += 1) {
      const row = at(0, held.places[y]!);
      for (let x = held.starts[basket]!; x < y; x += 1) pairs[row + held.places[x]!]! += 1;
    }
    if (basket % 20_000 === 19_999) yield (basket / all) * 0.3;
  }
  const logs = logFactorials(all);
  const candidates: { i: number; j: number; both: number; p: number }[] = [];
  for (let j = 1; j < frequent.length; j += 1)
    for (let i = 0; i < j; i += 1) {
      const both = pairs[at(i, j)]!;
      if (both >= least) candidates.push({ i, j, both, p: fisherTail(both, count(i), count(j), all, logs) });
    }
  // Corrected for all pairs there are: those too rare to be shown count as tests that found nothing.
  const testedPairs = pairs.length;
  const kept = keepUpTo(
    candidates.map(({ p }) => p),
    testedPairs,
    rate,
  );
  yield 0.5;
  const { byWeek, bySize } = strata();
  yield 0.7;
  const found: Pair[] = candidates.map((pair, n) => {
    const { i, j, both, p } = pair;
    const verdict: Verdict = p > kept || bySize(n) > rate ? 'popular' : byWeek(n) > rate ? 'seasonal' : 'together';
    return {
      ...{ a: products[frequent[i]!]!, b: products[frequent[j]!]!, both, withA: count(i), withB: count(j) },
      support: both / all,
      confidence: both / Math.min(count(i), count(j)),
      lift: (both * all) / (count(i) * count(j)),
      ...{ p, verdict },
    };
  });
  const triples = findTriples();
  yield 1;
  const testedTriples = (frequent.length * (frequent.length - 1) * (frequent.length - 2)) / 6;
  const keptTriples = keepUpTo(
    triples.map(({ p }) => p),
    testedTriples,
    rate,
  );
  return {
    baskets: all,
    products: products.length,
    pairs: found.sort((a, b) => a.p - b.p || b.lift - a.lift),
    triples: triples.filter(({ p }) => p <= keptTriples).sort((a, b) => a.p - b.p || b.lift - a.lift),
    ...{ testedPairs, testedTriples, rate, tooSeldom: products.length - frequent.length },
  };

  function findTriples(): Triple[] {
    const isKept = new Uint8Array(pairs.length);
    for (const { i, j } of candidates) isKept[at(i, j)] = 1;
    const known = countTriples(held, isKept, frequent.length);
    return known.flatMap(([key, together]): Triple[] => {
      if (together < least) return [];
      const i = key % frequent.length;
      const j = Math.floor(key / frequent.length) % frequent.length;
      const k = Math.floor(key / frequent.length / frequent.length);
      const ways = [
        [pairs[at(i, j)]!, count(k)],
        [pairs[at(i, k)]!, count(j)],
        [pairs[at(j, k)]!, count(i)],
      ] as const;
      const p = Math.max(...ways.map(([two, one]) => fisherTail(together, two, one, all, logs)));
      const name = (of: number) => products[frequent[of]!]!;
      return [
        {
          products: [name(i), name(j), name(k)],
          ...{ all: together, support: together / all, p },
          confidence: Math.min(...ways.map(([two]) => together / two)),
          lift: (together * all * all) / (count(i) * count(j) * count(k)),
        },
      ];
    });
  }

  /**
   * How surprising each pair still is among baskets of one week, and of one size: the Cochran–Mantel–Haenszel statistic over
   * the strata (Mantel and Haenszel 1959), one-sided, with the half for what is counted whole.
   */
  function strata(): Readonly<Record<'byWeek' | 'bySize', (n: number) => number>> {
    const size = frequent.length;
    const weekNumbers = new Map<number, number>();
    const weekOf = new Uint32Array(all);
    let [last, number] = [-1, 0];
    for (let basket = 0; basket < all; basket += 1) {
      const week = weeks[basket]!;
      // Orders stand as they came, so that most are of the week of the one before.
      if (week !== last) {
        number = weekNumbers.get(week) ?? weekNumbers.size;
        weekNumbers.set(week, number);
        last = week;
      }
      weekOf[basket] = number;
    }
    const sizeOf = (basket: number) => Math.min(LARGE, starts[basket + 1]! - starts[basket]!);
    const counted = (strataCount: number, stratumOf: (basket: number) => number) => {
      const total = new Uint32Array(strataCount);
      const bought = new Uint32Array(strataCount * size);
      for (let basket = 0; basket < all; basket += 1) {
        const stratum = stratumOf(basket);
        const end = held.starts[basket + 1]!;
        total[stratum]! += 1;
        for (let i = held.starts[basket]!; i < end; i += 1) bought[stratum * size + held.places[i]!]! += 1;
      }
      return { total, bought, strataCount };
    };
    const weekly = counted(weekNumbers.size, (basket) => weekOf[basket]!);
    const sized = counted(LARGE + 1, sizeOf);
    const test = (
      { total, bought, strataCount }: typeof weekly,
      { i, j, both }: { i: number; j: number; both: number },
      /** What a basket of one size can hold of two at all. */
      part: (stratum: number) => number,
    ) => {
      let [expected, variance] = [0, 0];
      for (let stratum = 0; stratum < strataCount; stratum += 1) {
        const n = total[stratum]!;
        if (n < 2) continue;
        const [a, b] = [bought[stratum * size + i]!, bought[stratum * size + j]!];
        expected += ((a * b) / n) * part(stratum);
        variance += (a * b * (n - a) * (n - b)) / (n * n * (n - 1));
      }
      return variance === 0 ? 1 : normalTail((both - expected - 0.5) / Math.sqrt(variance));
    };
    return {
      byWeek: (n) => test(weekly, candidates[n]!, () => 1),
      bySize: (n) => test(sized, candidates[n]!, (stratum) => (stratum === 0 ? 0 : (stratum - 1) / stratum)),
    };
  }
}
