/** How many suggestions an added popup of a size holds beside everything else without scrolling on a phone of 390 × 844. */
const FIT = { small: 1, medium: 2, large: 4 } as const;

export function suggestionsThatFit(size: keyof typeof FIT): number {
  return FIT[size];
}
