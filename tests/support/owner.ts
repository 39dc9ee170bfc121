import { diffLanes, type Lane } from '~/core/lane';
import type { TestServer } from './server';

/** The demo's owner, at work through the API. */
export interface Owner {
  readonly cookie: string;
  get<T>(path: string): Promise<T>;
  /** Changes the draft; answers its token. */
  change(recipe: (lane: Lane) => void): Promise<string>;
  /** Makes the live shop so, whatever stood in the draft before. */
  publish(recipe: (lane: Lane) => void): Promise<void>;
  /** Makes a revision live and the draft, unless it is both already. */
  publishRevision(revision: number): Promise<void>;
}

interface Draft {
  readonly edit: number;
  readonly token: string;
  readonly lane: Lane;
  readonly live: { readonly revision: number };
}

export async function signInOwner({ origin }: Pick<TestServer, 'origin'>): Promise<Owner> {
  const signed = await fetch(`${origin}/studio/sign-in`, {
    method: 'POST',
    body: new URLSearchParams({ email: 'owner@hollowtarn.example', password: 'windward' }),
    redirect: 'manual',
    headers: { origin },
  });
  const cookie = signed.headers.get('set-cookie')!.split(';')[0]!;
  async function ask<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await fetch(origin + path, {
      method,
      headers: { cookie, origin, 'content-type': 'application/json' },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
    return (await response.json()) as T;
  }
  async function change(recipe: (lane: Lane) => void): Promise<Draft> {
    const draft = await ask<Draft>('GET', '/api/studio/draft');
    const next = structuredClone(draft.lane);
    recipe(next);
    const patch = diffLanes(draft.lane, next);
    if (patch.length === 0) return draft;
    return { ...draft, ...(await ask<{ edit: number }>('PATCH', '/api/studio/draft', { edit: draft.edit, patch })) };
  }
  return {
    cookie,
    get: (path) => ask('GET', path),
    change: async (recipe) => (await change(recipe)).token,
    async publish(recipe) {
      const { edit } = await ask<Draft>('GET', '/api/studio/draft');
      await ask('PUT', '/api/studio/draft', { edit, revision: 'latest' });
      const draft = await change(recipe);
      await ask('POST', '/api/studio/publish', { edit: draft.edit, note: '' });
    },
    async publishRevision(revision) {
      const { edit, live } = await ask<Draft>('GET', '/api/studio/draft');
      const draft = await ask<Draft>('PUT', '/api/studio/draft', { edit, revision });
      if (live.revision !== revision) await ask('POST', '/api/studio/publish', { edit: draft.edit, note: '' });
    },
  };
}
