import { LRUCache } from 'lru-cache';
import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { nextChange, offersOf } from '~/core/pricing';
import { dayIn } from '~/core/time';
import type { App } from './app';
import { isOpen, liveLane, serveManifest } from './lane/live-lane';

/** An answer that was made before, as it goes over the wire. */
export interface CachedAnswer {
  readonly status: 200 | 304;
  readonly headers: Readonly<Record<string, string>>;
  /** Uncompressed; `gzip` is the same compressed, where that is smaller. */
  readonly body: string;
  readonly gzip: Buffer | null;
}

/** What a request says that an answer may depend on. */
export interface Asked {
  readonly method: string;
  /** Path and query as they came; the path has no escapes. */
  readonly address: string;
  readonly origin: string;
  readonly cookies: string;
  /** If-None-Match. */
  readonly etag: string;
}

interface Page {
  readonly state: string;
  readonly until: number;
  readonly headers: Readonly<Record<string, string>>;
  readonly html: string;
  readonly gzip: Buffer;
  readonly etag: string;
}

const pack = promisify(gzip);

/** Pages that are the same for everybody, except for the cart's count. */
const LISTINGS = /^\/shop(\/?|\/all|\/search|\/[ct]\/[\w%.~-]+)$/;
/** Pages that show stock. */
const PRODUCT = /^\/shop\/(p|pages)\/[\w%.~-]+$/;
const LONGEST_ADDRESS = 400;
const MOST_BYTES = 64 * 1024 * 1024;
/** The longest an answer is kept: offers begin and end, best sellers change. */
const KEPT_MS = 60_000;
/** No longer than until the next offer begins or ends: a price that is shown is the price that is charged. */
async function keptUntil(app: App): Promise<number> {
  const now = app.now();
  const change = nextChange(offersOf((await liveLane(app)).lane.offers), now);
  return Math.min(now + KEPT_MS, change ?? Infinity);
}

/** How long the last look at the shop's state is trusted. */
const STATE_MS = 250;
const MANIFEST = /^\/api\/manifest(?:\?lang=([a-z]{2}))?$/;
const CART_COOKIE = /(?:^|;\s*)pl_cart=([0-9a-f-]{36})(?:;|$)/;
const LANGUAGE_COOKIE = /(?:^|;\s*)pl_lang=([a-z]{2})(?:;|$)/;
/** As the header of the shop writes it for an empty cart. */
const EMPTY_COUNT = '<span class="count" data-pl-count hidden>0</span>';

const stores = new WeakMap<App, ReturnType<typeof createStore>>();

function createStore(app: App) {
  const pages = new LRUCache<string, Page>({
    maxSize: MOST_BYTES,
    sizeCalculation: (page) => 2 * page.html.length + page.gzip.length,
  });
  let seen: { at: number; state: Promise<{ listing: string; product: string }> } | null = null;
  return {
    pages,
    /** The state pages were drawn from; a page drawn from another state is not served again. */
    state(): Promise<{ listing: string; product: string }> {
      const now = app.now();
      if (!seen || now - seen.at >= STATE_MS || now < seen.at) {
        const read = async () => {
          const [{ version, stock }, live] = await Promise.all([app.catalogue.readState(), liveLane(app)]);
          const listing = `${live.revision} ${version} ${dayIn(live.lane.shop.timeZone, now)}`;
          return { listing, product: `${listing} ${stock}` };
        };
        seen = { at: now, state: read() };
        seen.state.catch(() => (seen = null));
      }
      return seen.state;
    },
  };
}

function storeOf(app: App): ReturnType<typeof createStore> {
  let store = stores.get(app);
  if (!store) stores.set(app, (store = createStore(app)));
  return store;
}

/**
 * Whether our cookies are written as we write them, each once. The framework also reads other spellings (quoted, encoded, with
 * spaces): with one of those, a shopper's cart would be drawn and cached for everybody.
 */
function arePlain(cookies: string): boolean {
  const times = (name: string) => cookies.split(name).length - 1;
  return (
    times('pl_flash') === 0 &&
    // Signed-in staff see more, such as why something is suggested.
    times('pl_sign_in') === 0 &&
    times('pl_cart') === (CART_COOKIE.test(cookies) ? 1 : 0) &&
    times('pl_lang') === (LANGUAGE_COOKIE.test(cookies) ? 1 : 0)
  );
}

/** The cache key of an answer; null when it belongs to one shopper. */
function keyOf({ method, address, origin, cookies }: Asked): { key: string; kind: 'listing' | 'product' } | null {
  if (method !== 'GET' || address.length > LONGEST_ADDRESS || !arePlain(cookies)) return null;
  const [path = ''] = address.split('?', 1);
  const kind = LISTINGS.test(path) ? 'listing' : PRODUCT.test(path) ? 'product' : null;
  // Delivery promises depend on the shopper's destination.
  if (kind === null || (kind === 'product' && CART_COOKIE.test(cookies))) return null;
  return { key: `${LANGUAGE_COOKIE.exec(cookies)?.[1] ?? ''} ${origin}${address}`, kind };
}

/** A cached answer: the manifest, or a page drawn before. Null: there is none. */
export async function findCached(app: App, asked: Asked): Promise<CachedAnswer | null> {
  const manifest = asked.method === 'GET' ? MANIFEST.exec(asked.address) : null;
  if (manifest) return cachedManifest(app, manifest[1] ?? 'en', asked.etag);
  const place = keyOf(asked);
  if (!place) return null;
  const store = storeOf(app);
  const page = store.pages.get(place.key);
  if (!page) return null;
  const token = CART_COOKIE.exec(asked.cookies)?.[1];
  const [state, count] = await Promise.all([store.state(), token ? app.carts.count(token) : 0]);
  if (page.state !== state[place.kind] || page.until <= app.now()) {
    store.pages.delete(place.key);
    return null;
  }
  const { headers, html, gzip: packed, etag } = page;
  if (count > 0) {
    const body = html.replace(EMPTY_COUNT, `<span class="count" data-pl-count>${count}</span>`);
    const ownHeaders = { ...headers, 'cache-control': 'private, no-store' };
    return { status: 200, headers: ownHeaders, body, gzip: null };
  }
  const own = { ...headers, etag };
  if (asked.etag === etag) return { status: 304, headers: own, body: '', gzip: null };
  return { status: 200, headers: own, body: html, gzip: packed };
}

async function cachedManifest(app: App, language: string, etag: string): Promise<CachedAnswer | null> {
  // While the shop is not open, only its owner gets pages.
  if (!(await isOpen(app))) return null;
  const served = await serveManifest(app, language);
  const headers = {
    'content-type': 'application/json',
    'cache-control': 'public, max-age=0, must-revalidate',
    'access-control-allow-origin': '*',
    etag: served.etag,
  };
  if (etag === served.etag) return { status: 304, headers, body: '', gzip: null };
  return { status: 200, headers, body: served.body, gzip: served.gzip };
}

/** A page that somebody's cart stands on, or a draft, is kept by no browser and no proxy. */
export function keepNowhere(response: Response): Response {
  const isPage = (response.headers.get('content-type') ?? '').startsWith('text/html');
  if (isPage && !response.headers.has('cache-control')) response.headers.set('cache-control', 'private, no-store');
  return response;
}

/** Keeps a page that was just drawn, if it is the same for everybody; answers it as it is to be sent now. */
export async function cachePage(
  app: App,
  asked: Asked,
  /** `isOwn`: part of the answer is only for the caller. */
  draw: () => Promise<{ response: Response; isOwn: boolean }>,
): Promise<Response> {
  const place = keyOf(asked);
  if (!place || CART_COOKIE.test(asked.cookies)) return keepNowhere((await draw()).response);
  const store = storeOf(app);
  // Read before drawing: a change meanwhile must not count as seen.
  const [before, until] = await Promise.all([store.state(), keptUntil(app)]);
  const { response, isOwn } = await draw();
  const type = response.headers.get('content-type') ?? '';
  if (isOwn || response.status !== 200 || !type.startsWith('text/html')) return response;
  const html = await response.text();
  const headers = Object.fromEntries(response.headers);
  for (const name of ['content-length', 'x-astro-route-type']) delete headers[name];
  headers['cache-control'] ??= 'private, no-cache';
  headers['vary'] = 'cookie';
  const etag = `"${createHash('sha256').update(html).digest('base64url').slice(0, 22)}"`;
  const page = { html, headers, etag, state: before[place.kind], until };
  store.pages.set(place.key, { ...page, gzip: await pack(html) });
  return new Response(html, { headers: { ...headers, etag } });
}
