import { request } from 'node:http';
import { createServer, request as requestTls } from 'node:https';
import type { AddressInfo } from 'node:net';
import selfsigned from 'selfsigned';

const HOST = 'shop.example.test';

/**
 * A reverse proxy as one would stand before the shop: it ends TLS, and says who sent a request and by which name.
 * `fromOf` says who a request comes from; without it, whoever connects.
 */
export async function startTlsProxy(fromOf?: (headers: NodeJS.Dict<string | string[]>) => string | undefined) {
  const made = await selfsigned.generate([{ name: 'commonName', value: HOST }]);
  let target = 0;
  const server = createServer({ key: made.private, cert: made.cert }, (incoming, outgoing) => {
    const { port } = server.address() as AddressInfo;
    const headers = {
      ...incoming.headers,
      host: `127.0.0.1:${target}`,
      'x-forwarded-host': incoming.headers.host ?? `${HOST}:${port}`,
      'x-forwarded-proto': 'https',
      'x-forwarded-for': fromOf?.(incoming.headers) ?? incoming.socket.remoteAddress ?? '',
    };
    const asked = request(
      { host: '127.0.0.1', port: target, path: incoming.url, method: incoming.method, headers },
      (answer) => {
        outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
        answer.pipe(outgoing);
      },
    );
    asked.on('error', () => outgoing.destroy());
    incoming.pipe(asked);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  return {
    origin: `https://${HOST}:${port}`,
    host: HOST,
    port,
    /** The server behind it. */
    leadTo: (behind: number) => void (target = behind),
    close: () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly text: string;
}

/** Asks through a proxy, whose certificate nobody has signed. */
export function askTls(
  proxy: { readonly host: string; readonly port: number },
  path: string,
  {
    method = 'GET',
    headers = {},
    body = '',
  }: { method?: string; headers?: Record<string, string>; body?: string } = {},
): Promise<Answer> {
  const { host, port } = proxy;
  const options = { host: '127.0.0.1', port, path, method, servername: host, rejectUnauthorized: false, agent: false };
  return new Promise((resolve, reject) => {
    const asked = requestTls({ ...options, headers: { host: `${host}:${port}`, ...headers } }, (response) => {
      let text = '';
      response.setEncoding('utf8');
      response.on('data', (chunk: string) => (text += chunk));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
    });
    asked.on('error', reject);
    asked.end(body);
  });
}
