const SMALL = new Float64Array(256);
for (let i = 2; i < SMALL.length; i += 1) SMALL[i] = SMALL[i - 1]! + Math.log(i);

/** The logarithm of `n!`; from 256 on by Stirling's series (Abramowitz and Stegun 6.1.41), whose first term left out is under 1e−19. */
export function logFactorial(n: number): number {
  if (n < SMALL.length) return SMALL[n]!;
  const square = n * n;
  return (
    (n + 0.5) * Math.log(n) - n + 0.5 * Math.log(2 * Math.PI) + (1 - (1 / 30 - 1 / (105 * square)) / square) / (12 * n)
  );
}

/**
 * Fisher's exact test, one-sided: how likely `both` baskets or more hold two things that `a` and `b` of `all` baskets hold, if one
 * has nothing to do with the other (hypergeometric tail; Fisher 1935).
 */
export function fisherTail(both: number, a: number, b: number, all: number): number {
  const most = Math.min(a, b);
  if (both <= Math.max(0, a + b - all)) return 1;
  if (both > most) return 0;
  let term = Math.exp(
    logFactorial(a) +
      logFactorial(all - a) +
      logFactorial(b) +
      logFactorial(all - b) -
      logFactorial(all) -
      logFactorial(both) -
      logFactorial(a - both) -
      logFactorial(b - both) -
      logFactorial(all - a - b + both),
  );
  let sum = term;
  for (let k = both + 1; k <= most && term > sum * 1e-17; k += 1) {
    term *= ((a - k + 1) * (b - k + 1)) / (k * (all - a - b + k));
    sum += term;
  }
  return Math.min(1, sum);
}

/** The upper tail of the normal distribution (Abramowitz and Stegun 7.1.26 is too coarse in the tail; continued fraction beyond 3, series below). */
export function normalTail(z: number): number {
  if (z < 0) return 1 - normalTail(-z);
  const density = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
  if (z > 3) {
    let fraction = 0;
    // Converges faster further out.
    for (let k = z > 5 ? 20 : 60; k >= 1; k -= 1) fraction = k / (z + fraction);
    return density / (z + fraction);
  }
  let term = z;
  let sum = z;
  for (let k = 1; k < 200 && term > 1e-18; k += 1) {
    term *= (z * z) / (2 * k + 1);
    sum += term;
  }
  return 0.5 - density * sum;
}

/**
 * Which of `tested` hypotheses to keep so that of those kept a share of at most `rate` is wrong (Benjamini and Hochberg 1995).
 * `values` are the p-values that are not 1, in any order; answers the largest that is kept, -1 when none is.
 */
export function keepUpTo(values: readonly number[], tested: number, rate: number): number {
  // Values above the rate itself are never kept, and come last.
  const sorted = Float64Array.from(values.filter((value) => value <= rate)).sort();
  for (let i = sorted.length - 1; i >= 0; i -= 1) if (sorted[i]! <= ((i + 1) / tested) * rate) return sorted[i]!;
  return -1;
}
