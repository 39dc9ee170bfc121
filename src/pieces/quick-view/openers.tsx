/** @jsxImportSource preact */
import { render } from 'preact';
import { createShadow, type Shadow } from '~/runtime/kit/shadow';
import { Icon } from '~/runtime/kit/icons';
import type { PieceHost } from '~/runtime/piece-host';
import type { QuickViewPiece } from './definition';
import css from './opener.css?inline';

/** The cards of this page, in the order of the page. */
function cardsOf(): HTMLElement[] {
  return [...document.querySelectorAll<HTMLElement>('[data-pl-product]')].filter(
    (element) => element !== document.body,
  );
}

export function slugsOfPage(): string[] {
  return [...new Set(cardsOf().map((card) => card.dataset['plProduct']!))];
}

interface Callbacks {
  readonly open: (slug: string, opener: Element) => void;
  readonly prefetch: (slug: string) => void;
}

/** Puts the opener on every card of the page; answers the way to take them all off again. */
export function placeOpeners(piece: QuickViewPiece, host: PieceHost, { open, prefetch }: Callbacks): () => void {
  const undo: (() => void)[] = [];
  const { opener } = piece.settings;
  for (const card of cardsOf()) {
    const slug = card.dataset['plProduct']!;
    const listen = <K extends keyof HTMLElementEventMap>(
      element: Element,
      type: K,
      listener: (event: HTMLElementEventMap[K]) => void,
    ) => {
      element.addEventListener(type, listener as EventListener, { passive: type === 'touchstart' });
      undo.push(() => element.removeEventListener(type, listener as EventListener));
    };
    listen(card, 'pointerenter', () => prefetch(slug));
    listen(card, 'touchstart', () => prefetch(slug));
    listen(card, 'focusin', () => prefetch(slug));
    if (opener === 'name' || opener === 'picture') {
      const link = card.querySelector<HTMLElement>(`[data-pl=${opener}]`);
      if (!link) continue;
      if (opener === 'picture') undo.push(showToKeyboard(link, `${piece.words.open}: ${nameOf(card)}`));
      listen(link, 'click', (event) => {
        if (event.metaKey || event.ctrlKey || event.shiftKey) return;
        event.preventDefault();
        open(slug, link);
      });
      continue;
    }
    const shadow = createShadow('pl-look', piece.id);
    shadow.element.dataset['place'] = opener;
    const add = card.querySelector('[data-pl=actions]');
    if (opener === 'over') {
      card.querySelector('[data-pl=picture]')?.after(shadow.element);
      listen(card, 'pointerenter', () => shadow.element.setAttribute('data-near', ''));
      listen(card, 'pointerleave', () => shadow.element.removeAttribute('data-near'));
    } else add?.append(shadow.element);
    drawButton(shadow, piece, host, {
      name: nameOf(card),
      press: () => open(slug, shadow.element.shadowRoot!.querySelector('button')!),
    });
    undo.push(() => shadow.element.remove());
  }
  return () => undo.forEach((step) => step());
}

function drawButton(
  shadow: Shadow,
  piece: QuickViewPiece,
  host: PieceHost,
  { name, press }: { readonly name: string; readonly press: () => void },
): void {
  shadow.style(host.themeCss, css, piece.css);
  const shows = piece.settings.openerShows;
  render(
    <button
      type="button"
      data-slot="opener"
      data-part=""
      data-word="open"
      aria-label={`${piece.words.open}: ${name}`}
      onClick={press}
    >
      {shows !== 'label' && <Icon name="eye" size={18} />}
      {shows !== 'icon' && <span>{piece.words.open}</span>}
    </button>,
    shadow.root,
  );
}

function nameOf(card: HTMLElement): string {
  return card.querySelector('[data-pl=name]')?.textContent?.trim() ?? '';
}

/** A picture link that was decoration becomes the opener, so keyboards and screen readers must reach it. */
function showToKeyboard(link: HTMLElement, label: string): () => void {
  const kept = ['tabindex', 'aria-hidden', 'aria-label'].map((name) => [name, link.getAttribute(name)] as const);
  link.removeAttribute('tabindex');
  link.removeAttribute('aria-hidden');
  link.setAttribute('aria-label', label);
  return () =>
    kept.forEach(([name, value]) => (value === null ? link.removeAttribute(name) : link.setAttribute(name, value)));
}
