/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import type { CartShown } from '../_cart/cart-controller';
import { cartCss } from '../_cart/css';
import { CheckoutPage, type CheckoutState } from './checkout-page';
import type { CheckoutPiece } from './definition';
import css from './view.css?inline';

export type { CheckoutPiece, CheckoutState };

/** The checkout as a page. */
export default {
  css: cartCss + css,
  draw: (shown: CartShown, piece: CheckoutPiece, state: CheckoutState) =>
    renderToString(<CheckoutPage shown={shown} piece={piece} state={state} device={null} />),
};
