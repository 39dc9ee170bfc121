import { isPreviewMessage, type FromPreview, type ToPreview } from '~/core/lane/preview/preview-message';
import type { Manifest, ManifestPiece } from '~/core/lane';
import type { CartClient } from '../cart-client';
import type { OpenAbout } from '../piece-host';
import type { Surfaces } from '../surfaces';
import { editWord } from './edit-word';
import { copyPage } from './measure/copy-page';
import { measurePage } from './measure/measure-page';
import { settle, watchRequests } from './measure/settle';
import { createPreviewMarks } from './marks';
import { ownerOf, pieceElements } from './preview-pieces';
import { holdMedia, pretendMedia } from './pretend-media';

interface Preview {
  readonly apply: (manifest: Manifest) => Promise<void>;
  readonly open: (piece: ManifestPiece, about: OpenAbout) => Promise<void>;
  readonly cart: CartClient;
  readonly surfaces: Surfaces;
}

const tell = (message: FromPreview) => parent.postMessage(message, location.origin);

/** The framed shop's end of the bench's channel: takes manifests and situations, tells what is pressed and edited. */
export function startPreview({ apply, open, cart, surfaces }: Preview): void {
  const marks = createPreviewMarks(tell);
  let manifest: Manifest | null = null;
  let opening: Promise<void> = Promise.resolve();

  addEventListener('message', (event: MessageEvent<ToPreview>) => {
    if (event.origin !== location.origin || event.source !== parent || !isPreviewMessage(event.data)) return;
    const message = event.data;
    switch (message.pl) {
      case 'manifest':
        manifest = message.manifest;
        void apply(message.manifest).then(() => {
          marks.mark();
          // The frame after the one in which the change was made is the one that shows it.
          requestAnimationFrame(() => setTimeout(() => tell({ pl: 'painted', seq: message.seq })));
        });
        break;
      case 'situation':
        showSituation(message);
        break;
      case 'select':
        marks.choose(message.part);
        for (const root of marks.roots()) root.querySelector('[data-chosen]')?.scrollIntoView({ block: 'nearest' });
        break;
      case 'redraw':
        void redraw().then(marks.mark);
        break;
      case 'close':
        surfaces.close();
        marks
          .roots()
          .flatMap((root) => [...root.querySelectorAll<HTMLElement>('[data-slot=opener]')])[0]
          ?.scrollIntoView({ block: 'center' });
        break;
      case 'force':
        marks.force(message.state);
        break;
      case 'measure':
        void opening.then(() => measure(message));
        break;
    }
  });

  function showSituation({
    pieceId,
    product,
    added,
    cart: sample,
    media,
  }: Extract<ToPreview, { pl: 'situation' }>): void {
    marks.measure(pieceId);
    pretendMedia(media);
    cart.pretend(sample);
    const active = parent.document.activeElement as HTMLElement | null;
    const piece = manifest?.pieces.find(({ id }) => id === pieceId);
    // What stands in the page is brought into view; what lies over it is there anyway.
    pieceElements(document)
      .find((element) => ownerOf(element) === pieceId && element.closest('[data-pl-spot]'))
      ?.scrollIntoView({ block: 'nearest' });
    if (piece)
      opening = open(piece, { product, lineId: added ? (sample?.lines.at(-1)?.id ?? null) : null, opener: null });
    // Opening takes the focus; whoever is typing in the bench keeps it.
    if (active && active.tagName !== 'IFRAME') active.focus({ preventScroll: true });
    marks.markWhatComes();
  }

  watchRequests();
  followOwner();
  addEventListener('pagehide', marks.end);
  surfaces.close();
  tell({ pl: 'ready' });
}

/** Tells what stands in the page, once it stands still. */
async function measure({
  seq,
  pieceId,
  textPercent,
  uses,
  media,
}: Extract<ToPreview, { pl: 'measure' }>): Promise<void> {
  document.documentElement.style.fontSize = textPercent === 100 ? '' : `${textPercent}%`;
  const isStill = await settle();
  holdMedia();
  tell({ pl: 'proved', seq, isStill, page: measurePage(pieceId, uses, media === 'calm'), picture: copyPage() });
}

/** Takes over what the server draws of this page now, spot by spot. */
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

/** Tells the bench what an owner presses and edits in the preview; nothing leaves the page or orders. */
function followOwner(): void {
  // In the shop Tab stays in what is open; in the bench it leads on, out of the preview.
  addEventListener('keydown', (event) => event.key === 'Tab' && event.isTrusted && event.stopPropagation(), true);
  document.addEventListener('submit', (event) => event.preventDefault(), true);
  document.addEventListener('click', (event) => {
    const path = event.composedPath().filter((target): target is HTMLElement => target instanceof HTMLElement);
    // Links would leave the page that is being shaped; forms would order.
    if (path.some((element) => element.matches('a[href],form button:not([type=button])'))) event.preventDefault();
    const part = path.find((element) => element.dataset['part'] !== undefined);
    if (part) tell({ pl: 'selected', pieceId: ownerOf(part), part: part.dataset['part'] || null });
  });
  document.addEventListener('dblclick', (event) =>
    editWord(event, (pieceId, word, text) => tell({ pl: 'word', pieceId, word, text })),
  );
  addEventListener('pl-setting', (event) =>
    tell({ pl: 'setting', ...(event as CustomEvent<{ pieceId: string; setting: string; value: string }>).detail }),
  );
}
