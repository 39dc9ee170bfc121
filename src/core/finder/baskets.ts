/** What was bought together: products by number, without repeats within a basket, and the week each basket was bought in. */
export interface Baskets {
  /** Slugs, by number. */
  readonly products: readonly string[];
  /** Where each basket begins in `items`; one more than there are baskets. */
  readonly starts: Int32Array;
  readonly items: Int32Array;
  /** Any numbers that tell weeks apart. */
  readonly weeks: Int32Array;
}

/** Baskets from rows in the order of their baskets; of a product several times in one only the first counts. */
export function basketsOf(
  rows: Iterable<{ readonly basket: number; readonly product: string; readonly week: number }>,
): Baskets {
  const numbers = new Map<string, number>();
  const items: number[] = [];
  const starts: number[] = [];
  const weeks: number[] = [];
  let basket: number | null = null;
  let own = new Set<number>();
  for (const row of rows) {
    if (row.basket !== basket) {
      basket = row.basket;
      own = new Set();
      starts.push(items.length);
      weeks.push(row.week);
    }
    let number = numbers.get(row.product);
    if (number === undefined) numbers.set(row.product, (number = numbers.size));
    if (own.has(number)) continue;
    own.add(number);
    items.push(number);
  }
  starts.push(items.length);
  return {
    products: [...numbers.keys()],
    starts: Int32Array.from(starts),
    items: Int32Array.from(items),
    weeks: Int32Array.from(weeks),
  };
}
