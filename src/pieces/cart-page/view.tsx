/** @jsxImportSource preact */
import { hydrate, render } from 'preact';
import { formatMoney } from '~/core/money/currency';
import type { ManifestPiece } from '~/core/lane';
import { cartCss } from '~/runtime/cart/css';
import { createDesk } from '~/runtime/cart/desk';
import { takeOver } from '~/runtime/kit/take-over';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import { CartPage } from './cart-page';
import type { CartPagePiece } from './definition';
import css from './view.css?inline';

/** Takes the page the server drew over, so that nothing on it needs another page. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as CartPagePiece;
  let host = initialHost;
  let isTaken = false;
  const place = takeOver('pl-cart-page', piece.id);
  const desk = createDesk({ host: () => host, words: () => piece.words, redraw: draw });
  const stopWatching = host.cart.watch(draw);
  void host.cart.load();

  function draw(): void {
    const { view: cart } = host.cart;
    if (!cart || !place) return;
    place.style(host.themeCss, cartCss + css, piece.css);
    const money = (amount: number) => formatMoney(amount, host.currency, host.locale);
    const { language, device } = host;
    const shown = { cart, money, language, returnTo: '/shop/cart', desk, host };
    const page = <CartPage shown={shown} piece={piece} device={device} />;
    if (isTaken) render(page, place.inside);
    else hydrate(page, place.inside);
    isTaken = true;
  }

  return {
    update(next, nextHost) {
      piece = next as CartPagePiece;
      host = nextHost;
      draw();
    },
    destroy: stopWatching,
  };
}
