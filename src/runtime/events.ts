import type { EventKind } from '~/core/funnel';
import type { Device } from '~/core/where';
import type { HostPage } from './host-page';

interface QueuedEvent {
  readonly id: string;
  readonly at: number;
  readonly kind: EventKind;
  readonly page: string;
  readonly product: string | null;
  readonly piece: string | null;
}

export interface Recorder {
  record(kind: EventKind, about?: { product?: string | null; piece?: string }): void;
}

const VISIT_MINUTES = 30;
const SEND_AFTER_MS = 1200;

/**
 * Records what shoppers do, without anything that says who they are. The visit's id lasts 30 minutes after the last
 * page. Nothing is kept or sent when the browser asks not to be tracked, or `isQuiet` (previews).
 */
export function createRecorder(host: Pick<HostPage, 'tell'>, page: string, device: Device, isQuiet: boolean): Recorder {
  const wishes = navigator as { globalPrivacyControl?: boolean; doNotTrack?: string | null };
  if (isQuiet || wishes.globalPrivacyControl || wishes.doNotTrack === '1') return { record: () => undefined };
  // Known from the first moment on, so that what is sent without script belongs to it, too.
  visitId();
  const queue: QueuedEvent[] = [];
  let timer = 0;
  const send = () => {
    clearTimeout(timer);
    timer = 0;
    if (queue.length === 0) return;
    const body = JSON.stringify({ visit: visitId(), device, source: visitSource(), events: queue.splice(0) });
    host.tell('/api/events', body);
  };
  addEventListener('pagehide', send);
  document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && send());
  return {
    record(kind, about = {}) {
      queue.push({
        id: newId(),
        at: Date.now(),
        kind,
        page,
        product: about.product ?? null,
        piece: about.piece ?? null,
      });
      if (queue.length >= 20) send();
      else timer ||= setTimeout(send, SEND_AFTER_MS) as unknown as number;
    },
  };
}

/** Browsers keep `randomUUID` from pages without TLS; a visit is counted there all the same. */
const newId = () => crypto.randomUUID?.() ?? `${Math.random()}`.slice(2);

function visitId(): string {
  const found = /(?:^|; )pl_visit=([\w-]{6,60})/.exec(document.cookie)?.[1];
  const id = found ?? newId();
  if (!found) sessionStorage.removeItem('pl_source');
  document.cookie = `pl_visit=${id}; path=/; max-age=${VISIT_MINUTES * 60}; samesite=lax`;
  return id;
}

/** Where the visit came from: a word in the address, the site before, or direct. Kept for the visit. */
function visitSource(): string {
  const kept = sessionStorage.getItem('pl_source');
  if (kept) return kept;
  const named = new URLSearchParams(location.search).get('from') ?? '';
  const before = document.referrer ? new URL(document.referrer).host : '';
  const source = /^[\w-]{1,40}$/.test(named)
    ? named
    : before && before !== location.host
      ? before.slice(0, 60)
      : 'direct';
  sessionStorage.setItem('pl_source', source);
  return source;
}
