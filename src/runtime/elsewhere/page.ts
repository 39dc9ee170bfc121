import type { Reply } from '~/contract';
import type { ManifestPiece } from '~/core/lane';
import type { HostPage } from '../host-page';
import { kept } from '../kept';
import { whereElsewhere } from '~/core/site-pages/on-page';
import { findOut } from './about';
import { isRecorded } from '../events';
import { visitId } from './visit';

export const IS_OWN = false;

/** They are shown whatever pages of the shop they are for. */
export const piecesFor = (pieces: readonly ManifestPiece[]): readonly ManifestPiece[] =>
  pieces
    .filter(({ elsewhere }) => elsewhere)
    .map((piece) => ({
      ...piece,
      where: whereElsewhere(piece.where),
      settings: { ...piece.settings, ...piece.elsewhere },
    }));

/** Answers that are of one cart and in one language. */
const OF_THE_CART = /^\/api\/(cart|suggestions|carry|uploads)\b/;
/** The page we are on, once it is known. */
export let thePage: HostPage;
/** Whether the owner lists this site; until it is known, links and forms do what they do by themselves. */
export let isListed = false;
const token = kept('pl_cart_token', 'localStorage');

/** A page of another site: the cart's secret travels in a header, and nothing is asked for with cookies. */
export function pageOf(origin: string): HostPage {
  thePage = otherPage(origin);
  return thePage;
}

function otherPage(origin: string): HostPage {
  async function ask(path: string, init: RequestInit = {}): Promise<Response> {
    if (path.startsWith('/api/manifest')) {
      // Sent with a header of ours, so that the browser asks first whether this site may.
      const answer = await fetch(origin + path, { credentials: 'omit', headers: { 'x-pl-site': '1' } });
      isListed = answer.ok;
      return answer;
    }
    if (!OF_THE_CART.test(path)) return fetch(origin + path, { ...init, credentials: 'omit' });
    if (!token.read()) token.write(newSecret());
    const headers = new Headers(init.headers);
    headers.set('x-pl-cart', token.read());
    const url = new URL(origin + path);
    if (url.pathname === '/api/cart') url.searchParams.set('lang', language());
    return fetch(url, { ...init, headers, credentials: 'omit' });
  }
  return {
    ask,
    tell(path, body) {
      const headers = { 'content-type': 'application/json' };
      const sent = { method: 'POST', body, headers, keepalive: true, credentials: 'omit' } as const;
      void fetch(origin + path, sent).catch(() => undefined);
    },
    go: (path) => void carry(ask, path).then((to) => location.assign(origin + to)),
    layer: (element) => document.body.append(element),
    opened: () => null,
    address: () => location.href,
    correct: () => undefined,
  };
}

/** Who knows it has the cart: 144 bits, in the shape of the shop's own. */
const newSecret = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(18)), (byte) => byte.toString(16).padStart(2, '0')).join('');

const language = () => document.documentElement.lang.slice(0, 2).toLowerCase() || 'en';

/** The way to a page of the shop that takes cart and visit along; the page alone where the shop does not answer, or there is no cart. */
async function carry(ask: HostPage['ask'], to: string): Promise<string> {
  if (!token.read()) return to;
  // Whoever asks not to be recorded is nobody there, either.
  const body = JSON.stringify({ visit: isRecorded() ? visitId() : '' });
  const headers = { 'content-type': 'application/json' };
  try {
    const response = await ask('/api/carry', { method: 'POST', body, headers });
    const { code } = (await response.json()) as Reply<'POST /api/carry'>;
    return code ? `/shop/carry?${new URLSearchParams({ code, to })}` : to;
  } catch {
    return to;
  }
}

/**
 * What must be there before anything is drawn: the product the page is about, if it is one of ours; and whole addresses in place
 * of the paths that pieces write.
 */
export async function beforeDrawing(): Promise<void> {
  const { origin } = new URL(import.meta.url);
  const [{ options }] = await Promise.all([import('preact'), findOut(thePage, origin)]);
  const before = options.vnode;
  options.vnode = (vnode) => {
    const props = vnode.props as Record<string, unknown>;
    if (typeof vnode.type === 'string')
      for (const name of ['href', 'src', 'action']) {
        const value = props[name];
        if (typeof value === 'string' && /^\/(?!\/)/.test(value))
          // A file belongs to a cart that a page of the shop does not know yet: its name is said, and leads nowhere.
          props[name] = value.includes('/uploads/') ? undefined : origin + value;
      }
    before?.(vnode);
  };
}
