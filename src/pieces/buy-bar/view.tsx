/** @jsxImportSource preact */
import { render } from 'preact';
import { isSoldOut, resolveVariant } from '~/core/catalogue/choose';
import type { Product } from '~/core/catalogue';
import { formatMoney } from '~/core/money/currency';
import type { ManifestPiece } from '~/core/lane';
import { readPage } from '~/runtime/own/about';
import { afterPress } from '~/runtime/kit/after-press';
import { claimEdge, mainButton, productForm } from '~/runtime/kit/page-parts';
import { createShadow } from '~/runtime/kit/shadow';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import { Bar, type BarState } from './bar';
import type { BuyBarPiece } from './definition';
import css from './view.css?inline';

/** A bar for what the page is for; it reads the page's own form and writes to it, so that both always say the same. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as BuyBarPiece;
  let host = initialHost;
  let isButtonSeen = true;
  let product: Product | null = null;
  let wasSeen = false;
  const { page, product: slug } = readPage();
  const shadow = createShadow('pl-buy-bar', piece.id);
  host.page.layer(shadow.element);
  const form = productForm();
  const watch = new IntersectionObserver((entries) => {
    isButtonSeen = entries.at(-1)!.isIntersecting;
    draw();
  });
  let watched: Element | null = null;
  const stopWatching = host.cart.watch(draw);
  form?.addEventListener('change', draw);
  form?.addEventListener('pl-options', draw);
  if (page === 'product' && slug)
    void host.products.fetch(slug).then((found) => {
      product = found;
      draw();
    });
  else if (!host.cart.view) void host.cart.load();
  draw();

  function stateOf(): BarState | null {
    if (page === 'product') {
      if (!product || !form) return null;
      const fields = new FormData(form);
      return {
        page,
        product,
        choices: Object.fromEntries(product.axes.map((axis) => [axis, String(fields.get(`choice:${axis}`) ?? '')])),
        quantity: Number(fields.get('quantity') ?? 1) || 1,
        extra: {
          unitMinor: Number(form.dataset['plExtra'] ?? 0),
          onceMinor: Number(form.dataset['plOnce'] ?? 0),
        },
        isOpen: form.dataset['plOpen'] === 'true',
      };
    }
    const { view } = host.cart;
    const cart = page === 'checkout' ? (host.cart.quoted ?? view) : view;
    return cart && (page === 'cart' || page === 'checkout') ? { page, cart } : null;
  }

  function isShown(state: BarState): boolean {
    const { settings } = piece;
    if (state.page === 'product' && !settings.onSoldOut && state.product.variants.every(isSoldOut))
      return host.isPreview;
    if (state.page !== 'product' && state.cart.lines.length === 0) return false;
    // A page without a button of its own has none that could be in view.
    return settings.shows === 'always' || !watched || !isButtonSeen || host.isPreview;
  }

  function draw(): void {
    afterPress(drawNow);
  }

  function drawNow(): void {
    const state = stateOf();
    if (!state) return;
    // The page's button may be drawn anew; the one there is now is the one to watch.
    const button = mainButton();
    if (button !== watched) {
      watch.disconnect();
      watched = button;
      if (button) watch.observe(button);
    }
    const shows = isShown(state);
    if (shows && !wasSeen) host.recorder.record('piece-seen', { piece: piece.id });
    wasSeen ||= shows;
    const edge = host.device === 'phone' ? piece.settings.edgePhone : piece.settings.edgeDesktop;
    shadow.style(host.themeCss, css, piece.css);
    render(
      <Bar
        piece={piece}
        host={host}
        state={state}
        isShown={shows}
        edge={edge}
        money={(amount) => formatMoney(amount, host.currency, host.locale)}
        onChoose={choose}
        onQuantity={setQuantity}
        onQuote={draw}
        onPress={() => press(state)}
      />,
      shadow.root,
    );
    const { offsetHeight } = shadow.root.querySelector<HTMLElement>('.bar')!;
    claimEdge(edge, offsetHeight);
    claimEdge(edge === 'top' ? 'bottom' : 'top', 0);
  }

  function choose(axis: string, value: string): void {
    const radio = [...(form?.elements ?? [])].find(
      (field): field is HTMLInputElement =>
        field instanceof HTMLInputElement && field.name === `choice:${axis}` && field.value === value,
    );
    if (!radio) return;
    radio.checked = true;
    radio.dispatchEvent(new Event('change', { bubbles: true }));
  }

  function setQuantity(quantity: number): void {
    const field = form?.elements.namedItem('quantity');
    if (!(field instanceof HTMLInputElement)) return;
    field.value = String(quantity);
    field.dispatchEvent(new Event('change', { bubbles: true }));
  }

  /** Presses the page's own button, so that all its rules hold; with something still open it leads there. */
  function press(state: BarState): void {
    if (host.isPreview) return;
    const isReady = state.page !== 'product' || (resolveVariant(state.product, state.choices).ok && !state.isOpen);
    if (!isReady) {
      const open = form!.querySelector<HTMLElement>(
        '[data-pl-options] [aria-invalid=true], [data-pl-options], fieldset',
      );
      const calm = matchMedia('(prefers-reduced-motion: reduce)').matches;
      (open ?? form!).scrollIntoView({ block: 'center', behavior: calm ? 'auto' : 'smooth' });
    }
    if (state.page === 'product') form!.requestSubmit();
    else mainButton()?.click();
  }

  return {
    update(next, nextHost) {
      piece = next as BuyBarPiece;
      host = nextHost;
      draw();
    },
    destroy() {
      watch.disconnect();
      stopWatching();
      form?.removeEventListener('change', draw);
      form?.removeEventListener('pl-options', draw);
      claimEdge('bottom', 0);
      claimEdge('top', 0);
      shadow.element.remove();
    },
  };
}
