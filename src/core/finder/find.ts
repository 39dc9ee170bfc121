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

const at = (a: number, b: number) => (b * (b - 1)) / 2 + a;

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
  const pairs = new Uint32Array((frequent.length * (frequent.length - 1)) / 2);
  const own = new Uint32Array(4096);
  const readBasket = (basket: number) => {
    let size = 0;
    for (let i = starts[basket]!; i < starts[basket + 1]! && size < own.length; i += 1) {
      const found = place[items[i]!]!;
      if (found >= 0) own[size++] = found;
    }
    return own.subarray(0, size).sort();
  };
  for (let basket = 0; basket < all; basket += 1) {
    const held = readBasket(basket);
    for (let j = 1; j < held.length; j += 1) for (let i = 0; i < j; i += 1) pairs[at(held[i]!, held[j]!)]! += 1;
    if (basket % 20_000 === 19_999) yield (basket / all) * 0.3;
  }
  const logs = logFactorials(all);
  const tested: { i: number; j: number; both: number; p: number }[] = [];
  for (let j = 1; j < frequent.length; j += 1)
    for (let i = 0; i < j; i += 1) {
      const both = pairs[at(i, j)]!;
      if (both > 0) tested.push({ i, j, both, p: fisherTail(both, count(i), count(j), all, logs) });
    }
  const testedPairs = pairs.length;
  const kept = keepUpTo(
    tested.map(({ p }) => p),
    testedPairs,
    rate,
  );
  yield 0.5;
  const candidates = tested.filter(({ both }) => both >= least);
  const judge = strata(baskets, place, frequent.length, candidates);
  yield 0.7;
  const found: Pair[] = candidates.map((pair, n) => {
    const { i, j, both, p } = pair;
    const { byWeek, bySize } = judge(n);
    const verdict: Verdict = p > kept || bySize > rate ? 'popular' : byWeek > rate ? 'seasonal' : 'together';
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
    const isKept = new Set(candidates.map(({ i, j }) => at(i, j)));
    const known = new Map<number, number>();
    for (let basket = 0; basket < all; basket += 1) {
      const held = readBasket(basket);
      for (let k = 2; k < held.length; k += 1)
        for (let j = 1; j < k; j += 1) {
          if (!isKept.has(at(held[j]!, held[k]!))) continue;
          for (let i = 0; i < j; i += 1) {
            if (!isKept.has(at(held[i]!, held[j]!)) || !isKept.has(at(held[i]!, held[k]!))) continue;
            const key = (held[k]! * frequent.length + held[j]!) * frequent.length + held[i]!;
            known.set(key, (known.get(key) ?? 0) + 1);
          }
        }
    }
    return [...known].flatMap(([key, together]): Triple[] => {
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
  function strata(
    { weeks: weekOf }: Baskets,
    placed: Int32Array,
    size: number,
    asked: readonly { i: number; j: number; both: number }[],
  ): (n: number) => { byWeek: number; bySize: number } {
    const weekNumbers = new Map<number, number>();
    for (const week of weeks) if (!weekNumbers.has(week)) weekNumbers.set(week, weekNumbers.size);
    const sizeOf = (basket: number) => Math.min(LARGE, starts[basket + 1]! - starts[basket]!);
    const counted = (strataCount: number, stratumOf: (basket: number) => number) => {
      const total = new Uint32Array(strataCount);
      const held = new Uint32Array(strataCount * size);
      for (let basket = 0; basket < all; basket += 1) {
        const stratum = stratumOf(basket);
        total[stratum]! += 1;
        for (let i = starts[basket]!; i < starts[basket + 1]!; i += 1) {
          const found = placed[items[i]!]!;
          if (found >= 0) held[stratum * size + found]! += 1;
        }
      }
      return { total, held, strataCount };
    };
    const byWeek = counted(weekNumbers.size, (basket) => weekNumbers.get(weekOf[basket]!)!);
    const bySize = counted(LARGE + 1, sizeOf);
    const test = (
      { total, held, strataCount }: typeof byWeek,
      { i, j, both }: { i: number; j: number; both: number },
      /** What a basket of one size can hold of two at all. */
      part: (stratum: number) => number,
    ) => {
      let [expected, variance] = [0, 0];
      for (let stratum = 0; stratum < strataCount; stratum += 1) {
        const n = total[stratum]!;
        if (n < 2) continue;
        const [a, b] = [held[stratum * size + i]!, held[stratum * size + j]!];
        expected += ((a * b) / n) * part(stratum);
        variance += (a * b * (n - a) * (n - b)) / (n * n * (n - 1));
      }
      return variance === 0 ? 1 : normalTail((both - expected - 0.5) / Math.sqrt(variance));
    };
    return (n) => ({
      byWeek: test(byWeek, asked[n]!, () => 1),
      bySize: test(bySize, asked[n]!, (stratum) => (stratum === 0 ? 0 : (stratum - 1) / stratum)),
    });
  }
}
