import type { CartView } from '~/core/cart';
import type { ManifestPiece, Role } from '~/core/lane';
import type { CartAnswer, CartChangeRequest } from '~/runtime/cart-change';
import type { OpenAbout, PieceHost } from '~/runtime/piece-host';
import { ownPage } from '~/runtime/host-page';
import { createSurfaces } from '~/runtime/surfaces';
import type { Product } from '~/core/catalogue';
import { currencyOf } from '~/core/money';

/** What a piece is mounted in, with a cart and products that a test decides, and everything the piece did. */
export function fakeHost(start: CartView | null = null) {
  let view = start;
  const listeners = new Set<(cart: CartView) => void>();
  const asked: CartChangeRequest[] = [];
  const opened: { readonly role: string; readonly about: OpenAbout }[] = [];
  const added: OpenAbout[] = [];
  const recorded: unknown[][] = [];
  const roles = new Set<Role>();
  const pieces = new Map<string, ManifestPiece>();
  const products = new Map<string, Product | null>();
  let answer: CartAnswer = { ok: true, lineId: 'a', waiting: false };
  const host: PieceHost = {
    page: ownPage(''),
    device: 'desktop',
    currency: currencyOf('EUR'),
    locale: 'en-IE',
    language: 'en',
    themeCss: '',
    timeZone: 'Europe/Berlin',
    now: () => Date.parse('2026-11-26T12:00:00Z'),
    cart: {
      get view() {
        return view;
      },
      quoted: null,
      quote: () => undefined,
      showAheadWith: () => undefined,
      watch(listener) {
        listeners.add(listener);
        return () => listeners.delete(listener);
      },
      load: () => Promise.resolve(view),
      change(request) {
        asked.push(request);
        return Promise.resolve(answer);
      },
      settled: () => Promise.resolve(),
      pretend: () => undefined,
    },
    products: {
      known: (slug) => products.get(slug),
      fetch: (slug) => Promise.resolve(products.get(slug) ?? null),
    },
    surfaces: createSurfaces(false),
    recorder: { record: (...what) => void recorded.push(what) },
    isPreview: false,
    withRole: (role) => pieces.get(role),
    openRole(role, about) {
      if (roles.has(role)) opened.push({ role, about });
      return roles.has(role);
    },
    afterAdd: (about) => added.push(about) > 0,
  };
  return {
    host,
    asked,
    opened,
    added,
    recorded,
    /** What opens when it is asked for. */
    roles,
    pieces,
    products,
    get watchers() {
      return listeners.size;
    },
    answers: (next: CartAnswer) => void (answer = next),
    tell(next: CartView) {
      view = next;
      for (const listener of listeners) listener(next);
    },
  };
}
