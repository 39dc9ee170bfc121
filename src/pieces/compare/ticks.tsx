/** @jsxImportSource preact */
import { render } from 'preact';
import { fill } from '~/core/words/fill';
import { createShadow, directionOf, type Shadow } from '~/runtime/kit/shadow';
import type { PieceHost } from '~/runtime/piece-host';
import type { ComparePiece } from './definition';
import tickCss from './tick.css?inline';

const KEPT = 'pl_compare';
/** Products side by side, at most. */
export const MOST_KEPT = 6;

/** What is ticked, on this page or another, in this tab or another. */
export function keptSlugs(onChange: () => void) {
  let slugs = read();

  function read(): string[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
      return Array.isArray(kept)
        ? kept.filter((slug): slug is string => typeof slug === 'string').slice(0, MOST_KEPT)
        : [];
    } catch {
      return [];
    }
  }

  function onStorage(event: StorageEvent): void {
    if (event.key !== KEPT) return;
    slugs = read();
    onChange();
  }

  addEventListener('storage', onStorage);
  return {
    slugs: (): readonly string[] => slugs,
    keep(next: string[]): void {
      slugs = next;
      try {
        localStorage.setItem(KEPT, JSON.stringify(next));
      } catch {
        // Without storage, ticks last as long as the page.
      }
      onChange();
    },
    end: () => removeEventListener('storage', onStorage),
  };
}

/** A tick on every card of the page, on the page of a product, and wherever another piece keeps a place for one. */
export function cardTicks(pieceId: () => string, redraw: () => void) {
  const all: { readonly slug: string; readonly shadow: Shadow }[] = [];

  function place(): void {
    const given = all.filter(({ shadow: { element } }) => element.getRootNode() !== document && element.isConnected);
    for (const tick of given) all.splice(all.indexOf(tick), 1);
    remove();
    all.push(...given);
    for (const card of document.querySelectorAll<HTMLElement>('[data-pl-product]')) {
      const spot =
        card === document.body
          ? document.querySelector<HTMLElement>('main form[data-pl-add]')
          : card.querySelector<HTMLElement>('[data-pl=actions]');
      if (!spot) continue;
      const tick = createShadow('pl-compare-tick', pieceId());
      if (card === document.body) spot.after(tick.element);
      else spot.append(tick.element);
      all.push({ slug: card.dataset['plProduct']!, shadow: tick });
    }
    redraw();
  }

  function remove(): void {
    for (const { shadow } of all.splice(0)) shadow.element.remove();
  }

  /** It is removed with its place. */
  function onPlace({ detail }: CustomEvent<{ slug: string; place: Element }>): void {
    const tick = createShadow('pl-compare-tick', pieceId());
    detail.place.append(tick.element);
    all.push({ slug: detail.slug, shadow: tick });
    redraw();
  }

  document.addEventListener('pl-cards', place);
  document.addEventListener('pl-compare', onPlace as EventListener);
  return {
    all,
    place,
    slugs: () => [...new Set(all.map(({ slug }) => slug))],
    end() {
      document.removeEventListener('pl-cards', place);
      document.removeEventListener('pl-compare', onPlace as EventListener);
      remove();
    },
  };
}

interface Ticked {
  readonly has: (slug: string) => boolean;
  readonly toggle: (slug: string, isTicked: boolean) => void;
}

export function drawTick(
  { slug, shadow }: { readonly slug: string; readonly shadow: Shadow },
  { themeCss }: PieceHost,
  label: string,
  { has, toggle }: Ticked,
): void {
  shadow.style(themeCss, tickCss, '');
  render(
    <label>
      <input
        type="checkbox"
        checked={has(slug)}
        onChange={({ currentTarget }) => {
          toggle(slug, currentTarget.checked);
          // A tick beyond the limit is refused.
          currentTarget.checked = has(slug);
        }}
      />
      <span data-word="tick">{label}</span>
    </label>,
    shadow.root,
  );
}

interface TrayProps {
  readonly piece: ComparePiece;
  readonly language: string;
  readonly count: number;
  /** Why no more can be ticked; empty: it can. */
  readonly note: string;
  readonly onOpen: (slugs: null, opener: Element) => void;
  readonly onClear: () => void;
}

/** What is ticked, and the way to all of it side by side. */
export function Tray({ piece: { words, settings }, language, count, note, onOpen, onClear }: TrayProps) {
  return (
    <section
      class="tray"
      data-slot="tray"
      data-tray={settings.tray}
      dir={directionOf(language)}
      aria-label={words.tick}
    >
      <p role="status" data-word={note === '' ? 'collected' : 'full'}>
        {note || fill(words.collected, { count }, language)}
      </p>
      <button type="button" data-slot="second" data-word="open" onClick={(event) => onOpen(null, event.currentTarget)}>
        {words.open}
      </button>
      <button type="button" data-slot="second" data-word="clear" onClick={onClear}>
        {words.clear}
      </button>
    </section>
  );
}
