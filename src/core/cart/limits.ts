/** Items of one variant in an order, at most. */
export const MOST_PER_LINE = 99;
