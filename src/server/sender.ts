import type { IncomingMessage } from 'node:http';
import { isIP } from 'node:net';
import proxyAddr from 'proxy-addr';
import type { Environment } from './environment';

export type Sender =
  | { readonly ok: true; readonly address: string; readonly protocol: 'http' | 'https'; readonly host: string }
  /** `upgrade`: the same address over TLS. */
  | { readonly ok: false; readonly because: 'unknown-host' }
  | { readonly ok: false; readonly because: 'upgrade'; readonly host: string };

type Reachable = Pick<Environment, 'origin' | 'trustedProxies' | 'host'>;

/**
 * Who sent a request and by which name they reached us. `x-forwarded-*` is believed only from trusted proxies. A name that is
 * not ours is refused: it would end up in links, structured data and cookies.
 */
export function readSender(environment: Reachable): (request: IncomingMessage) => Sender {
  const isTrusted = proxyAddr.compile([...environment.trustedProxies]);
  const own = environment.origin === null ? null : new URL(environment.origin);
  return (request) => {
    const peer = request.socket.remoteAddress ?? '';
    const isProxied = peer !== '' && isTrusted(peer, 0);
    const forwarded = (name: string) => (isProxied ? lastOf(request.headers[name]) : undefined);
    const host = (forwarded('x-forwarded-host') ?? request.headers.host ?? '').toLowerCase();
    if (own ? host !== own.host : !isOwnMachine(host, environment.host)) return { ok: false, because: 'unknown-host' };
    const address = isProxied ? proxyAddr(request, isTrusted) : peer;
    const said = forwarded('x-forwarded-proto');
    if (own?.protocol === 'https:' && said === 'http') return { ok: false, because: 'upgrade', host };
    const protocol = own ? own.protocol.slice(0, -1) : said === 'https' ? 'https' : 'http';
    return { ok: true, address, protocol: protocol as 'http' | 'https', host };
  };
}

/** Whether this is a name of the machine itself: what a shop without a public address can be reached by. */
function isOwnMachine(host: string, bound: string): boolean {
  const name = host.replace(/:\d+$/, '').replace(/^\[|\]$/g, '');
  return (
    name === 'localhost' || name === '::1' || /^127(\.\d{1,3}){3}$/.test(name) || (name === bound && isIP(name) > 0)
  );
}

/** Of several values the last: the one the proxy next to us wrote, and not what came to it. */
function lastOf(header: string | string[] | undefined): string | undefined {
  const all = Array.isArray(header) ? header : (header ?? '').split(',');
  return all.at(-1)?.trim() || undefined;
}
