import { minor, type Minor } from './minor';

/**
 * Splits `total` in proportion to `weights` by the largest-remainder method (Hamilton), so the parts always add up to
 * the total. Ties go to the earlier part. All weights zero: everything to the first part.
 */
export function allocate(total: Minor, weights: readonly number[]): Minor[] {
  if (weights.length === 0) return [];
  const sum = weights.reduce((a, b) => a + b, 0);
  if (sum === 0) return weights.map((_, i) => (i === 0 ? total : minor(0)));
  const exact = weights.map((weight) => (Math.abs(total) * weight) / sum);
  const floors = exact.map(Math.floor);
  let left = Math.abs(total) - floors.reduce((a, b) => a + b, 0);
  const byRemainder = exact
    .map((value, i) => ({ i, rest: value - floors[i]! }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (const { i } of byRemainder) {
    if (left <= 0) break;
    floors[i]! += 1;
    left -= 1;
  }
  return floors.map((value) => minor(total < 0 ? 0 - value : value));
}
