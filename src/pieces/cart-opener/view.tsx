/** @jsxImportSource preact */
import { render, type VNode } from 'preact';
import { boxAt, keepOff, readPlace, type Box } from '~/core/opener-position/opener-position';
import { formatMoney } from '~/core/money/currency';
import type { ManifestPiece } from '~/core/lane';
import { Drawing } from '~/runtime/kit/icons';
import { fill } from '~/core/words/fill';
import { createShadow, directionOf, type Shadow } from '~/runtime/kit/shadow';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import type { CartOpenerPiece } from './definition';
import { CART_ICONS } from './icons';
import type { dragOpener } from './drag';
import css from './view.css?inline';

const INSET = 16;
const GAP = 12;
const REST_MS = 180;
const FEEDBACK_MS = 320;
/** After the last of a scroll. */
const SETTLE_MS = 120;
/** What is pressed to buy: never under the button, wherever the page is scrolled to. */
const ADD_BUTTONS = '[data-pl-add] button, [data-pl-order-form] button';

/** The button that leads to the cart: in the header in place of the shop's own link, or floating where the owner put it. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as CartOpenerPiece;
  let host = initialHost;
  let count: number | null = null;
  let feedback = false;
  let dragged = false;
  /** Only the bench asks for it. */
  let drag: typeof dragOpener | null = null;
  if (host.isPreview) void import('./drag').then((loaded) => (drag = loaded.dragOpener));
  let rest: ReturnType<typeof setTimeout> | undefined;
  let settle: ReturnType<typeof setTimeout> | undefined;
  const shadow = createShadow('pl-cart-opener', piece.id);
  const button = () => shadow.root.querySelector<HTMLElement>('a');
  const stopWatching = host.cart.watch((cart) => {
    if (count !== null && cart.count > count) {
      feedback = true;
      setTimeout(() => {
        feedback = false;
        draw();
      }, FEEDBACK_MS);
    }
    count = cart.count;
    place();
  });
  addEventListener('resize', stand);
  addEventListener('pl-edges', stand);
  addEventListener('scroll', settleDown, { passive: true });
  if (!host.cart.view) void host.cart.load();
  place();

  /** Puts the element where it belongs. The shop's own link gives way to one in the header, and comes back after. */
  function place(): void {
    const link = document.querySelector<HTMLElement>('a[data-pl-cart]');
    const isHeader = piece.settings.stands === 'header' && link !== null;
    // Where the button comes only with something in the cart, the shop's own link stays as it was.
    if (link) link.hidden = isHeader || !(piece.settings.keepsLink || piece.settings.hideEmpty);
    // Moved only where it must: what is moved loses the focus.
    if (isHeader && link.previousSibling !== shadow.element) link.before(shadow.element);
    if (!isHeader && !(shadow.element.parentNode instanceof HTMLBodyElement)) host.page.layer(shadow.element);
    draw();
  }

  function open(opener: Element): boolean {
    return host.openRole('cart', { opener });
  }

  function draw(): void {
    shadow.style(host.themeCss, css, piece.css);
    // Floating it stands in no part of the page; whoever goes by landmarks finds it by its name.
    const isFloating = piece.settings.stands === 'floating';
    shadow.element.role = isFloating ? 'region' : null;
    shadow.element.ariaLabel = isFloating ? piece.words.label : null;
    render(
      <Button
        piece={piece}
        host={host}
        feedback={feedback}
        onPress={(event) => {
          clearTimeout(rest);
          // The press that ends a drag is no press: neither on the button, nor to choose it in the bench.
          if (dragged) event.stopPropagation();
          if (dragged || open(event.currentTarget)) event.preventDefault();
        }}
        onRest={(event) => {
          if (piece.settings.opensBy !== 'hover' || event.pointerType !== 'mouse' || host.isPreview) return;
          const button = event.currentTarget;
          rest = setTimeout(() => open(button), REST_MS);
        }}
        onLeave={() => clearTimeout(rest)}
        onGrab={host.isPreview ? grab : undefined}
      />,
      shadow.root,
    );
    stand();
  }

  function settleDown(): void {
    clearTimeout(settle);
    settle = setTimeout(stand, SETTLE_MS);
  }

  /** Stands at its place, off everything else that stands fixed, the page's own bars and ours, and off what adds. */
  function stand(): void {
    const element = button();
    if (!element || piece.settings.stands !== 'floating') return;
    const { settings } = piece;
    const isRightToLeft = directionOf(host.language) === 'rtl';
    const window = { width: document.documentElement.clientWidth, height: innerHeight };
    const size = { width: element.offsetWidth, height: element.offsetHeight };
    const wanted = boxAt(readPlace(window.width < 640 ? settings.placePhone : settings.placeDesktop), size, window, {
      inset: INSET,
      isRightToLeft,
    });
    const box = keepOff(wanted, [...fixedAround(shadow, wanted, window), ...addButtons(window)], window, GAP);
    element.style.insetInlineStart = 'auto';
    element.style.left = `${box.left}px`;
    element.style.top = `calc(${box.top}px - ${box.top > window.height / 2 ? 'env(safe-area-inset-bottom, 0px)' : '0px'})`;
  }

  /** In the bench it is dragged to its place. */
  function grab(event: PointerEvent): void {
    const element = button();
    if (!element || piece.settings.stands !== 'floating') return;
    dragged = false;
    // Else the browser would begin to drag the link itself, and take the pointer away.
    event.preventDefault();
    drag?.(element, event, { piece, language: host.language, onDrag: (isDragged) => (dragged = isDragged) });
  }

  return {
    update(next, nextHost) {
      piece = next as CartOpenerPiece;
      host = nextHost;
      place();
    },
    destroy() {
      stopWatching();
      removeEventListener('resize', stand);
      removeEventListener('pl-edges', stand);
      removeEventListener('scroll', settleDown);
      clearTimeout(settle);
      shadow.element.remove();
      const link = document.querySelector<HTMLElement>('a[data-pl-cart]');
      if (link) link.hidden = false;
    },
  };
}

interface ButtonProps {
  readonly piece: CartOpenerPiece;
  readonly host: PieceHost;
  readonly feedback: boolean;
  readonly onPress: (event: MouseEvent & { currentTarget: HTMLElement }) => void;
  readonly onRest: (event: PointerEvent & { currentTarget: HTMLElement }) => void;
  readonly onLeave: () => void;
  readonly onGrab: ((event: PointerEvent) => void) | undefined;
}

function Button({ piece, host, feedback, onPress, onRest, onLeave, onGrab }: ButtonProps): VNode | null {
  const { settings, words } = piece;
  const { view: cart } = host.cart;
  const count = cart?.count ?? 0;
  if (settings.hideEmpty && count === 0) return null;
  const things = fill(words.things, { count }, host.language);
  return (
    <a
      href="/shop/cart"
      data-pl-cart
      data-slot="opener"
      data-part=""
      data-stands={settings.stands}
      data-opens-by={settings.opensBy}
      data-hides-empty={settings.hideEmpty}
      data-motion={settings.feedback}
      data-feedback={feedback ? settings.feedback : undefined}
      data-drags={onGrab && settings.stands === 'floating' ? true : undefined}
      dir={directionOf(host.language)}
      style={{ '--size': `${settings.size}px` }}
      aria-label={`${words.label}: ${things}`}
      draggable={false}
      onClick={onPress}
      onPointerEnter={onRest}
      onPointerLeave={onLeave}
      onPointerDown={onGrab}
    >
      {piece.parts
        .filter((part) => !part.hideOn.includes(host.device))
        .map(({ key }) => {
          switch (key) {
            case 'icon':
              return (
                <span key={key} data-part="icon">
                  {settings.ownIcon ? (
                    <img src={settings.ownIcon} alt="" draggable={false} />
                  ) : (
                    <Drawing path={CART_ICONS[settings.icon]} size={settings.stands === 'header' ? 20 : 24} />
                  )}
                </span>
              );
            case 'label':
              return (
                <span key={key} data-part="label" data-word="label">
                  {words.label}
                </span>
              );
            case 'count':
              return settings.countAs === 'text' ? (
                <span key={key} class="things" data-part="count">
                  {things}
                </span>
              ) : (
                count > 0 && (
                  <span key={key} class="count" data-part="count" data-slot="count">
                    {count}
                  </span>
                )
              );
            case 'subtotal':
              return (
                cart && (
                  <span key={key} class="sum" data-part="subtotal" data-pl-sum="goods">
                    {formatMoney(cart.subtotalMinor - cart.discountMinor, host.currency, host.locale)}
                  </span>
                )
              );
          }
        })}
    </a>
  );
}

/** Fixed things that a box would lie on, found by asking the page at its corners and middle; `own` is what it is of. */
function fixedAround(own: Shadow, box: Box, window: { width: number; height: number }): Box[] {
  const found = new Set<Element>();
  for (const x of [box.left + 1, box.left + box.width / 2, box.left + box.width - 1])
    for (const y of [box.top + 1, box.top + box.height / 2, box.top + box.height - 1])
      for (const element of document.elementsFromPoint(
        Math.min(window.width - 1, Math.max(0, x)),
        Math.min(window.height - 1, Math.max(0, y)),
      )) {
        const inner = element.shadowRoot?.elementFromPoint(x, y) ?? element;
        if (own.element.contains(element) || element.shadowRoot === own.root) continue;
        for (let at: Element | null = inner; at; at = at.parentElement)
          if (getComputedStyle(at).position === 'fixed') found.add(at);
      }
  return [...found].map((element) => element.getBoundingClientRect());
}

/** What adds to the cart and is in sight. */
function addButtons(window: { height: number }): Box[] {
  return [...document.querySelectorAll(ADD_BUTTONS)]
    .map((element) => element.getBoundingClientRect())
    .filter(({ width, top, bottom }) => width > 0 && bottom > 0 && top < window.height);
}
