import type { Manifest, ManifestPiece, Role } from '~/core/lane';
import { isSeen } from '~/core/where/who-sees';
import { createCartClient } from './cart-client';
import { createRecorder } from './events';
import { watchPresses } from './kit/after-press';
import { readPage } from '~/runtime/own/about';
import { followPage } from '~/runtime/own/follow-page';
import { IS_OWN, beforeDrawing, pageOf, piecesFor } from '~/runtime/own/page';
import type { HostPage } from './host-page';
import { createMounts } from './mounts';
import type { OpenAbout, PieceHost, Views } from './piece-host';
import { createProductSource } from './products';
import { createSurfaces } from './surfaces';

const ALL = { mode: 'all' } as const;
/** The first sign of a person: chunks that are shown only when asked for are fetched then. */
const SIGNS = ['pointermove', 'pointerdown', 'keydown'] as const;

/** A draft is walked by its token in the address; it is kept for the tab, so that links within the shop stay in the draft. */
function draftToken({ opened }: HostPage): string | null {
  if (!IS_OWN) return null;
  const given = opened('draft');
  if (given) sessionStorage.setItem('pl_draft', given);
  return given ?? (top === window ? sessionStorage.getItem('pl_draft') : null);
}

/** Plays the shop's lane on this page: mounts the pieces that this visit sees. */
export async function boot(views: Views): Promise<void> {
  const hostPage = pageOf(new URL(import.meta.url).origin);
  const draft = draftToken(hostPage);
  const isPreview = draft !== null && parent !== window;
  const page = readPage();
  const recorder = createRecorder(hostPage, page.page, page.device, draft !== null);
  const cart = createCartClient(hostPage);
  const products = createProductSource(hostPage);
  watchPresses();
  const surfaces = createSurfaces(IS_OWN && !isPreview);
  const mounts = createMounts(views);
  let seen: readonly ManifestPiece[] = [];
  let host: PieceHost;
  let current: Manifest;

  recorder.record(page.page === 'product' ? 'product-page' : page.page === 'checkout' ? 'checkout' : 'page', {
    product: page.product,
  });
  followPage({ cart, recorder, isCartPage: page.page === 'cart', isPreview, openRole, afterAdd });

  const query = new URLSearchParams({
    lang: document.documentElement.lang.slice(0, 2) || 'en',
    ...(draft && { draft }),
  });
  const response = await hostPage.ask(`/api/manifest?${query}`);
  // A browser's clock may be a day off; every answer carries the server's.
  const aheadMs = Date.parse(response.headers.get('date') ?? '') - Date.now() || 0;
  if (!response.ok) return;
  if (!IS_OWN) await beforeDrawing();
  await apply(await response.json());
  for (const sign of SIGNS) addEventListener(sign, fetchRest, { passive: true });
  if (isPreview) (await import('./preview/preview')).startPreview({ apply, open: mounts.open, cart, surfaces });

  /** Mounts what this visit sees, updates what is there, and takes away the rest. */
  async function apply(manifest: Manifest): Promise<void> {
    const visit = readPage();
    current = manifest;
    seen = piecesFor(manifest.pieces).filter(({ where, judges }) => {
      // A piece about the added product is judged when one is added.
      const scoped = judges === 'added' ? { ...where, categories: ALL, products: ALL } : where;
      return isSeen(scoped, visit);
    });
    host = {
      ...manifest,
      page: hostPage,
      device: visit.device,
      cart,
      products,
      surfaces,
      recorder,
      isPreview,
      openRole,
      afterAdd,
      now: () => Date.now() + aheadMs,
      withRole: (role) => seen.find((piece) => piece.role === role),
    };
    // Set before pieces are mounted: a phone may be turned while they load.
    addEventListener('resize', judgeAnew);
    await mounts.show(seen, host);
  }

  /** A phone that was turned, or a window made narrow, is another device. */
  function judgeAnew(): void {
    if (readPage().device !== host.device) void apply(current);
  }

  function fetchRest(): void {
    for (const sign of SIGNS) removeEventListener(sign, fetchRest);
    const told = () => ({ ...host, text: current.offline });
    // Pages of other sites handle their own links.
    if (IS_OWN)
      void import('./offline').then(
        ({ watchConnection }) => watchConnection(hostPage, told, cart.load),
        () => undefined,
      );
    mounts.fetchAsked();
  }

  function openRole(role: Role, about: OpenAbout): boolean {
    const piece = host.withRole(role);
    if (piece) void mounts.open(piece, about);
    return !!piece;
  }

  /** One rule for what opens after an add: the first piece in the manifest's order that sees this visit and this product. */
  function afterAdd(about: OpenAbout): boolean {
    const line = cart.view?.lines.find(({ id }) => id === about.lineId);
    const product = line?.slug ?? about.product ?? null;
    const first = seen.find(
      ({ opensOn, judges, where }) =>
        opensOn.includes('added-to-cart') &&
        (judges === 'page' ||
          isSeen(where, { ...page, device: host.device, product, categories: line?.categories ?? [] })),
    );
    if (first) void mounts.open(first, about);
    return !!first;
  }
}
