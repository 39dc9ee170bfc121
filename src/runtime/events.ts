import type { EventKind } from '~/core/funnel';
import type { Device } from '~/core/where';
import type { HostPage } from './host-page';
import { newId } from './new-id';
import { visitId, visitSource } from '~/runtime/own/visit';

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

const SEND_AFTER_MS = 1200;

/** Whether the browser lets visits be recorded: it asks neither by Global Privacy Control nor by Do Not Track that they are not. */
export function isRecorded(): boolean {
  const wishes = navigator as { globalPrivacyControl?: boolean; doNotTrack?: string | null };
  return !wishes.globalPrivacyControl && wishes.doNotTrack !== '1';
}

/**
 * Records what shoppers do, without anything that says who they are. The visit's id lasts 30 minutes after the last
 * page. Nothing is kept or sent when the browser asks not to be tracked, or `isQuiet` (previews).
 */
export function createRecorder(host: Pick<HostPage, 'tell'>, page: string, device: Device, isQuiet: boolean): Recorder {
  if (isQuiet || !isRecorded()) return { record: () => undefined };
  // Known from the first moment on, so that what is sent without script belongs to it, too.
  visitId();
  const queue: QueuedEvent[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;
  const send = () => {
    clearTimeout(timer);
    timer = undefined;
    if (queue.length === 0) return;
    const body = JSON.stringify({ visit: visitId(), device, source: visitSource(), events: queue.splice(0) });
    host.tell('/api/events', body);
  };
  addEventListener('pagehide', send);
  document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && send());
  return {
    record(kind, about) {
      queue.push({ id: newId(), at: Date.now(), kind, page, product: null, piece: null, ...about });
      if (queue.length >= 20) send();
      else timer ||= setTimeout(send, SEND_AFTER_MS);
    },
  };
}
