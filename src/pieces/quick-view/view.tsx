/** @jsxImportSource preact */
import { render } from 'preact';
import { createShadow } from '~/runtime/kit/shadow';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import type { ManifestPiece } from '~/core/lane';
import type { QuickViewPiece } from './definition';
import { placeOpeners, slugsOfPage } from './openers';
import { Panel } from './panel';
import css from './view.css?inline';

const ADDRESS = 'look';

/** Puts openers on the page's cards and keeps one panel for the product being looked at. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as QuickViewPiece;
  let host = initialHost;
  let slug: string | null = null;
  const shadow = createShadow('pl-quick-view', piece.id);
  host.page.layer(shadow.element);
  let removeOpeners = placeOpeners(piece, host, { open: show, prefetch: fetchProduct });

  document.addEventListener('pl-cards', placeAnew);

  const wanted = host.page.opened(ADDRESS);
  if (wanted && !host.isPreview) show(wanted, null);

  /** More cards have come into the page. */
  function placeAnew(): void {
    removeOpeners();
    removeOpeners = placeOpeners(piece, host, { open: show, prefetch: fetchProduct });
  }

  function fetchProduct(wantedSlug: string): void {
    void host.products.fetch(wantedSlug);
  }

  function show(wantedSlug: string, opener: Element | null): void {
    const isOpen = slug !== null;
    slug = wantedSlug;
    void host.products.fetch(wantedSlug).then(() => slug === wantedSlug && draw());
    draw();
    host.recorder.record('quick-view', { product: wantedSlug, piece: piece.id });
    const address = host.page.address(ADDRESS, wantedSlug);
    if (isOpen) {
      if (!host.isPreview) host.page.correct(address);
      return;
    }
    const dialog = shadow.root.querySelector('dialog')!;
    host.surfaces.open({
      dialog,
      address,
      opener,
      onClose: () => {
        slug = null;
        if (host.page.opened(ADDRESS) !== null) host.page.correct(host.page.address(ADDRESS, null));
        draw();
      },
    });
  }

  function draw(): void {
    shadow.style(host.themeCss, css, piece.css);
    const slugs = slugsOfPage();
    const place = slug === null ? -1 : slugs.indexOf(slug);
    const go = (step: number) => {
      const next = slugs[place + step];
      return piece.settings.neighbours && place >= 0 && next ? () => show(next, null) : null;
    };
    render(
      <Panel
        slug={slug}
        product={slug === null ? undefined : host.products.known(slug)}
        piece={piece}
        host={host}
        previous={go(-1)}
        next={go(1)}
      />,
      shadow.root,
    );
  }

  draw();
  return {
    update(next, nextHost) {
      piece = next as QuickViewPiece;
      host = nextHost;
      placeAnew();
      draw();
    },
    open: ({ product, opener }) => {
      const first = product ?? slugsOfPage()[0];
      if (first) show(first, opener);
    },
    destroy() {
      if (slug !== null) host.surfaces.close();
      document.removeEventListener('pl-cards', placeAnew);
      removeOpeners();
      shadow.element.remove();
    },
  };
}
