import { minor, type Minor } from './minor';

/**
 * Splits `total` in proportion to `weights` by the largest-remainder method (Hamilton), so the parts always add up to
 * the total. Ties go to the earlier part. All weights zero: everything to the first part.
 */
export function allocate(total: Minor, weights: readonly number[]): Minor[] {
  if (weights.length === 0) return [];
  const sum = weights.reduce((a, b) => a + b, 0);
  if (sum === 0) return weights.map((_, i) => (i === 0 ? total : minor(0)));
  // Whole numbers all along: of parts that are equal, none may look larger by a rounding of the machine.
  const parts = weights.map((weight) => divide(Math.abs(total), weight, sum));
  const floors = parts.map(({ whole }) => whole);
  let left = Math.abs(total) - floors.reduce((a, b) => a + b, 0);
  const byRemainder = parts.map(({ rest }, i) => ({ i, rest })).sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (const { i } of byRemainder) {
    if (left <= 0) break;
    floors[i]! += 1;
    left -= 1;
  }
  return floors.map((value) => minor(total < 0 ? 0 - value : value));
}

/** For up to so many parts, remaining units are given out by searching for the largest remainder each time. */
const MOST_LOOKED_THROUGH = 40;
const rests = new Float64Array(MOST_LOOKED_THROUGH);

/**
 * `allocate` in place, for sums that are worked out very often: the first `count` of `parts` are the weights (0 or more, whole,
 * not all 0), and become the parts. `total` is 0 or more, and whole.
 */
export function allocateInto(total: number, parts: Float64Array, count: number): void {
  let sum = 0;
  for (let i = 0; i < count; i += 1) sum += parts[i]!;
  if (count > MOST_LOOKED_THROUGH || total * sum > Number.MAX_SAFE_INTEGER) {
    parts.set(allocate(minor(total), [...parts.subarray(0, count)]));
    return;
  }
  let left = total;
  for (let i = 0; i < count; i += 1) {
    const product = total * parts[i]!;
    const whole = Math.floor(product / sum);
    rests[i] = product - whole * sum;
    parts[i] = whole;
    left -= whole;
  }
  for (; left > 0; left -= 1) {
    let largest = 0;
    for (let i = 1; i < count; i += 1) if (rests[i]! > rests[largest]!) largest = i;
    parts[largest]! += 1;
    rests[largest] = -1;
  }
}

/** `a × b ÷ sum` as a whole and what is left, exactly. */
function divide(a: number, b: number, sum: number): { whole: number; rest: number } {
  const product = a * b;
  if (product <= Number.MAX_SAFE_INTEGER) {
    const rest = product % sum;
    return { whole: (product - rest) / sum, rest };
  }
  const [exact, by] = [BigInt(a) * BigInt(b), BigInt(sum)];
  return { whole: Number(exact / by), rest: Number(exact % by) };
}
