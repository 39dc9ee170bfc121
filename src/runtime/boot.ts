import type { Manifest, ManifestPiece, Role } from '~/core/lane';
import { isSeen } from '~/core/where/who-sees';
import { createCartClient } from './cart-client';
import { createRecorder } from './events';
import { watchPresses } from './kit/after-press';
import { readPage } from '~/runtime/own/about';
import { followPage } from '~/runtime/own/follow-page';
import { IS_OWN, beforeDrawing, pageOf, piecesFor } from '~/runtime/own/page';
import type { MountedPiece, OpenAbout, PieceHost, Views } from './piece-host';
import { createProductSource } from './products';
import { createSurfaces } from './surfaces';

const ALL = { mode: 'all' } as const;
/** The first sign that somebody is there: what is only shown when asked for is fetched then. */
const SIGNS = ['pointermove', 'pointerdown', 'keydown'] as const;

/** A draft is walked by its token in the address; it is kept for the tab, so that links within the shop stay in the draft. */
function draftToken(): string | null {
  if (!IS_OWN) return null;
  const given = new URLSearchParams(location.search).get('draft');
  if (given) sessionStorage.setItem('pl_draft', given);
  return given ?? (top === window ? sessionStorage.getItem('pl_draft') : null);
}

/** Plays the shop's lane on this page: mounts the pieces that this visit sees. */
export async function boot(views: Views): Promise<void> {
  const hostPage = pageOf(new URL(import.meta.url).origin);
  const draft = draftToken();
  const isPreview = draft !== null && parent !== window;
  const page = readPage();
  const recorder = createRecorder(hostPage, page.page, page.device, draft !== null);
  const cart = createCartClient(hostPage);
  const products = createProductSource(hostPage);
  watchPresses();
  const surfaces = createSurfaces(IS_OWN && !isPreview);
  const mounted = new Map<string, MountedPiece>();
  let seen: readonly ManifestPiece[] = [];
  let host: PieceHost;
  let current: Manifest;

  recorder.record(page.page === 'product' ? 'product-page' : page.page === 'checkout' ? 'checkout' : 'page', {
    product: page.product,
  });
  followPage({
    cart,
    recorder,
    isCartPage: page.page === 'cart',
    isPreview,
    openRole,
    afterAdd,
  });

  const query = new URLSearchParams({
    lang: document.documentElement.lang.slice(0, 2) || 'en',
    ...(draft && { draft }),
  });
  const response = await hostPage.ask(`/api/manifest?${query}`);
  // A browser's clock may be a day off; the server's is told with every answer.
  const aheadMs = Date.parse(response.headers.get('date') ?? '') - Date.now() || 0;
  if (!response.ok) return;
  if (!IS_OWN) await beforeDrawing();
  await apply(await response.json());
  for (const sign of SIGNS) addEventListener(sign, fetchRest, { passive: true });
  if (isPreview) (await import('./preview')).startPreview({ apply, open, cart, surfaces });

  /** Mounts what this visit sees, updates what is there, and takes away the rest. */
  async function apply(manifest: Manifest): Promise<void> {
    const { currency, locale, language, themeCss, timeZone } = manifest;
    const visit = readPage();
    const { device } = visit;
    current = manifest;
    seen = piecesFor(manifest.pieces).filter(({ where, judges }) => {
      // What is judged by the product added is judged when one is.
      const scoped = judges === 'added' ? { ...where, categories: ALL, products: ALL } : where;
      return isSeen(scoped, visit);
    });
    host = {
      page: hostPage,
      device,
      currency,
      locale,
      language,
      themeCss,
      timeZone,
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
    for (const [id, piece] of mounted)
      if (!seen.some((other) => other.id === id)) {
        piece.destroy();
        mounted.delete(id);
      }
    // Before the first pieces are there: a phone may be turned while they are fetched.
    addEventListener('resize', judgeAnew);
    await Promise.all(seen.filter(isWanted).map(place));
  }

  /** A phone that was turned, or a window made narrow, is another device. */
  function judgeAnew(): void {
    if (readPage().device !== host.device) void apply(current);
  }

  function isWanted({ id, kind }: ManifestPiece): boolean {
    const view = views[kind];
    return mounted.has(id) || (!!view && !view.isAsked && (!view.at || !!document.querySelector(view.at)));
  }

  /** A piece that fails is left out: a fault of ours must never be the host page's. */
  async function place(piece: ManifestPiece): Promise<MountedPiece | undefined> {
    try {
      const there = mounted.get(piece.id);
      if (there) there.update(piece, host);
      else {
        const view = await views[piece.kind]?.load();
        // What was judged anew meanwhile may be taken away, or be there.
        if (seen.includes(piece) && view && !mounted.has(piece.id)) mounted.set(piece.id, view.mount(piece, host));
      }
    } catch (error) {
      console.error(piece.kind, error);
      mounted.get(piece.id)?.destroy();
      mounted.delete(piece.id);
    }
    return mounted.get(piece.id);
  }

  function fetchRest(): void {
    for (const sign of SIGNS) removeEventListener(sign, fetchRest);
    const told = () => ({ themeCss: host.themeCss, language: host.language, text: current.offline });
    // Links of other sites are theirs.
    if (IS_OWN)
      void import('./offline').then(
        ({ watchConnection }) => watchConnection(hostPage, told, cart.load),
        () => undefined,
      );
    // Put in place as soon as there is time, so that a press only has to show it.
    const whenIdle = globalThis.requestIdleCallback ?? setTimeout;
    for (const piece of seen.filter(({ kind }) => views[kind]?.isAsked))
      void views[piece.kind]!.load().then(
        () => whenIdle(() => mounted.has(piece.id) || void place(piece)),
        () => undefined,
      );
  }

  async function open(piece: ManifestPiece, about: OpenAbout): Promise<void> {
    const there = mounted.get(piece.id) ?? (await place(piece));
    if (there) there.open?.(about);
    // A link that could not be followed by a piece is followed by the browser; without a connection the page says so itself.
    else if (navigator.onLine && about.opener instanceof HTMLAnchorElement) location.assign(about.opener.href);
  }

  function openRole(role: Role, about: OpenAbout): boolean {
    const piece = host.withRole(role);
    if (piece) void open(piece, about);
    return !!piece;
  }

  /** One rule for what opens after an add: the first piece in the manifest's order that sees this visit and this product. */
  function afterAdd(about: OpenAbout): boolean {
    const line = cart.view?.lines.find(({ id }) => id === about.lineId);
    const { device } = host;
    const product = line?.slug ?? about.product ?? null;
    const first = seen.find(
      ({ opensOn, judges, where }) =>
        opensOn.includes('added-to-cart') &&
        (judges === 'page' || isSeen(where, { ...page, device, product, categories: line?.categories ?? [] })),
    );
    if (first) void open(first, about);
    return !!first;
  }
}
