import { createHash } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import { compileManifest, readLane, type Lane, type Manifest } from '~/core/lane';
import { currencyOf, type Currency } from '~/core/money';
import { definitions } from '~/pieces/registry';
import type { App } from './app';

export interface LiveLane {
  readonly revision: number;
  /** False when a newer one is published that cannot be read. */
  readonly isNewest: boolean;
  readonly lane: Lane;
  readonly currency: Currency;
}

export interface ServedManifest {
  readonly body: string;
  readonly gzip: Buffer;
  readonly etag: string;
}

const live = new WeakMap<App, Promise<LiveLane>>();
const manifests = new WeakMap<LiveLane, Map<string, { manifest: Manifest; served: ServedManifest }>>();

/** The lane shoppers get. Read once and kept until something is published. */
export function liveLane(app: App): Promise<LiveLane> {
  let found = live.get(app);
  if (!found) {
    found = readLive(app);
    live.set(app, found);
    found.catch(() => live.delete(app));
  }
  return found;
}

export function forgetLiveLane(app: App): void {
  live.delete(app);
}

/** Revisions looked at for one that can be read. */
const MOST_BACK = 20;

/**
 * The newest revision that can be read. One that cannot (from a newer program, or broken on disk) is said, and the one
 * before it goes on selling.
 */
async function readLive(app: App): Promise<LiveLane> {
  const [newest] = await app.lanes.listRevisionIds(MOST_BACK);
  if (newest === undefined) throw new Error('No lane has been published yet; seed the database first');
  for (const id of await app.lanes.listRevisionIds(MOST_BACK)) {
    const stored = await app.lanes.readRevision(id);
    const read = readLane(stored?.document, definitions);
    if (read.ok)
      return {
        revision: id,
        isNewest: id === newest,
        lane: read.value,
        currency: currencyOf(read.value.shop.currency),
      };
    app.log.error({ revision: id, problems: read.problems.slice(0, 5) }, 'a revision cannot be read');
  }
  throw new Error(`None of the last ${MOST_BACK} revisions can be read`);
}

/** The live manifest in a language the shop offers, else in its first. Compiled once. */
export function liveManifest(live: LiveLane, language: string): Manifest {
  return manifestOf(live, language).manifest;
}

/** The live manifest in a language, with an ETag of its content. */
export async function serveManifest(app: App, language: string): Promise<ServedManifest> {
  return manifestOf(await liveLane(app), language).served;
}

function manifestOf(live: LiveLane, language: string): { manifest: Manifest; served: ServedManifest } {
  const { languages } = live.lane.shop;
  const known = languages.includes(language) ? language : languages[0]!;
  let byLanguage = manifests.get(live);
  if (!byLanguage) manifests.set(live, (byLanguage = new Map()));
  let made = byLanguage.get(known);
  if (!made) {
    const manifest = compileManifest(live.lane, definitions, live.revision, known);
    byLanguage.set(known, (made = { manifest, served: pack(manifest) }));
  }
  return made;
}

/** The draft's manifest, for those who hold its token; null for others. */
export async function serveDraftManifest(app: App, token: string, language: string): Promise<ServedManifest | null> {
  const draft = await app.lanes.readDraft();
  if (!draft || draft.token !== token) return null;
  const read = readLane(draft.document, definitions);
  if (!read.ok) return null;
  return pack(compileManifest(read.value, definitions, (await liveLane(app)).revision, language));
}

/** Whether somebody holds the token of the draft. */
export async function isDraftToken(app: App, token: string | null): Promise<boolean> {
  return token !== null && (await app.lanes.readDraft())?.token === token;
}

function pack(manifest: Manifest): ServedManifest {
  const body = JSON.stringify(manifest);
  return {
    body,
    gzip: gzipSync(body),
    etag: `"${createHash('sha256').update(body).digest('base64url').slice(0, 22)}"`,
  };
}
