import { randomBytes } from 'node:crypto';
import compression from 'compression';
import type { IncomingMessage, RequestListener, ServerResponse } from 'node:http';
import path from 'node:path';
import sirv from 'sirv';
import { createLimit, network } from '~/services/limits';
import { processSlot } from '~/services/process-slot';
import type { CachedAnswer } from '~/services/page-cache';
import type { Environment } from './environment';
import { setStandingHeaders } from './headers';
import { limitBody } from './limit-body';
import { findPathProblem } from './plain-path';
import { readSender, type Sender } from './sender';

/** Doors the framework opens by itself and we have no use for. */
const CLOSED = /^\/_(?!astro\/)/;

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);
const METHODS: ReadonlySet<string> = new Set([...READS, 'POST', 'PUT', 'PATCH', 'DELETE']);

/** What may have been answered before; see src/services/page-cache.ts. */
const CACHED = /^\/(shop(\/|$)|api\/manifest$)/;

/** Nothing in a picture may run, also where it is opened as a page of its own. */
const MEDIA_POLICY = "default-src 'none'; style-src 'unsafe-inline'; sandbox";

/** Puts everything around the framework's handler that it does not do itself; see docs/deploy.md. */
export function createListener(environment: Environment, root: string, handle: RequestListener): RequestListener {
  const compress = compression({ level: 4 });
  const senderOf = readSender(environment);
  const sent = createLimit({ points: environment.sentPerMinute, seconds: 60 });
  const assets = sirv(path.join(root, 'dist/client'), {
    etag: true,
    setHeaders: (response, pathname) => {
      const immutable = pathname.startsWith('/_astro/') || pathname.startsWith('/rt/c/');
      response.setHeader(
        'cache-control',
        immutable ? 'public, max-age=31536000, immutable' : 'public, max-age=0, must-revalidate',
      );
      if (pathname.startsWith('/rt/')) response.setHeader('access-control-allow-origin', '*');
    },
  });
  const media = sirv(path.join(environment.dataDir, 'media'), {
    dev: true,
    etag: true,
    setHeaders: (response) => {
      response.setHeader('cache-control', 'public, max-age=3600');
      response.setHeader('content-security-policy', MEDIA_POLICY);
    },
  });

  interface Asked {
    readonly address: string;
    readonly pathname: string;
    readonly sender: Sender;
  }
  function answer(request: IncomingMessage, response: ServerResponse, { address, pathname, sender }: Asked): void {
    // A file that goes while it is sent (a build under a running server) costs that answer, not the server.
    response.on('pipe', (source) => source.on('error', () => response.destroy()));
    const goOn = () =>
      compress(request as never, response as never, () => {
        if (pathname.startsWith('/media/')) {
          request.url = address.slice('/media'.length);
          media(request, response, () => refuse(request, response, 404, 'There is no such picture.'));
        } else assets(request, response, () => handle(request, response));
      });
    const { cachedAnswer } = processSlot();
    if (!cachedAnswer || !sender.ok || !CACHED.test(pathname)) return void goOn();
    const { cookie: cookies = '', 'if-none-match': etag = '' } = request.headers;
    const origin = `${sender.protocol}://${sender.host}`;
    void cachedAnswer({ method: request.method ?? '', address, origin, cookies, etag }).then(
      (answer) => (answer ? give(request, response, answer, compress) : goOn()),
      goOn,
    );
  }

  return (request, response) => {
    // Made here, whatever a stranger sends: what a shopper reads on the page of a fault is found in the log by it.
    const id = randomBytes(6).toString('hex');
    request.headers['x-request-id'] = id;
    response.setHeader('x-request-id', id);
    const address = request.url ?? '/';
    const [pathname = '/'] = address.split('?', 1);
    setStandingHeaders(response, pathname, environment.origin?.startsWith('https:') ?? false);
    if (!METHODS.has(request.method ?? '')) {
      response.setHeader('allow', [...METHODS].join(', '));
      return refuse(request, response, 405, 'That cannot be done here.');
    }
    const problem = findPathProblem(address);
    if (problem) return refuse(request, response, problem === 'too-long' ? 414 : 400, 'That address cannot be read.');
    if (CLOSED.test(pathname)) return refuse(request, response, 404, 'There is nothing here.');
    const sender = senderOf(request);
    // Machines that look after us ask by number; nothing of what they ask by is in the answer.
    if (!sender.ok && !(sender.because === 'unknown-host' && pathname === '/api/health')) {
      if (sender.because === 'upgrade')
        return void response.writeHead(308, { location: `https://${sender.host}${address}` }).end();
      return refuse(
        request,
        response,
        421,
        'This shop is not known by that name. Set PAVED_LANE_ORIGIN to its address.',
      );
    }
    if (sender.ok) forward(request, sender);
    const begin = () => answer(request, response, { address, pathname, sender });
    // Counts from the first byte, which may come while the sender is looked up.
    if (!limitBody(request, response, pathname)) return;
    if (!sender.ok || READS.has(request.method ?? '')) return begin();
    void sent.take(network(sender.address)).then((wait) => {
      // Refused meanwhile: its body was too large.
      if (request.destroyed) return;
      if (wait === null) return begin();
      response.setHeader('retry-after', String(wait));
      refuse(request, response, 429, `Too much at once. Wait ${wait} seconds and try again.`);
    });
  };
}

/** Says to the framework what we found out, in the headers it reads; whatever came in them is gone. */
function forward(request: IncomingMessage, sender: { address: string; protocol: string; host: string }): void {
  for (const header of Object.keys(request.headers))
    if (header.startsWith('x-forwarded-') || header === 'forwarded') delete request.headers[header];
  request.headers.host = sender.host;
  request.headers['x-forwarded-proto'] = sender.protocol;
  request.headers['x-forwarded-for'] = sender.address;
}

/** Sends what was answered before, packed as it is kept where the browser can unpack it. */
function give(
  request: IncomingMessage,
  response: ServerResponse,
  { status, headers, body, gzip }: CachedAnswer,
  compress: ReturnType<typeof compression>,
): void {
  for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
  if (status === 304) return void response.writeHead(304).end();
  if (gzip === null) return void compress(request as never, response as never, () => response.end(body));
  response.setHeader('vary', [headers['vary'], 'accept-encoding'].filter(Boolean).join(', '));
  if (!/\bgzip\b/.test(String(request.headers['accept-encoding'] ?? ''))) return void response.end(body);
  response.writeHead(200, { 'content-encoding': 'gzip', 'content-length': gzip.length }).end(gzip);
}

function refuse(request: IncomingMessage, response: ServerResponse, status: number, message: string): void {
  const isApi = (request.url ?? '').startsWith('/api/');
  const body = isApi ? JSON.stringify({ problems: [{ path: '', code: 'invalid', message }] }) : `${message}\n`;
  response.writeHead(status, { 'content-type': isApi ? 'application/json' : 'text/plain; charset=utf-8' }).end(body);
}
