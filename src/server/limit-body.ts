import type { IncomingMessage, ServerResponse } from 'node:http';

const KB = 1024;
const MB = 1024 * KB;

/** Most bytes of a body, by what it is for; the first that fits counts. Room is left for the form around a file. */
const LIMITS: readonly (readonly [path: RegExp, bytes: number])[] = [
  [/^\/api\/studio\/(imports|suggestions\/orders)(\/|$)/, 10 * MB + 64 * KB],
  // A picture for a product, and its form.
  [/^\/api\/studio\/icons$/, 7 * MB],
  // A shopper's file for an option: 5 MB and its form.
  [/^\/(api\/uploads|shop\/cart)(\/|$)/, 6 * MB],
  [/^\/(api\/)?studio(\/|$)/, MB],
];
const USUAL = 128 * KB;
/** Fields of a form: reading takes time for each, also where it is empty. */
const MOST_FIELDS = 1000;

/** Of one part of a form, before what it holds. */
const LONGEST_HEADERS = 4096;
const END_OF_HEADERS = '\r\n\r\n';

/** Counts the fields of a form as it comes; headers of a part without an end count as too many. */
export function fieldCounter(contentType: string): (chunk: Buffer) => number {
  const boundary = /^multipart\/form-data\b.*?;\s*boundary=(?:"([^"]{1,70})"|([^\s;]{1,70}))/i.exec(contentType);
  const isForm = /^application\/x-www-form-urlencoded\b/i.test(contentType);
  if (!boundary && !isForm) return () => 0;
  const mark = boundary ? `--${boundary[1] ?? boundary[2]!}` : '&';
  let [fields, rest, isHeaders] = [0, '', false];
  return (chunk) => {
    const text = rest + chunk.toString('latin1');
    let from = 0;
    for (;;) {
      const wanted = isHeaders ? END_OF_HEADERS : mark;
      const at = text.indexOf(wanted, from);
      if (at < 0) break;
      if (isHeaders && at - from > LONGEST_HEADERS) return Infinity;
      if (!isHeaders) fields += 1;
      isHeaders = boundary !== null && !isHeaders;
      from = at + wanted.length;
    }
    // What is looked for may be cut in two.
    rest = isHeaders ? text.slice(from) : text.slice(Math.max(from, text.length - mark.length + 1));
    return rest.length > LONGEST_HEADERS ? Infinity : fields;
  };
}

/** Counts a body as it comes; a lying or missing content-length does not help. False: it was refused. */
export function limitBody(request: IncomingMessage, response: ServerResponse, path: string): boolean {
  const limit = LIMITS.find(([pattern]) => pattern.test(path))?.[1] ?? USUAL;
  if (Number(request.headers['content-length'] ?? 0) > limit) {
    refuse(request, response, path);
    return false;
  }
  const fieldsIn = fieldCounter(request.headers['content-type'] ?? '');
  let seen = 0;
  const push = request.push.bind(request);
  request.push = (chunk: Buffer | null, encoding) => {
    seen += chunk?.length ?? 0;
    if (seen <= limit && (chunk === null || fieldsIn(chunk) <= MOST_FIELDS)) return push(chunk, encoding);
    if (!response.headersSent) refuse(request, response, path);
    request.destroy();
    return false;
  };
  return true;
}

const MESSAGE = 'That is larger than this address takes. Send less at once.';

/** Forms of the shop are sent by people: they get a page to go back from. */
function refuse(request: IncomingMessage, response: ServerResponse, path: string): void {
  const isPage = path.startsWith('/shop/') && (request.headers.accept ?? '').includes('text/html');
  const body = isPage
    ? `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Too large</title><body style="font:18px/1.5 system-ui;max-width:32rem;margin:4rem auto;padding:0 1rem"><h1>That file is too large</h1><p>Files can have up to 5 MB. Your cart is as it was. Go back and choose a smaller file.</p><p><a href="/shop/">Back to the shop</a></p>`
    : JSON.stringify({ problems: [{ path: '', code: 'body-too-large', message: MESSAGE }] });
  response.writeHead(413, {
    'content-type': isPage ? 'text/html; charset=utf-8' : 'application/json',
    connection: 'close',
  });
  response.end(body);
  // Response already sent: ignore what the app writes later.
  response.setHeader = () => response;
  response.writeHead = () => response;
  response.write = () => true;
  response.end = () => response;
}
