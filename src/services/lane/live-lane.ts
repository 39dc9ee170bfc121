import { createHash } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import { compileManifest, readLane, type Lane, type Manifest } from '~/core/lane';
import { currencyOf, type Currency } from '~/core/money';
import { dayIn } from '~/core/time';
import { definitionOf, definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { inPresentCurrency } from '~/services/lane/in-present-currency';
import { findTried } from '~/services/lane/tried-lanes';

export interface LiveLane {
  /** 0: nothing has been published yet. The shop is closed, and its owner sees the draft. */
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
 * The newest revision that can be read. One that cannot (from a newer version, or damaged) is logged, and the one
 * before it keeps selling.
 */
async function readLive(app: App): Promise<LiveLane> {
  const [newest] = await app.lanes.listRevisionIds(MOST_BACK);
  if (newest === undefined) return readUnpublished(app);
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

async function readUnpublished(app: App): Promise<LiveLane> {
  const read = readLane((await app.lanes.readDraft())?.document, definitions);
  if (!read.ok) throw new Error('Nothing has been published yet, and the draft cannot be read');
  return { revision: 0, isNewest: true, lane: read.value, currency: currencyOf(read.value.shop.currency) };
}

/** Whether shoppers may come in: something has been published. */
export async function isOpen(app: App): Promise<boolean> {
  return (await liveLane(app)).revision > 0;
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
  const draft = await draftLane(app, token);
  return draft && pack(compileManifest(draft.lane, definitions, draft.revision, language));
}

/**
 * The draft as a lane that is served, for whoever holds its token; null for others, and where it cannot be read. With
 * `.r` and a number behind the token it is that revision, looked at; with `.t` and a key a change that is tried.
 */
export async function draftLane(app: App, asked: string | null): Promise<LiveLane | null> {
  const found = /^([^.]{1,80})(?:\.r(\d{1,9})|\.t([\w-]{1,40}))?$/.exec(asked ?? '');
  if (!found) return null;
  const [, token, old, key] = found;
  const draft = await app.lanes.readDraft();
  if (!draft || draft.token !== token) return null;
  const document = old === undefined ? draft.document : (await app.lanes.readRevision(Number(old)))?.document;
  const read = readLane(key === undefined ? document : findTried(app, key), definitions);
  if (!read.ok) return null;
  const { revision } = await liveLane(app);
  // The catalogue has today's prices: a revision from before a change of currency is shown in today's currency.
  const lane = old === undefined ? read.value : await inPresentCurrency(app, read.value, Number(old));
  return { revision, isNewest: true, lane, currency: currencyOf(lane.shop.currency) };
}

/** For the runtime: without what only the server draws. */
function pack(manifest: Manifest): ServedManifest {
  const pieces = manifest.pieces.filter(({ kind }) => !definitionOf(kind)?.isDrawnOnly);
  const body = JSON.stringify({ ...manifest, pieces });
  return {
    body,
    gzip: gzipSync(body),
    etag: `"${createHash('sha256').update(body).digest('base64url').slice(0, 22)}"`,
  };
}

/** The day in the shop's zone, YYYY-MM-DD. */
export async function shopToday(app: App): Promise<string> {
  return dayIn((await liveLane(app)).lane.shop.timeZone, app.now());
}
