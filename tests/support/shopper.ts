import { randomUUID } from 'node:crypto';
import { ORDER_FORM } from './checkout';

/** A browser without script: it keeps cookies, by path, and follows nothing. */
export interface Shopper {
  get(path: string): Promise<Response>;
  postForm(path: string, fields: Readonly<Record<string, string>>): Promise<Response>;
  postJson(path: string, body: unknown): Promise<Response>;
  /** What it would send for a path. */
  cookies(path: string): string;
}

export function shopperAt(origin: string): Shopper {
  const jar: { name: string; value: string; path: string }[] = [];
  const cookies = (path: string) =>
    jar
      .filter((cookie) => path.startsWith(cookie.path))
      .map(({ name, value }) => `${name}=${value}`)
      .join('; ');
  async function send(path: string, init: RequestInit): Promise<Response> {
    const headers = { origin, cookie: cookies(path), ...(init.headers as Record<string, string>) };
    const response = await fetch(origin + path, { redirect: 'manual', ...init, headers });
    for (const set of response.headers.getSetCookie()) {
      const [pair] = set.split(';');
      const at = pair!.indexOf('=');
      const own = /;\s*path=([^;]*)/i.exec(set)?.[1] ?? '/';
      const cookie = { name: pair!.slice(0, at), value: pair!.slice(at + 1), path: own };
      const before = jar.findIndex(({ name, path: of }) => name === cookie.name && of === own);
      if (before >= 0) jar.splice(before, 1);
      jar.push(cookie);
    }
    return response;
  }
  return {
    cookies,
    get: (path) => send(path, {}),
    postForm: (path, fields) => send(path, { method: 'POST', body: new URLSearchParams(fields) }),
    postJson: (path, body) =>
      send(path, { method: 'POST', body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  };
}

/** Puts goods into the shopper's cart and orders them; answers the order's token. */
export async function orderOver(
  shopper: Shopper,
  variantIds: readonly number[],
  { note = '', form = {} }: { readonly note?: string; readonly form?: Partial<typeof ORDER_FORM> } = {},
): Promise<string> {
  let version = 0;
  const change = async (request: object) => {
    const answered = await shopper.postJson('/api/cart', request);
    if (!answered.ok) throw new Error(await answered.text());
    ({
      view: { version },
    } = (await answered.json()) as { view: { version: number } });
  };
  for (const variantId of variantIds) await change({ kind: 'add', variantId });
  if (note) await change({ kind: 'note', note });
  const placed = await shopper.postJson('/api/orders', {
    key: randomUUID(),
    cartVersion: version,
    form: { ...ORDER_FORM, ...form },
  });
  const answer = (await placed.json()) as { token?: string };
  if (!answer.token) throw new Error(JSON.stringify(answer));
  return answer.token;
}
