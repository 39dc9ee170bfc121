/** How an owner narrows the list of products. */
export const PRODUCT_FILTERS = ['all', 'shown', 'hidden', 'in-stock', 'sold-out'] as const;
export type ProductFilter = (typeof PRODUCT_FILTERS)[number];
