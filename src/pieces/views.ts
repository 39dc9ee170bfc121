import type { Views } from '~/runtime/piece-host';

/** The view of every kind of piece, fetched when it is first needed. `definitions.ts` has the matching list. */
export const views: Views = {
  listing: { load: () => import('./listing/view'), at: '.more,[data-pl-enlarge]' },
  'quick-view': { load: () => import('./quick-view/view') },
  'order-form': { load: () => import('./order-form/view'), at: '.order-form' },
  compare: { load: () => import('./compare/view') },
  'product-options': { load: () => import('./product-options/view'), at: '[data-pl-options]' },
  'buy-bar': { load: () => import('./buy-bar/view') },
  'added-popup': { load: () => import('./added-popup/view'), isAsked: true },
  'cart-opener': { load: () => import('./cart-opener/view') },
  'cart-surface': { load: () => import('./cart-surface/view'), isAsked: true },
  'line-editor': { load: () => import('./line-editor/view'), isAsked: true },
  'cart-page': { load: () => import('./cart-page/view') },
  checkout: { load: () => import('./checkout/view') },
};
