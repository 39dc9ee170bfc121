// The server: compression, static files with the right headers and CORS, body limits and a clean stop around the built app.
import compression from 'compression';
import { createServer } from 'node:http';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';

const root = path.dirname(fileURLToPath(import.meta.url));
const dataDir = path.resolve(process.env.PAVED_LANE_DATA ?? path.join(root, 'var/demo'));
process.env.PAVED_LANE_DATA = dataDir;
const { handler } = await import('./dist/server/entry.mjs');

const MOST_BYTES = 1024 * 1024;
const MOST_UPLOAD_BYTES = 20 * 1024 * 1024 + 64 * 1024;
/** A shopper's file for an option: 5 MB and its form. */
const MOST_FILE_BYTES = 6 * 1024 * 1024;

const assets = sirv(path.join(root, 'dist/client'), {
  etag: true,
  setHeaders: (response, pathname) => {
    const immutable = pathname.startsWith('/_astro/') || pathname.startsWith('/rt/c/');
    response.setHeader(
      'cache-control',
      immutable ? 'public, max-age=31536000, immutable' : 'public, max-age=0, must-revalidate',
    );
    response.setHeader('x-content-type-options', 'nosniff');
    if (pathname.startsWith('/rt/')) response.setHeader('access-control-allow-origin', '*');
  },
});
const media = sirv(path.join(dataDir, 'media'), {
  dev: true,
  etag: true,
  setHeaders: (response) => {
    response.setHeader('cache-control', 'public, max-age=3600');
    // A drawing may be opened as a page of its own; nothing in it may run.
    response.setHeader('content-security-policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox");
    response.setHeader('x-content-type-options', 'nosniff');
  },
});
const compress = compression({ level: 4 });

function tooLarge(response) {
  response.writeHead(413, { 'content-type': 'application/json', connection: 'close' });
  response.end(
    JSON.stringify({
      problems: [
        { path: '', code: 'body-too-large', message: 'That is larger than this address takes. Send less at once.' },
      ],
    }),
  );
}

/** Whether an address is one: a lone percent sign is not. */
function isReadable(url) {
  try {
    return decodeURI(url) !== '';
  } catch {
    return false;
  }
}

/** Counts a body as it comes; a lying or missing content-length does not help. */
function limitBody(request, response) {
  const limit = request.url.startsWith('/api/studio/imports')
    ? MOST_UPLOAD_BYTES
    : /^\/(api\/uploads|shop\/cart)\b/.test(request.url)
      ? MOST_FILE_BYTES
      : MOST_BYTES;
  if (Number(request.headers['content-length'] ?? 0) > limit) {
    tooLarge(response);
    return false;
  }
  let seen = 0;
  const { push } = request;
  request.push = function count(chunk, encoding) {
    if (chunk && (seen += chunk.length) > limit) {
      if (!response.headersSent) tooLarge(response);
      request.destroy();
      return false;
    }
    return push.call(this, chunk, encoding);
  };
  return true;
}

const server = createServer((request, response) => {
  for (const header of Object.keys(request.headers))
    if (header.startsWith('x-forwarded-')) delete request.headers[header];
  if (!isReadable(request.url)) return response.writeHead(400).end('Bad request.');
  if (!limitBody(request, response)) return;
  // A file that goes while it is sent (a build under a running server) costs that answer, not the server.
  response.on('pipe', (source) => source.on('error', () => response.destroy()));
  compress(request, response, () => {
    if (request.url.startsWith('/media/')) {
      request.url = request.url.slice('/media'.length);
      media(request, response, () => response.writeHead(404).end());
    } else {
      assets(request, response, () => handler(request, response));
    }
  });
});

const port = Number(process.env.PORT ?? 4321);
const host = process.env.HOST ?? '127.0.0.1';
server.listen(port, host, () => {
  console.log(
    JSON.stringify({ level: 30, time: Date.now(), msg: 'listening', host, port: server.address().port, dataDir }),
  );
});

for (const signal of ['SIGTERM', 'SIGINT']) {
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), 3000).unref();
  });
}
