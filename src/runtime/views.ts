import type { PieceView } from './piece-host';

interface RegisteredView {
  readonly load: () => Promise<PieceView>;
  /** `once`: on every page that has it. `asked`: fetched with the first sign of life, shown when opened. */
  readonly when: 'once' | 'asked';
  /** With `once`: only on pages that hold such an element. */
  readonly at?: string;
}

/** The view of every kind of piece, fetched when it is first needed. The registry of definitions has the matching list. */
export const views: Readonly<Record<string, RegisteredView>> = {
  'quick-view': { load: () => import('~/pieces/quick-view/view'), when: 'once' },
  'product-options': { load: () => import('~/pieces/product-options/view'), when: 'once', at: '[data-pl-options]' },
  'buy-bar': { load: () => import('~/pieces/buy-bar/view'), when: 'once' },
  'added-popup': { load: () => import('~/pieces/added-popup/view'), when: 'asked' },
  'cart-opener': { load: () => import('~/pieces/cart-opener/view'), when: 'once' },
  'cart-surface': { load: () => import('~/pieces/cart-surface/view'), when: 'asked' },
  'line-editor': { load: () => import('~/pieces/line-editor/view'), when: 'asked' },
  'cart-page': { load: () => import('~/pieces/cart-page/view'), when: 'once' },
  checkout: { load: () => import('~/pieces/checkout/view'), when: 'once' },
};
