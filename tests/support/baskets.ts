import { basketsOf, type Baskets } from '~/core/finder';

/** Numbers from 0 to 1, the same for the same seed (a linear congruential generator; Numerical Recipes). */
export function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

/** Baskets as lists of products, `week` by basket. */
export function basketsFrom(
  lists: readonly (readonly string[])[],
  week: (basket: number) => number = () => 0,
): Baskets {
  return basketsOf(lists.flatMap((list, basket) => list.map((product) => ({ basket, product, week: week(basket) }))));
}

/** The same baskets, sizes and weeks, with what is in them dealt anew; nothing goes with anything. */
export function shuffled({ products, starts, items, weeks }: Baskets, random: () => number): Baskets {
  const dealt = Int32Array.from(items);
  const basketAt = new Int32Array(items.length);
  for (let basket = 0; basket < starts.length - 1; basket += 1)
    basketAt.fill(basket, starts[basket], starts[basket + 1]);
  const has = (basket: number, item: number) => {
    for (let i = starts[basket]!; i < starts[basket + 1]!; i += 1) if (dealt[i] === item) return true;
    return false;
  };
  // Swaps that put nothing twice into a basket: every dealing with these sizes and these numbers of each is as likely.
  for (let n = 0; n < items.length * 8; n += 1) {
    const [i, j] = [Math.floor(random() * items.length), Math.floor(random() * items.length)];
    const [a, b] = [dealt[i]!, dealt[j]!];
    if (a === b || has(basketAt[i]!, b) || has(basketAt[j]!, a)) continue;
    dealt[i] = b;
    dealt[j] = a;
  }
  return { products, starts, items: dealt, weeks };
}
