import { randomBytes } from 'node:crypto';
import type { Lane } from '~/core/lane';
import type { App } from '~/services/app';

/** As many are kept; each is asked for right after it was made. */
const MOST = 16;

const tried = new WeakMap<App, Map<string, Lane>>();

/** Keeps a lane that is drawn for the studio and stored nowhere; its key. */
export function keepTried(app: App, lane: Lane): string {
  let kept = tried.get(app);
  if (!kept) tried.set(app, (kept = new Map()));
  const key = randomBytes(9).toString('base64url');
  kept.set(key, lane);
  for (const old of [...kept.keys()].slice(0, -MOST)) kept.delete(old);
  return key;
}

export const findTried = (app: App, key: string): Lane | null => tried.get(app)?.get(key) ?? null;
