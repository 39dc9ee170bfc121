/** Items of one variant in an order, at most. */
export const MOST_PER_LINE = 99;

/** Two presses as close together are one wish: fingers are slower than mice, and slow phones slower still. */
export const DOUBLE_CLICK_MS = 600;
