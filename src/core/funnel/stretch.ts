/** The six parts of the way from browsing to after the order, in order. */
export const STRETCHES = ['browse', 'look', 'add', 'cart', 'pay', 'after'] as const;
export type Stretch = (typeof STRETCHES)[number];

export const STRETCH_NAMES: Readonly<Record<Stretch, string>> = {
  browse: 'Browse',
  look: 'Look',
  add: 'Add',
  cart: 'Cart',
  pay: 'Pay',
  after: 'After',
};

/** What the runtime and the server record. */
export const EVENT_KINDS = [
  'page',
  'product-page',
  'quick-view',
  'add',
  'cart-seen',
  'checkout',
  'payment-failed',
  'order',
  'search',
  'piece-seen',
] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

const STRETCH_OF: Readonly<Record<EventKind, Stretch>> = {
  page: 'browse',
  search: 'browse',
  'piece-seen': 'browse',
  'product-page': 'look',
  'quick-view': 'look',
  add: 'add',
  'cart-seen': 'cart',
  checkout: 'pay',
  'payment-failed': 'pay',
  order: 'after',
};

/** 1 (browse) to 6 (after). */
export function depthOf(kind: EventKind): number {
  return STRETCHES.indexOf(STRETCH_OF[kind]) + 1;
}
