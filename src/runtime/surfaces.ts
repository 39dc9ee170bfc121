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

const FOCUSABLE = ':is(a[href],button,input,select,textarea,summary,[tabindex="0"]):not(:disabled)';

/**
 * Opens dialogs one at a time. Esc, a press on the backdrop and the way back of the browser or phone close them; while
 * one is open Tab stays in it and the page behind neither scrolls nor answers. In the bench the history is the owner's, and left alone.
 */
export function createSurfaces(usesHistory: boolean): Surfaces {
  let current: Surface | null = null;
  let listening: AbortController;
  let ownsHistory = false;
  /** Going back in the history; `popstate` tells when that is done. */
  let isLeaving = false;
  /** The page's own value, restored on closing. */
  let overflow = '';

  function open(surface: Surface): void {
    if (current) shut();
    current = surface;
    const { dialog } = surface;
    listen(surface);
    if (surface.isAside) {
      // `show()` would take the focus, which must stay where it is.
      dialog.setAttribute('open', '');
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
    listening.abort();
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
    // A surface opened in its place uses the same step of the history.
    if (!current) leaveHistory();
  }

  function listen({ dialog, isAside }: Surface): void {
    listening = new AbortController();
    const { signal } = listening;
    const onCancel = (event: Event) => {
      event.preventDefault();
      close();
    };
    dialog.addEventListener('cancel', onCancel, { signal });
    if (isAside) return document.addEventListener('keydown', ({ key }) => key === 'Escape' && close(), { signal });
    dialog.addEventListener('click', (event) => event.composedPath()[0] === dialog && close(), { signal });
    dialog.addEventListener('keydown', (event) => event.key === 'Tab' && keepTabIn(dialog, event), { signal });
  }

  addEventListener('popstate', () => {
    if (isLeaving) {
      // A surface opened meanwhile gets its history step now.
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

/** From the last control Tab goes on to the first, and back. */
function keepTabIn(dialog: HTMLDialogElement, event: KeyboardEvent): void {
  // Hidden controls have no box.
  const inside = [...dialog.querySelectorAll<HTMLElement>(FOCUSABLE)].filter(({ offsetParent }) => offsetParent);
  const active = (dialog.getRootNode() as ShadowRoot).activeElement;
  const [from, to] = event.shiftKey ? [inside[0], inside.at(-1)] : [inside.at(-1), inside[0]];
  if (active !== from && !(event.shiftKey && active === dialog)) return;
  event.preventDefault();
  to?.focus();
}
