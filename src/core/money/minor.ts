declare const brand: unique symbol;
/** Integer minor units of one currency: 1999 is 19.99 EUR, or 1999 JPY. */
export type Minor = number & { readonly [brand]: true };

/** The only cast. A fraction here is our bug, not bad input, so it throws. */
export function minor(n: number): Minor {
  if (!Number.isSafeInteger(n)) throw new RangeError(`Not whole minor units: ${n}`);
  return n as Minor;
}

export function sumMinor(amounts: readonly number[]): Minor {
  let total = 0;
  for (const amount of amounts) total += amount;
  return minor(total);
}
