/** How an owner narrows the list of orders. */
export const ORDER_FILTERS = ['all', 'open', 'sent', 'returning', 'refunded', 'failed'] as const;
export type OrderFilter = (typeof ORDER_FILTERS)[number];
