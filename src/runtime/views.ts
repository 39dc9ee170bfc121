import type { PieceView } from './piece-host';

/** The view of every kind of piece, fetched when it is first needed. The registry of definitions has the matching list. */
export const views: Readonly<Record<string, () => Promise<PieceView>>> = {
  'quick-view': () => import('~/pieces/quick-view/view'),
  'cart-surface': () => import('~/pieces/cart-surface/view'),
};
