/** @jsxImportSource preact */
import { render } from 'preact';
import { formatMoney } from '~/core/money/currency';
import type { ManifestPiece } from '~/core/lane';
import { cartCss } from '~/pieces/_cart/css';
import { createCartController } from '~/pieces/_cart/cart-controller';
import { createShadow } from '~/runtime/kit/shadow';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import { CartPanel } from './cart-panel';
import type { CartSurfacePiece } from './definition';
import css from './view.css?inline';

/** One panel for the cart, drawn anew whenever the cart or the piece changes. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as CartSurfacePiece;
  let host = initialHost;
  let isOpen = false;
  let fromTop = 64;
  const shadow = createShadow('pl-cart', piece.id);
  host.page.layer(shadow.element);
  const controller = createCartController({
    host: () => host,
    words: () => piece.words,
    redraw: draw,
    reopen: () => !isOpen && open(null),
  });
  // A closed panel is not drawn; opening draws it.
  const stopWatching = host.cart.watch(() => isOpen && draw());

  function draw(): void {
    shadow.style(host.themeCss, cartCss + css, piece.css);
    const { view: cart } = host.cart;
    const money = (amount: number) => formatMoney(amount, host.currency, host.locale);
    const { language } = host;
    const shown = cart && { cart, money, language, returnTo: '/shop/cart', controller, host };
    render(<CartPanel shown={shown} piece={piece} host={host} fromTop={fromTop} />, shadow.root);
  }

  function open(opener: Element | null): void {
    if (isOpen) return draw();
    if (piece.settings.form === 'checkout' && !host.isPreview) return host.page.go('/shop/checkout');
    isOpen = true;
    // Below its opener if that is in view; otherwise at the top of the window.
    const box = opener?.matches('[data-pl-cart]') ? opener.getBoundingClientRect() : null;
    fromTop = box && box.bottom > 0 && box.bottom < innerHeight / 2 ? box.bottom + 8 : 16;
    controller.clear();
    if (!host.cart.view) void host.cart.load();
    host.surfaces.open({
      dialog: shadow.root.querySelector('dialog')!,
      address: null,
      opener,
      onClose: () => {
        isOpen = false;
      },
    });
    if ((host.cart.view?.count ?? 0) > 0) host.recorder.record('cart-seen', { piece: piece.id });
  }

  draw();
  return {
    update(next, nextHost) {
      piece = next as CartSurfacePiece;
      host = nextHost;
      draw();
    },
    open: ({ opener }) => open(opener),
    destroy() {
      if (isOpen) host.surfaces.close();
      stopWatching();
      shadow.element.remove();
    },
  };
}
