/** @jsxImportSource preact */
import { render } from 'preact';
import type { Product } from '~/core/catalogue';
import type { ManifestPiece } from '~/core/lane';
import { fill } from '~/core/words/fill';
import { createShadow, directionOf, type Shadow } from '~/runtime/kit/shadow';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import type { ComparePiece } from './definition';
import { ComparePanel } from './panel';
import tickCss from './tick.css?inline';
import css from './view.css?inline';

const KEPT = 'pl_compare';
const ADDRESS = 'compare';
/** Products of a page that are looked at for a sample. */
const SEEN_IN_BENCH = 16;

/** Ticks on cards and product pages, a tray with what is ticked, and all of it side by side. Kept over pages and tabs. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as ComparePiece;
  let host = initialHost;
  /** In the bench: while it is this piece that is shaped, all of it is seen. */
  let isShaped = false;
  let isOpen = false;
  let said = '';
  let note = '';
  /** Shown instead of what is ticked: in the bench, and from a shared address. */
  let sample: readonly string[] | null = null;
  let products: readonly Product[] | null = null;
  const added = new Set<string>();
  const shadow = createShadow('pl-compare', piece.id);
  host.page.layer(shadow.element);
  const ticks: { readonly slug: string; readonly shadow: Shadow }[] = [];
  let collected = read();

  function read(): string[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
      return Array.isArray(kept) ? kept.filter((slug): slug is string => typeof slug === 'string').slice(0, 6) : [];
    } catch {
      return [];
    }
  }

  function keep(next: string[]): void {
    collected = next;
    try {
      localStorage.setItem(KEPT, JSON.stringify(next));
    } catch {
      // Where nothing may be kept, it lasts as long as the page.
    }
    draw();
  }

  function onStorage(event: StorageEvent): void {
    if (event.key !== KEPT) return;
    collected = read();
    draw();
  }

  function toggle(slug: string, on: boolean): void {
    note = '';
    if (on && collected.length >= piece.settings.most) {
      note = fill(piece.words.full, { count: piece.settings.most }, host.language);
      return draw();
    }
    keep(on ? [...collected.filter((other) => other !== slug), slug] : collected.filter((other) => other !== slug));
  }

  /** A tick on every card of the page, and on the page of a product. */
  function placeTicks(): void {
    const given = ticks.filter(({ shadow: { element } }) => element.getRootNode() !== document && element.isConnected);
    for (const tick of given) ticks.splice(ticks.indexOf(tick), 1);
    removeTicks();
    ticks.push(...given);
    for (const card of document.querySelectorAll<HTMLElement>('[data-pl-product]')) {
      const place =
        card === document.body
          ? document.querySelector<HTMLElement>('main form[data-pl-add]')
          : card.querySelector<HTMLElement>('[data-pl=actions]');
      if (!place) continue;
      const tick = createShadow('pl-compare-tick', piece.id);
      if (card === document.body) place.after(tick.element);
      else place.append(tick.element);
      ticks.push({ slug: card.dataset['plProduct']!, shadow: tick });
    }
    draw();
  }

  function removeTicks(): void {
    for (const { shadow: tick } of ticks.splice(0)) tick.element.remove();
  }

  /** A place that another piece keeps for a tick; it goes with the place. */
  function onPlace({ detail: { slug, place } }: CustomEvent<{ slug: string; place: Element }>): void {
    const tick = createShadow('pl-compare-tick', piece.id);
    place.append(tick.element);
    ticks.push({ slug, shadow: tick });
    draw();
  }

  /** Products of the page that say most of what this one says: what is worth comparing with it, for the bench. */
  async function alike(slug: string): Promise<string[]> {
    const near = [...new Set(ticks.map((tick) => tick.slug))].filter((other) => other !== slug).slice(0, SEEN_IN_BENCH);
    const [own, ...others] = await Promise.all([slug, ...near].map((one) => host.products.fetch(one)));
    const says = new Set(own?.attributes.map(({ key }) => key));
    const shared = (other: Product) => other.attributes.filter(({ key }) => says.has(key)).length;
    return others
      .filter((other) => other !== null)
      .sort((a, b) => shared(b) - shared(a))
      .slice(0, piece.settings.most - 1)
      .map((other) => other.slug);
  }

  const shown = () => sample ?? collected;

  function open(slugs: readonly string[] | null, opener: Element | null): void {
    // What is open is closed first: closing forgets what it showed.
    if (isOpen) host.surfaces.close();
    sample = slugs;
    isOpen = true;
    isShaped = host.isPreview;
    said = '';
    void load();
    draw();
    host.recorder.record('piece-seen', { piece: piece.id });
    host.surfaces.open({
      dialog: shadow.root.querySelector('dialog')!,
      address: host.isPreview ? null : host.page.address(ADDRESS, shown().join(',')),
      opener,
      onClose: () => {
        isOpen = false;
        sample = null;
        if (host.page.opened(ADDRESS) !== null) host.page.correct(host.page.address(ADDRESS, null));
        draw();
      },
    });
  }

  async function load(): Promise<void> {
    const wanted = shown();
    products = null;
    const found = await Promise.all(wanted.map((slug) => host.products.fetch(slug)));
    if (wanted !== shown() && wanted.join() !== shown().join()) return;
    // What is no longer sold is left out.
    products = found.filter((product) => product !== null);
    draw();
  }

  function draw(): void {
    const { words, settings } = piece;
    shadow.style(host.themeCss, css, piece.css);
    const isFull = note !== '';
    render(
      <>
        {((!isOpen && collected.length > 0) || isShaped) && (
          <section
            class="tray"
            data-slot="tray"
            data-tray={settings.tray}
            dir={directionOf(host.language)}
            aria-label={words.tick}
          >
            <p role="status" data-word={isFull ? 'full' : 'collected'}>
              {note || fill(words.collected, { count: collected.length }, host.language)}
            </p>
            <button
              type="button"
              data-slot="second"
              data-word="open"
              onClick={(event) => open(null, event.currentTarget)}
            >
              {words.open}
            </button>
            <button type="button" data-slot="second" data-word="clear" onClick={() => keep([])}>
              {words.clear}
            </button>
          </section>
        )}
        <ComparePanel
          products={products}
          piece={piece}
          host={host}
          said={said}
          added={added}
          onRemove={(slug) => {
            if (sample) sample = sample.filter((other) => other !== slug);
            else collected = collected.filter((other) => other !== slug);
            products = products?.filter((product) => product.slug !== slug) ?? null;
            if (!sample) keep(collected);
            draw();
          }}
          onAdd={(product) => {
            if (host.isPreview) return;
            void host.cart.change({ kind: 'add', variantId: product.variants[0]!.id }).then((answer) => {
              if (answer.ok) {
                added.add(product.slug);
                host.recorder.record('add', { product: product.slug, piece: piece.id });
              }
              said = answer.ok ? `${product.name}: ${words.added}` : answer.message;
              draw();
            });
          }}
          onShare={() => {
            const address = host.page.address(ADDRESS, shown().join(','));
            void navigator.clipboard.writeText(address).then(
              () => {
                said = words.copied;
                draw();
              },
              () => {
                said = address;
                draw();
              },
            );
          }}
        />
      </>,
      shadow.root,
    );
    // What stands last on the page can be scrolled out from under the tray.
    const tray = shadow.root.querySelector<HTMLElement>('.tray');
    document.body.style.marginBlockEnd = tray ? `${tray.offsetHeight}px` : '';
    for (const { slug, shadow: tick } of ticks) {
      tick.style(host.themeCss, tickCss, '');
      render(
        <label>
          <input
            type="checkbox"
            checked={collected.includes(slug)}
            onChange={(event) => {
              toggle(slug, event.currentTarget.checked);
              event.currentTarget.checked = collected.includes(slug);
            }}
          />
          <span data-word="tick">{words.tick}</span>
        </label>,
        tick.root,
      );
    }
  }

  addEventListener('storage', onStorage);
  document.addEventListener('pl-cards', placeTicks);
  document.addEventListener('pl-compare', onPlace as EventListener);
  placeTicks();
  const shared = host.page.opened(ADDRESS);
  if (shared && !host.isPreview)
    open(
      shared
        .split(',')
        .filter((slug) => /^[\w-]{1,120}$/.test(slug))
        .slice(0, 6),
      null,
    );

  return {
    update(next, nextHost) {
      piece = next as ComparePiece;
      host = nextHost;
      draw();
    },
    open({ product, opener }) {
      const first = product ?? ticks[0]?.slug;
      if (first) void alike(first).then((others) => open([first, ...others], opener));
    },
    destroy() {
      if (isOpen) host.surfaces.close();
      removeEventListener('storage', onStorage);
      document.removeEventListener('pl-cards', placeTicks);
      document.removeEventListener('pl-compare', onPlace as EventListener);
      removeTicks();
      document.body.style.marginBlockEnd = '';
      shadow.element.remove();
    },
  };
}
