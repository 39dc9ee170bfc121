import type { PieceView } from './piece-host';

interface RegisteredView {
  readonly load: () => Promise<PieceView>;
  /** Fetched with the first sign of life, shown when opened; else on every page that has it. */
  readonly isAsked?: true;
  /** Only on pages that hold such an element. */
  readonly at?: string;
}

/** The view of every kind of piece, fetched when it is first needed. The registry of definitions has the matching list. */
export const views: Readonly<Record<string, RegisteredView>> = {
  listing: { load: () => import('~/pieces/listing/view'), at: '.more,[data-pl-enlarge]' },
  'quick-view': { load: () => import('~/pieces/quick-view/view') },
  'order-form': { load: () => import('~/pieces/order-form/view'), at: '.order-form' },
  compare: { load: () => import('~/pieces/compare/view') },
  'product-options': { load: () => import('~/pieces/product-options/view'), at: '[data-pl-options]' },
  'buy-bar': { load: () => import('~/pieces/buy-bar/view') },
  'added-popup': { load: () => import('~/pieces/added-popup/view'), isAsked: true },
  'cart-opener': { load: () => import('~/pieces/cart-opener/view') },
  'cart-surface': { load: () => import('~/pieces/cart-surface/view'), isAsked: true },
  'line-editor': { load: () => import('~/pieces/line-editor/view'), isAsked: true },
  'cart-page': { load: () => import('~/pieces/cart-page/view') },
  checkout: { load: () => import('~/pieces/checkout/view') },
};
