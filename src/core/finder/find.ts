import type { Baskets } from './baskets';
import {
  countBaskets,
  countItems,
  countTriples,
  newTally,
  oftenTogether,
  pairAt,
  type Strata,
  type Two,
} from './tally';
import { fisherTail, keepUpTo, normalTail } from './exact';

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
/** Products counted with each other, those bought most: their pairs must fit into memory. */
const MOST_PRODUCTS = 3000;
/** Baskets counted between two signs of life. */
const SLICE = 20_000;

/** Pairs and triples bought together more than chance, season and size of baskets make. Yields how far it is, from 0 to 1. */
export function* find(baskets: Baskets, { least = LEAST, rate = RATE }: FindOptions = {}): Generator<number, Found> {
  const { items, products } = baskets;
  const all = baskets.starts.length - 1;
  const counts = countItems(items, products.length);
  // Only products bought often enough are counted; how often one is bought says nothing about pairs.
  const frequent = [...counts.keys()]
    .filter((item) => counts[item]! >= least)
    .sort((a, b) => counts[b]! - counts[a]!)
    .slice(0, MOST_PRODUCTS);
  const place = new Int32Array(products.length).fill(-1);
  for (const [i, item] of frequent.entries()) place[item] = i;
  const count = (i: number) => counts[frequent[i]!]!;
  const tally = newTally(baskets, place, frequent.length);
  const { pairs } = tally;
  for (let from = 0; from < all; from += SLICE) {
    countBaskets(baskets, tally, from, Math.min(all, from + SLICE));
    yield (from / all) * 0.5;
  }
  const candidates = oftenTogether(tally, least).map(({ i, j, both }) => ({
    i,
    j,
    both,
    p: fisherTail(both, count(i), count(j), all),
  }));
  // Corrected for all pairs there are: those too rare to be shown count as tests that found nothing.
  const testedPairs = pairs.length;
  const kept = keepUpTo(
    candidates.map(({ p }) => p),
    testedPairs,
    rate,
  );
  yield 0.7;
  const found: Pair[] = candidates.map((pair) => {
    const { i, j, both, p } = pair;
    const verdict: Verdict =
      p > kept || bySize(pair) > rate ? 'popular' : byWeek(pair) > rate ? 'seasonal' : 'together';
    return {
      a: products[frequent[i]!]!,
      b: products[frequent[j]!]!,
      both,
      withA: count(i),
      withB: count(j),
      support: both / all,
      confidence: both / Math.min(count(i), count(j)),
      lift: (both * all) / (count(i) * count(j)),
      p,
      verdict,
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
    testedPairs,
    testedTriples,
    rate,
    tooSeldom: products.length - frequent.length,
  };

  function findTriples(): Triple[] {
    return countTriples(tally, candidates, least).map(({ i, j, k, together }): Triple => {
      const ways = [
        [pairs[pairAt(i, j)]!, count(k)],
        [pairs[pairAt(i, k)]!, count(j)],
        [pairs[pairAt(j, k)]!, count(i)],
      ] as const;
      const p = Math.max(...ways.map(([two, one]) => fisherTail(together, two, one, all)));
      const name = (of: number) => products[frequent[of]!]!;
      return {
        products: [name(i), name(j), name(k)],
        all: together,
        support: together / all,
        p,
        confidence: Math.min(...ways.map(([two]) => together / two)),
        lift: (together * all * all) / (count(i) * count(j) * count(k)),
      };
    });
  }

  // A basket of one size can hold only so much of two at all.
  function bySize(pair: Two): number {
    return stratified(pair, tally.sizes, frequent.length, (size) => (size === 0 ? 0 : (size - 1) / size));
  }

  function byWeek(pair: Two): number {
    return stratified(pair, tally.weeks, frequent.length, () => 1);
  }
}

/**
 * How surprising a pair still is among the baskets of one stratum (a week, a size): the Cochran–Mantel–Haenszel statistic over
 * the strata (Mantel and Haenszel 1959), one-sided, with the half for what is counted whole. `part` of what would be expected
 * in a stratum is.
 */
function stratified(
  { i, j, both }: Two,
  { total, bought }: Strata,
  products: number,
  part: (stratum: number) => number,
): number {
  let [expected, variance] = [0, 0];
  for (let stratum = 0; stratum < total.length; stratum += 1) {
    const n = total[stratum]!;
    if (n < 2) continue;
    const [a, b] = [bought[stratum * products + i]!, bought[stratum * products + j]!];
    expected += ((a * b) / n) * part(stratum);
    variance += (a * b * (n - a) * (n - b)) / (n * n * (n - 1));
  }
  return variance === 0 ? 1 : normalTail((both - expected - 0.5) / Math.sqrt(variance));
}
