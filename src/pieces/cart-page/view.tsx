/** @jsxImportSource preact */
import type { CartView } from '~/core/cart';
import { formatMoney } from '~/core/money/currency';
import type { ManifestPiece } from '~/core/lane';
import { createCartController, serverDrawn, type Suggested } from '~/pieces/_cart/cart-controller';
import { hydrateDrawn } from '~/runtime/kit/hydrate';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import { CartPage } from './cart-page';
import type { CartPagePiece } from './definition';

interface Given {
  readonly piece: CartPagePiece;
  readonly cart: CartView;
  readonly language: string;
  readonly suggested: Suggested;
}

/** Takes the page the server drew over, so that nothing on it needs another page. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as CartPagePiece;
  let host = initialHost;
  const money = (amount: number) => formatMoney(amount, host.currency, host.locale);
  const returnTo = '/shop/cart';
  const place = hydrateDrawn<Given>('pl-cart-page', piece.id, (given) => (
    <CartPage
      shown={serverDrawn(given.cart, {
        money,
        returnTo,
        language: given.language,
        suggested: given.suggested,
      })}
      piece={given.piece}
      device={null}
    />
  ));
  const controller = createCartController({ host: () => host, words: () => piece.words, redraw: draw });
  const stopWatching = host.cart.watch(draw);
  draw();
  void host.cart.load();

  function draw(): void {
    if (!place) return;
    place.style(host.themeCss, piece.css);
    const cart = host.cart.view ?? place.given.cart;
    const { language, device } = host;
    place.draw(
      <CartPage
        shown={{ cart, money, language, returnTo, controller, host, suggested: place.given.suggested }}
        piece={piece}
        device={device}
      />,
    );
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
