import type { ManifestPiece } from '~/core/lane';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import type { CardsPiece } from '~/pieces/_cards/shared';

/** A listing grows by itself so many times; after that the footer can be reached, and a button shows more. */
const BY_ITSELF = 3;

/** Takes over the way to more products of a listing the server drew: they come into the page, and the address says so. */
export function mount(initial: ManifestPiece, host: PieceHost): MountedPiece {
  let piece = initial as CardsPiece;
  let grown = 0;
  let isLoading = false;
  const root = () => document.querySelector<HTMLElement>(`[data-pl-piece="${CSS.escape(initial.id)}"]`);
  const watch = new IntersectionObserver(
    (entries) => {
      if (grown < BY_ITSELF && entries.some((entry) => entry.isIntersecting)) void grow(true);
    },
    { rootMargin: '400px' },
  );

  async function grow(byItself: boolean): Promise<void> {
    const here = root();
    const link = here?.querySelector<HTMLAnchorElement>('[data-pl-more]');
    if (!here || !link || isLoading) return;
    isLoading = true;
    const before = link.textContent;
    link.textContent = link.dataset['loading'] ?? '';
    const { href } = link;
    const text = await fetch(href)
      .then((response) => (response.ok ? response.text() : null))
      .catch(() => null);
    isLoading = false;
    const there =
      text === null
        ? null
        : new DOMParser()
            .parseFromString(text, 'text/html')
            .querySelector(`[data-pl-piece="${CSS.escape(initial.id)}"]`);
    if (!there) {
      // The link still works as a link; pressing it again tries again.
      link.textContent = before;
      grown = BY_ITSELF;
      return;
    }
    const [cards, more] = [here.querySelector('.goods'), here.querySelector('.more')];
    const fresh = [...(there.querySelector('.goods')?.children ?? [])].slice(cards?.children.length ?? 0);
    const isFocused = document.activeElement === link;
    cards?.append(...fresh);
    const next = there.querySelector('.more');
    if (more && next) more.replaceWith(next);
    // Keyboard focus goes to the first new card.
    if (isFocused) (fresh[0]?.querySelector<HTMLElement>('a[data-pl=name],a,button') ?? null)?.focus();
    host.page.correct(href);
    if (byItself) grown += 1;
    document.dispatchEvent(new Event('pl-cards'));
    follow();
  }

  function onClick(event: MouseEvent): void {
    const link = (event.target as Element).closest<HTMLAnchorElement>('[data-pl-more],[data-pl-enlarge]');
    if (!link || !root()?.contains(link) || event.metaKey || event.ctrlKey || event.shiftKey) return;
    event.preventDefault();
    if (link.matches('[data-pl-more]')) void grow(false);
    else enlarge(link);
  }

  /** The picture of a card, as large as there is room for; a press anywhere closes it. */
  function enlarge(link: HTMLAnchorElement): void {
    const dialog = document.createElement('dialog');
    const [picture, close] = [new Image(), document.createElement('button')];
    picture.src = link.href;
    picture.alt = link.querySelector('img')?.alt ?? '';
    close.ariaLabel = piece.words.close;
    close.textContent = '×';
    dialog.className = 'enlarged';
    dialog.ariaLabel = picture.alt;
    dialog.tabIndex = -1;
    dialog.append(picture, close);
    dialog.addEventListener('click', host.surfaces.close);
    host.page.layer(dialog);
    host.surfaces.open({ dialog, address: null, opener: link, onClose: () => dialog.remove() });
  }

  function follow(): void {
    watch.disconnect();
    for (const link of root()?.querySelectorAll('[data-pl-enlarge]') ?? []) link.ariaHasPopup = 'dialog';
    const more = root()?.querySelector('[data-more=endless] [data-pl-more]');
    if (more) watch.observe(more);
  }

  document.addEventListener('click', onClick);
  follow();
  return {
    update(next) {
      piece = next as CardsPiece;
      follow();
    },
    destroy() {
      watch.disconnect();
      document.removeEventListener('click', onClick);
    },
  };
}
