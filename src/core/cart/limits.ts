/** Items of one variant in an order, at most. */
export const MOST_PER_LINE = 99;

/** Rows added to a cart by one request, at most. */
export const MOST_AT_ONCE = 200;

/** Two presses as close together are one wish: fingers are slower than mice, and slow phones slower still. */
export const DOUBLE_CLICK_MS = 600;
