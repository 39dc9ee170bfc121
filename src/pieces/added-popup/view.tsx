/** @jsxImportSource preact */
import { render } from 'preact';
import { formatMoney } from '~/core/money/currency';
import type { ManifestPiece } from '~/core/lane';
import { cartCss } from '~/pieces/_cart/css';
import headCss from '~/runtime/kit/dialog-head.css?inline';
import { createShadow } from '~/runtime/kit/shadow';
import type { MountedPiece, OpenAbout, PieceHost } from '~/runtime/piece-host';
import type { AddedPopupPiece } from './definition';
import { Popup } from './popup';
import css from './view.css?inline';

/** Opens after an add, and closes by itself only while nobody is at it. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as AddedPopupPiece;
  let host = initialHost;
  let lineId: string | null = null;
  let isOpen = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const heldBy = new Set<'pointer' | 'focus'>();
  const shadow = createShadow('pl-added', piece.id);
  host.page.layer(shadow.element);
  const stopWatching = host.cart.watch(() => isOpen && draw());

  function draw(): void {
    shadow.style(host.themeCss, cartCss + headCss + css, piece.css);
    const { view: cart } = host.cart;
    const line = cart?.lines.find(({ id }) => id === lineId) ?? null;
    render(
      <Popup
        piece={piece}
        host={host}
        cart={cart}
        line={isOpen ? line : null}
        money={(amount) => formatMoney(amount, host.currency, host.locale)}
        onHold={(by, isHeld) => {
          if (isHeld) heldBy.add(by);
          else heldBy.delete(by);
          wait();
        }}
        onCart={(event) => {
          if (host.openRole('cart', { opener: null })) event.preventDefault();
        }}
      />,
      shadow.root,
    );
  }

  function wait(): void {
    clearTimeout(timer);
    if (!isOpen || heldBy.size > 0 || host.isPreview || piece.settings.closes !== 'itself') return;
    timer = setTimeout(() => isOpen && host.surfaces.close(), piece.settings.seconds * 1000);
  }

  function open(about: OpenAbout): void {
    // Without a line (previews): the one added last.
    lineId = about.lineId ?? host.cart.view?.lines.at(-1)?.id ?? null;
    const wasOpen = isOpen;
    isOpen = true;
    draw();
    wait();
    if (wasOpen) return;
    host.surfaces.open({
      dialog: shadow.root.querySelector('dialog')!,
      address: null,
      opener: about.opener,
      isAside: piece.settings.form === 'corner',
      onClose: () => {
        isOpen = false;
        heldBy.clear();
        clearTimeout(timer);
        draw();
      },
    });
    host.recorder.record('piece-seen', { piece: piece.id });
  }

  draw();
  return {
    update(next, nextHost) {
      const before = piece.settings.form;
      piece = next as AddedPopupPiece;
      host = nextHost;
      // From a corner to the middle is another kind of dialog.
      if (isOpen && before !== piece.settings.form) {
        host.surfaces.close();
        open({ opener: null, lineId });
      } else draw();
    },
    open,
    destroy() {
      if (isOpen) host.surfaces.close();
      stopWatching();
      shadow.element.remove();
    },
  };
}
