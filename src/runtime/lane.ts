import type { Manifest, ManifestPiece } from '~/core/lane';
import { whoSees } from '~/core/where/who-sees';
import { createCartClient, type CartChangeRequest } from './cart-client';
import { createRecorder } from './events';
import { readPage } from './page';
import type { MountedPiece, PieceHost } from './piece-host';
import { createSurfaces } from './surfaces';
import { views } from './views';

/** A draft is walked by its token in the address; it is kept for the tab, so that links within the shop stay in the draft. */
function draftToken(): string | null {
  const given = new URLSearchParams(location.search).get('draft');
  if (given) sessionStorage.setItem('pl_draft', given);
  return given ?? (window.top === window ? sessionStorage.getItem('pl_draft') : null);
}

async function boot(): Promise<void> {
  const origin = new URL(import.meta.url).origin;
  const draft = draftToken();
  const isPreview = draft !== null && window.parent !== window;
  const page = readPage();
  const recorder = createRecorder(origin, page.page, page.device, draft !== null);
  const cart = createCartClient(origin);
  const surfaces = createSurfaces(!isPreview);
  const mounted = new Map<string, { kind: string; piece: MountedPiece }>();

  recorder.record(page.page === 'product' ? 'product-page' : page.page === 'checkout' ? 'checkout' : 'page', {
    product: page.product,
  });
  if (page.page === 'cart' && document.querySelector('.lines')) recorder.record('cart-seen');
  followForms();
  followCart();

  const query = new URLSearchParams({
    lang: document.documentElement.lang.slice(0, 2) || 'en',
    ...(draft && { draft }),
  });
  const response = await fetch(`${origin}/api/manifest?${query}`);
  if (!response.ok) {
    if (draft) sessionStorage.removeItem('pl_draft');
    return;
  }
  await apply((await response.json()) as Manifest);
  if (isPreview) (await import('./preview')).startPreview({ apply, mounted, cart, surfaces });

  /** Mounts what this visit sees, updates what is there, and takes away the rest. A piece that fails is left out. */
  async function apply(manifest: Manifest): Promise<void> {
    const host = makeHost(manifest);
    const seen = manifest.pieces.filter((piece) => whoSees(piece.where, { ...page, device: host.device }).shown);
    for (const [id, entry] of mounted) {
      if (seen.some((piece) => piece.id === id)) continue;
      entry.piece.destroy();
      mounted.delete(id);
    }
    await Promise.all(seen.map((piece) => place(piece, host)));
  }

  async function place(piece: ManifestPiece, host: PieceHost): Promise<void> {
    try {
      const entry = mounted.get(piece.id);
      if (entry) entry.piece.update(piece, host);
      else {
        const view = await views[piece.kind]?.();
        if (view && !mounted.has(piece.id)) mounted.set(piece.id, { kind: piece.kind, piece: view.mount(piece, host) });
      }
    } catch (error) {
      // A fault of ours must never be the host page's.
      console.error(`Paved Lane: ${piece.kind} is left out`, error);
      mounted.get(piece.id)?.piece.destroy();
      mounted.delete(piece.id);
    }
  }

  function makeHost(manifest: Manifest): PieceHost {
    const { currency, locale, language, themeCss } = manifest;
    return {
      origin,
      device: readPage().device,
      currency,
      locale,
      language,
      themeCss,
      cart,
      surfaces,
      recorder,
      isPreview,
      openKind,
    };
  }

  function openKind(kind: string, opener: Element | null): boolean {
    const found = [...mounted.values()].find((entry) => entry.kind === kind);
    found?.piece.open?.({ product: null, opener });
    return found?.piece.open !== undefined;
  }

  /** Add forms of the page are sent without leaving it; where that fails, the form itself still works. */
  function followForms(): void {
    document.addEventListener('submit', (event) => {
      const form = event.target as HTMLFormElement;
      if (!form.matches('[data-pl-add]') || event.defaultPrevented) return;
      event.preventDefault();
      const request = readAddForm(form);
      void cart.change(request).then((answer) => {
        if (!answer.ok) return say(form, answer.message);
        say(form, '');
        recorder.record('add', {
          product: request.product ?? form.closest<HTMLElement>('[data-pl-product]')?.dataset['plProduct'] ?? null,
        });
        const shown = [...mounted.values()].find((entry) => entry.piece.opensOnAdd?.());
        if (shown) shown.piece.open?.({ product: null, opener: document.activeElement });
        else say(form, '✓');
      });
    });
  }

  function followCart(): void {
    document.addEventListener('click', (event) => {
      const link = (event.target as Element).closest('[data-pl-cart]');
      if (!link || event.metaKey || event.ctrlKey || page.page === 'cart') return;
      if (openKind('cart-surface', link)) event.preventDefault();
    });
    cart.watch((view) => {
      for (const count of document.querySelectorAll<HTMLElement>('[data-pl-count]')) {
        count.textContent = String(view.count);
        count.hidden = view.count === 0;
      }
    });
    // A page brought back from the browser's memory shows the cart as it was then.
    addEventListener('pageshow', (event) => event.persisted && void cart.load());
  }
}

function readAddForm(form: HTMLFormElement): CartChangeRequest & { kind: 'add' } {
  const choices: Record<string, string> = {};
  const fields = new FormData(form);
  for (const [name, value] of fields) if (name.startsWith('choice:')) choices[name.slice(7)] = String(value);
  const variantId = Number(fields.get('variantId'));
  const quantity = Number(fields.get('quantity') ?? 1) || 1;
  if (variantId) return { kind: 'add', variantId, quantity };
  return { kind: 'add', product: String(fields.get('product')), choices, quantity };
}

/** A line under a form, read out when it changes. */
function say(form: HTMLFormElement, message: string): void {
  let line = form.querySelector<HTMLElement>('[data-pl-said]');
  if (!line) {
    if (!message) return;
    line = document.createElement('p');
    line.dataset['plSaid'] = '';
    line.setAttribute('role', 'status');
    form.append(line);
  }
  line.textContent = message;
}

void boot().catch((error: unknown) => console.error('Paved Lane could not start', error));
