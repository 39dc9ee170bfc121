import { request } from 'node:http';

/** Ways to write a path that a guard, a router and a file system may read differently; the first is the plain one. */
export function spellingsOf(path: string): string[] {
  const [, area = '', ...rest] = path.split('/');
  const tail = rest.length > 0 ? `/${rest.join('/')}` : '';
  const hex = (text: string) => [...text].map((letter) => `%${letter.charCodeAt(0).toString(16)}`).join('');
  return [
    path,
    `/${path}`,
    `//${path}`,
    `/\\${path.slice(1)}`,
    `\\${path}`,
    `/%2f${path.slice(1)}`,
    `/%5c${path.slice(1)}`,
    `/.${path}`,
    `/x/..${path}`,
    `/%2e${path}`,
    `/x/%2e%2e${path}`,
    `/${area}/${tail || '/'}`,
    `/${area}/.${tail}`,
    `/${area.toUpperCase()}${tail}`,
    `/${area.slice(0, 1).toUpperCase()}${area.slice(1)}${tail}`,
    `/${hex(area.slice(0, 1))}${area.slice(1)}${tail}`,
    `/${area}${tail}%00`,
    `/${area}${tail}/.`,
    `/${area}${tail};x`,
    `/${area}%2f${rest.join('%2f')}`,
    `${path}/`,
  ];
}

export interface RawAnswer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly text: string;
}

/** A request whose address is sent as it is written: `fetch` would tidy it first. */
export function sendRaw(
  origin: string,
  path: string,
  { method = 'GET', headers = {}, body }: { method?: string; headers?: Record<string, string>; body?: string } = {},
): Promise<RawAnswer> {
  const { hostname, port } = new URL(origin);
  return new Promise((resolve, reject) => {
    const asked = request({ hostname, port, path, method, headers, agent: false }, (response) => {
      let text = '';
      response.setEncoding('utf8');
      response.on('data', (chunk: string) => (text += chunk));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
    });
    asked.on('error', reject);
    asked.end(body);
  });
}
