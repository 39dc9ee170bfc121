/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import type { CartShown } from '../_cart/cart-controller';
import { cartCss } from '../_cart/css';
import { CartPage } from './cart-page';
import type { CartPagePiece } from './definition';
import css from './view.css?inline';

export type { CartPagePiece };

/** The cart as a page: what it is drawn from, and the style it stands in. */
export default {
  css: cartCss + css,
  draw: (shown: CartShown, piece: CartPagePiece) =>
    renderToString(<CartPage shown={shown} piece={piece} device={null} />),
};
