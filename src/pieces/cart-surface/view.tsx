/** @jsxImportSource preact */
import { render } from 'preact';
import type { ManifestPiece } from '~/core/lane';
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
  let said = '';
  const shadow = createShadow('pl-cart', piece.id);
  document.body.append(shadow.element);
  const stopWatching = host.cart.watch(draw);

  function draw(): void {
    shadow.style(host.themeCss, css, piece.css);
    render(
      <CartPanel
        cart={host.cart.view}
        piece={piece}
        host={host}
        said={said}
        change={(request) => {
          if (host.isPreview) return;
          void host.cart.change(request).then((answer) => {
            said = answer.ok ? '' : answer.message;
            draw();
          });
        }}
      />,
      shadow.root,
    );
  }

  function open(opener: Element | null): void {
    if (isOpen) return draw();
    isOpen = true;
    said = '';
    draw();
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
    opensOnAdd: () => piece.settings.opensOnAdd,
    destroy() {
      if (isOpen) host.surfaces.close();
      stopWatching();
      shadow.element.remove();
    },
  };
}
