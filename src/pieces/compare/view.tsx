/** @jsxImportSource preact */
import { render } from 'preact';
import type { Product } from '~/core/catalogue';
import type { ManifestPiece } from '~/core/lane';
import { formatMoney } from '~/core/money/currency';
import { fill } from '~/core/words/fill';
import { createShadow } from '~/runtime/kit/shadow';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import type { ComparePiece } from './definition';
import type { ComparePanel } from './panel';
import { cardTicks, drawTick, keptSlugs, MOST_KEPT, Tray } from './ticks';
import css from './view.css?inline';

const ADDRESS = 'compare';

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
  let Panel: typeof ComparePanel | null = null;
  const shadow = createShadow('pl-compare', piece.id);
  host.page.layer(shadow.element);
  const kept = keptSlugs(draw);
  const ticks = cardTicks(() => piece.id, draw);

  function toggle(slug: string, on: boolean): void {
    note = '';
    const others = kept.slugs().filter((other) => other !== slug);
    if (on && kept.slugs().length >= piece.settings.most) {
      note = fill(piece.words.full, { count: piece.settings.most }, host.language);
      return draw();
    }
    kept.keep(on ? [...others, slug] : others);
  }

  const shown = () => sample ?? kept.slugs();

  function say(text: string): void {
    said = text;
    draw();
  }

  async function fetchPanel(): Promise<void> {
    Panel ??= (await import('./panel')).ComparePanel;
  }

  async function open(slugs: readonly string[] | null, opener: Element | null): Promise<void> {
    await fetchPanel();
    // Close first: closing clears what was shown.
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
    const { words } = piece;
    shadow.style(host.themeCss, css, piece.css);
    render(
      <>
        {((!isOpen && kept.slugs().length > 0) || isShaped) && (
          <Tray
            piece={piece}
            language={host.language}
            count={kept.slugs().length}
            note={note}
            onOpen={(...asked) => void open(...asked)}
            onClear={() => kept.keep([])}
          />
        )}
        {Panel && (
          <Panel
            products={products}
            piece={piece}
            host={host}
            money={(amountMinor) => formatMoney(amountMinor, host.currency, host.locale)}
            said={said}
            added={added}
            onRemove={(slug) => {
              const rest = shown().filter((other) => other !== slug);
              products = products?.filter((product) => product.slug !== slug) ?? null;
              if (!sample) return kept.keep(rest);
              sample = rest;
              draw();
            }}
            onAdd={(product) => {
              if (!host.isPreview) void addCompared(host, piece, product, added).then(say);
            }}
            onShare={() => void share(host.page.address(ADDRESS, shown().join(',')), words.copied).then(say)}
          />
        )}
      </>,
      shadow.root,
    );
    // Whoever has ticked something is likely to open it; without a connection it is asked for again then.
    if (kept.slugs().length > 0) void fetchPanel().catch(() => undefined);
    // The end of the page can be scrolled above the tray.
    const tray = shadow.root.querySelector<HTMLElement>('.tray');
    document.body.style.marginBlockEnd = tray ? `${tray.offsetHeight}px` : '';
    for (const tick of ticks.all)
      drawTick(tick, host, words.tick, { has: (slug) => kept.slugs().includes(slug), toggle });
  }

  ticks.place();
  const shared = host.page.opened(ADDRESS);
  if (shared && !host.isPreview) void open(slugsIn(shared), null);

  return {
    update(next, nextHost) {
      piece = next as ComparePiece;
      host = nextHost;
      draw();
    },
    open({ product, opener }) {
      const first = product ?? ticks.all[0]?.slug;
      if (first)
        void import('./most-alike')
          .then(({ mostAlike }) => mostAlike(host, first, ticks.slugs()))
          .then((others) => open([first, ...others.slice(0, piece.settings.most - 1)], opener));
    },
    destroy() {
      if (isOpen) host.surfaces.close();
      kept.end();
      ticks.end();
      document.body.style.marginBlockEnd = '';
      shadow.element.remove();
    },
  };
}

/** Adds a product, and keeps that it was; what came of it, in words. */
async function addCompared(
  host: PieceHost,
  { id, words }: ComparePiece,
  product: Product,
  added: Set<string>,
): Promise<string> {
  const answer = await host.cart.change({ kind: 'add', variantId: product.variants[0]!.id });
  if (!answer.ok) return answer.message;
  added.add(product.slug);
  host.recorder.record('add', { product: product.slug, piece: id });
  return `${product.name}: ${words.added}`;
}

/** Copies an address; where that is not allowed it is shown. */
const share = (address: string, copied: string): Promise<string> =>
  navigator.clipboard.writeText(address).then(
    () => copied,
    () => address,
  );

const slugsIn = (address: string): string[] =>
  address
    .split(',')
    .filter((slug) => /^[\w-]{1,120}$/.test(slug))
    .slice(0, MOST_KEPT);
