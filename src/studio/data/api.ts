import type { LanePatch } from '~/core/lane';

/** What the server refused, in its own words. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly body: unknown,
  ) {
    super(message);
  }
}

/** Asks the server; a refusal or a lost connection is thrown with a sentence that can be shown. */
export async function ask<T>(path: string, init: RequestInit = {}): Promise<T> {
  const response = await fetch(path, init).catch(() => {
    throw new Refusal(0, 'The server cannot be reached. What you changed is kept in this window; try again.', null);
  });
  if (response.ok) return (await response.json().catch(() => null)) as T;
  throw await refusalOf(response);
}

/** A refusal in the server's own words; whoever is not signed in any more is led there. */
export async function refusalOf(response: Response): Promise<Refusal> {
  const body: unknown = await response.json().catch(() => null);
  const problems = (body as { problems?: { message?: string }[] } | null)?.problems ?? [];
  const message = problems
    .map((problem) => problem.message)
    .filter(Boolean)
    .join(' ');
  if (response.status === 401)
    location.assign(`/studio/sign-in?next=${encodeURIComponent(location.pathname + location.search)}`);
  return new Refusal(response.status, message || 'Something went wrong on our side. Please try again.', body);
}

export function askJson<T>(method: 'POST' | 'PATCH' | 'PUT' | 'DELETE', path: string, body: unknown): Promise<T> {
  return ask<T>(path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
}

/** What a browser sends on for a page that is left, in bytes (Fetch Standard: 64 KiB for all that is under way). */
const MOST_KEPT_ALIVE = 60_000;

/** Small ones arrive though the page is left meanwhile. */
export function sendPatch(edit: number, patch: LanePatch): Promise<{ edit: number; token: string }> {
  const body = JSON.stringify({ edit, patch });
  const keepalive = new Blob([body]).size < MOST_KEPT_ALIVE;
  return ask('/api/studio/draft', {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body,
    keepalive,
  });
}
