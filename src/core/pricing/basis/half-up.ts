/** A part of a whole number in basis points, to the nearest, halves up. Whole numbers throughout: exact up to 2⁵³. */
export function partOf(amount: number, basisPoints: number): number {
  return halfUp(amount * basisPoints, 10_000);
}

/** `a ÷ b` to the nearest, halves up; both whole, b above 0. */
export function halfUp(a: number, b: number): number {
  return Math.floor((2 * a + b) / (2 * b));
}
