/** A surface over the page: one at a time. */
export interface Surface {
  readonly dialog: HTMLDialogElement;
  /** The address while it is open; null leaves the address alone. */
  readonly address: string | null;
  /** The element the surface was asked for from; focus goes back to it. */
  readonly opener: Element | null;
  /** The page stays in use: no backdrop, focus stays where it is, the way back of the browser is the page's. */
  readonly isAside?: boolean;
  readonly onClose: () => void;
}

export interface Surfaces {
  open(surface: Surface): void;
  close(): void;
  readonly current: Surface | null;
}

const FOCUSABLE =
  'a[href],button:not(:disabled),input:not(:disabled):not([type=hidden]),select,textarea,summary,[tabindex="0"]';

/**
 * Opens dialogs one at a time. Esc, a press on the backdrop and the way back of the browser or phone close them; while
 * one is open Tab stays in it and the page behind neither scrolls nor answers. In the bench the history is the owner's, and left alone.
 */
export function createSurfaces(usesHistory: boolean): Surfaces {
  let current: Surface | null = null;
  let ownsHistory = false;
  /** On the way back in the history; the browser tells when it has arrived. */
  let isLeaving = false;
  /** The page's own, which it gets back. */
  let overflow = '';

  function open(surface: Surface): void {
    if (current) shut();
    current = surface;
    const { dialog } = surface;
    dialog.addEventListener('cancel', onCancel);
    dialog.addEventListener('click', onBackdrop);
    dialog.addEventListener('keydown', onKey);
    if (surface.isAside) {
      // `show` would take the focus; whoever is choosing keeps it.
      dialog.setAttribute('open', '');
      document.addEventListener('keydown', onEscape);
      leaveHistory();
      return;
    }
    dialog.showModal();
    // The dialog itself, not its first button: screen readers say its name, and no ring is drawn unasked.
    dialog.focus();
    const { style } = document.documentElement;
    overflow = style.overflow;
    style.overflow = 'hidden';
    if (!isLeaving) enterHistory();
  }

  function enterHistory(): void {
    if (!usesHistory || !current || current.isAside) return;
    const { address } = current;
    if (!ownsHistory) history.pushState({ pl: true }, '', address ?? location.href);
    else if (address) history.replaceState({ pl: true }, '', address);
    ownsHistory = true;
  }

  /** Takes the surface away without touching the history. */
  function shut(): void {
    if (!current) return;
    const { dialog, opener, onClose, isAside } = current;
    const hadFocus = !isAside || dialog.matches(':focus-within');
    current = null;
    dialog.removeEventListener('cancel', onCancel);
    dialog.removeEventListener('click', onBackdrop);
    dialog.removeEventListener('keydown', onKey);
    document.removeEventListener('keydown', onEscape);
    dialog.close();
    if (!isAside) document.documentElement.style.overflow = overflow;
    onClose();
    if (hadFocus && opener instanceof HTMLElement && opener.isConnected) opener.focus({ preventScroll: true });
  }

  function leaveHistory(): void {
    if (!ownsHistory) return;
    ownsHistory = false;
    isLeaving = true;
    history.back();
  }

  function close(): void {
    if (!current) return;
    shut();
    // Whatever came in its place stands on the same step of the history.
    if (!current) leaveHistory();
  }

  function onCancel(event: Event): void {
    event.preventDefault();
    close();
  }

  function onEscape(event: KeyboardEvent): void {
    if (event.key === 'Escape') close();
  }

  function onBackdrop(event: MouseEvent): void {
    if (!current?.isAside && event.composedPath()[0] === current?.dialog) close();
  }

  function onKey(event: KeyboardEvent): void {
    if (event.key !== 'Tab' || !current || current.isAside) return;
    const inside = [...current.dialog.querySelectorAll<HTMLElement>(FOCUSABLE)].filter(
      (element) => element.offsetParent !== null,
    );
    const [first, last] = [inside[0], inside.at(-1)];
    const active = (current.dialog.getRootNode() as ShadowRoot).activeElement;
    if (event.shiftKey ? active === first || active === current.dialog : active === last) {
      event.preventDefault();
      (event.shiftKey ? last : first)?.focus();
    }
  }

  addEventListener('popstate', () => {
    if (isLeaving) {
      // What was opened while we were on the way gets its step now.
      isLeaving = false;
      return enterHistory();
    }
    ownsHistory = false;
    if (!current?.isAside) shut();
  });
  return {
    open,
    close,
    get current() {
      return current;
    },
  };
}
