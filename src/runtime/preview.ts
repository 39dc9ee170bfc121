import { isPreviewMessage, type FromPreview, type ToPreview } from '~/core/lane/preview/preview-message';
import type { LookState, Manifest, ManifestPiece } from '~/core/lane';
import type { CartClient } from './cart-client';
import type { OpenAbout } from './piece-host';
import { measureLooks } from './measure-looks';
import type { Surfaces } from './surfaces';

interface Preview {
  readonly apply: (manifest: Manifest) => Promise<void>;
  readonly open: (piece: ManifestPiece, about: OpenAbout) => Promise<void>;
  readonly cart: CartClient;
  readonly surfaces: Surfaces;
}

/** Colours that move stand still after as long, in ms. */
const STILL_MS = 250;

const OUTLINE =
  '[data-part][data-chosen]{outline:2px solid #f0b429;outline-offset:3px}[data-part]:hover{cursor:pointer}';

/** The framed shop's end of the bench's channel: takes manifests and situations, tells what is pressed and edited. */
export function startPreview({ apply, open, cart, surfaces }: Preview): void {
  const tell = (message: FromPreview) => parent.postMessage(message, location.origin);
  let chosen: { pieceId: string; part: string | null } | null = null;
  let forced: LookState = 'rest';
  let shaped: string | null = null;
  let measuring: number | undefined;
  let coming: number[] = [];
  let manifest: Manifest | null = null;
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(OUTLINE);

  /** Every shadow root of a piece, with the outline rules in it. */
  const roots = () =>
    pieceElements(document).map((element) => {
      const root = element.shadowRoot;
      const styled = root ?? document;
      if (!styled.adoptedStyleSheets.includes(sheet)) styled.adoptedStyleSheets.push(sheet);
      return root ?? element;
    });

  function mark(): void {
    for (const root of roots()) {
      for (const element of root.querySelectorAll<HTMLElement>('[data-part]'))
        element.toggleAttribute('data-chosen', Boolean(chosen?.part) && chosen?.part === element.dataset['part']);
      for (const element of root.querySelectorAll<HTMLElement>('[data-slot]')) element.dataset['force'] = forced;
    }
    window.clearTimeout(measuring);
    measuring = window.setTimeout(measure, STILL_MS);
  }

  /** Tells how the piece that is shaped stands, once nothing has been drawn anew for a moment. */
  function measure(): void {
    if (shaped === null) return;
    const own = pieceElements(document).filter((element) => pieceOf(element) === shaped);
    const slots = measureLooks(own.map((element) => element.shadowRoot ?? element));
    tell({ pl: 'measured', pieceId: shaped, state: forced, slots });
  }

  /** Marks again what opens: it is drawn when what it shows has come. */
  function markWhatComes(): void {
    for (const timer of coming) window.clearTimeout(timer);
    coming = [50, 300, 1000, 3000].map((ms) => window.setTimeout(mark, ms));
  }

  addEventListener('message', (event: MessageEvent<ToPreview>) => {
    if (event.origin !== location.origin || event.source !== parent || !isPreviewMessage(event.data)) return;
    const message = event.data;
    switch (message.pl) {
      case 'manifest':
        manifest = message.manifest;
        void apply(message.manifest).then(() => {
          mark();
          // The frame after the one in which the change was made is the one that shows it.
          requestAnimationFrame(() => setTimeout(() => tell({ pl: 'painted', seq: message.seq })));
        });
        break;
      case 'situation': {
        shaped = message.pieceId;
        cart.pretend(message.cart);
        const active = parent.document.activeElement as HTMLElement | null;
        const piece = manifest?.pieces.find(({ id }) => id === message.pieceId);
        // What stands in the page is brought into view; what lies over it is there anyway.
        pieceElements(document)
          .find((element) => pieceOf(element) === message.pieceId && element.closest('[data-pl-spot]'))
          ?.scrollIntoView({ block: 'nearest' });
        if (piece)
          void open(piece, {
            product: message.product,
            lineId: message.added ? (message.cart?.lines.at(-1)?.id ?? null) : null,
            opener: null,
          });
        // Opening takes the focus; whoever is typing in the bench keeps it.
        if (active && active.tagName !== 'IFRAME') active.focus({ preventScroll: true });
        markWhatComes();
        break;
      }
      case 'select':
        chosen = { pieceId: message.pieceId, part: message.part };
        mark();
        for (const root of roots()) root.querySelector('[data-chosen]')?.scrollIntoView({ block: 'nearest' });
        break;
      case 'redraw':
        void redraw().then(mark);
        break;
      case 'close':
        surfaces.close();
        roots()
          .flatMap((root) => [...root.querySelectorAll<HTMLElement>('[data-slot=opener]')])[0]
          ?.scrollIntoView({ block: 'center' });
        break;
      case 'force':
        forced = message.state;
        mark();
        break;
    }
  });

  /** Takes over what the server draws of this page now, place by place. */
  async function redraw(): Promise<void> {
    const response = await fetch(location.href, { cache: 'no-store' }).catch(() => null);
    if (!response?.ok) return;
    const page = new DOMParser().parseFromString(await response.text(), 'text/html');
    for (const spot of document.querySelectorAll<HTMLElement>('[data-pl-spot]')) {
      const drawn = page.querySelector(`[data-pl-spot="${spot.dataset['plSpot']}"]`);
      if (drawn) spot.replaceChildren(...drawn.childNodes);
    }
    document.dispatchEvent(new Event('pl-cards'));
  }

  // In the shop Tab stays in what is open; in the bench it leads on, out of the preview.
  addEventListener('keydown', (event) => event.key === 'Tab' && event.stopPropagation(), true);
  document.addEventListener('submit', (event) => event.preventDefault(), true);
  document.addEventListener('click', (event) => {
    const path = event.composedPath().filter((target): target is HTMLElement => target instanceof HTMLElement);
    // Links would leave the page that is being shaped; forms would order.
    if (path.some((element) => element.matches('a[href],form button:not([type=button])'))) event.preventDefault();
    const part = path.find((element) => element.dataset['part'] !== undefined);
    if (part) tell({ pl: 'selected', pieceId: pieceOf(part), part: part.dataset['part'] || null });
  });

  /** Words are edited where they stand: a double press turns them into a field until Enter, Esc or leaving. */
  document.addEventListener('dblclick', (event) => {
    const word = event
      .composedPath()
      .find((target): target is HTMLElement => target instanceof HTMLElement && target.dataset['word'] !== undefined);
    if (!word) return;
    const before = word.textContent?.trim() ?? '';
    const box = word.getBoundingClientRect();
    const field = document.createElement('input');
    field.value = before;
    field.style.cssText = `position:fixed;left:${box.left}px;top:${box.top}px;width:${Math.max(box.width, 120)}px;height:${box.height}px;font:inherit;z-index:9;outline:2px solid #f0b429;border:0;padding:0 4px`;
    // Laid over the word, in the surface itself: a modal surface lets nothing outside of it be typed in.
    (word.closest('dialog') ?? document.body).append(field);
    field.focus();
    field.select();
    let hasEnded = false;
    const end = (keep: boolean) => {
      // A field that is taken away loses the focus, which ends it once more.
      if (hasEnded) return;
      hasEnded = true;
      const text = field.value.trim();
      field.remove();
      if (keep && text && text !== before)
        tell({ pl: 'word', pieceId: pieceOf(word), word: word.dataset['word']!, text });
    };
    field.addEventListener('keydown', (key) => {
      key.stopPropagation();
      if (key.key !== 'Enter' && key.key !== 'Escape') return;
      key.preventDefault();
      end(key.key === 'Enter');
    });
    field.addEventListener('blur', () => end(true));
  });

  function pieceOf(element: HTMLElement): string {
    const own = element.closest<HTMLElement>('[data-pl-piece]');
    const { host } = element.getRootNode() as ShadowRoot;
    return (own ?? (host as HTMLElement | undefined))?.dataset['plPiece'] ?? '';
  }

  addEventListener('pl-setting', (event) =>
    tell({ pl: 'setting', ...(event as CustomEvent<{ pieceId: string; setting: string; value: string }>).detail }),
  );
  addEventListener('pagehide', () => {
    for (const timer of [measuring, ...coming]) window.clearTimeout(timer);
  });
  surfaces.close();
  tell({ pl: 'ready' });
}

/** Every element a piece is drawn in, those inside other pieces among them. */
function pieceElements(root: Document | ShadowRoot): HTMLElement[] {
  return [...root.querySelectorAll<HTMLElement>('[data-pl-piece],[data-pl-at]')].flatMap((element) => [
    element,
    ...(element.shadowRoot ? pieceElements(element.shadowRoot) : []),
  ]);
}
