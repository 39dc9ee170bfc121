import type { CartAnswer, CartChangeRequest } from './cart-change';
import { newId } from './new-id';

/** A change that has not been answered. */
export interface PendingChange {
  readonly id: string;
  readonly request: CartChangeRequest;
  /** Milliseconds since 1970, when it was asked for. */
  readonly at: number;
  readonly settle?: (answer: CartAnswer) => void;
}

/** One entry a change, so that tabs do not overwrite each other's. */
const KEPT = 'pl_cart_waiting:';
const MOST_WAIT_MS = 30_000;

export interface ChangeQueue {
  readonly pending: readonly PendingChange[];
  add(request: CartChangeRequest): Promise<CartAnswer>;
  /** Sends what is pending, unless it is being sent. */
  pump(): void;
  /** When every change so far has been answered, or waits for a connection. */
  settled(): Promise<void>;
}

/**
 * Changes of the cart, one after the other, each under an id of its own, so that one whose answer was lost is made once.
 * Without a connection, or when the page is left too soon, they wait for the next page.
 * `send` answers null without a connection; `onAnswer` hears every answer when its change is pending no more, and says what
 * whoever asked is told.
 */
export function createChangeQueue<Answer>(
  send: (change: PendingChange) => Promise<Answer | null>,
  onAnswer: (answer: Answer) => CartAnswer,
): ChangeQueue {
  const storage = ownStorage();
  let pending = readKept(storage);
  let sending: Promise<void> | null = null;
  let waitMs = 1000;
  let isOffline = false;
  let latest = 0;

  function pump(): void {
    if (pending[0]) sending ??= sendAll();
  }

  async function sendAll(): Promise<void> {
    for (let first = pending[0]; first; first = pending[0]) {
      const answer = await send(first);
      setOffline(!answer);
      if (!answer) {
        setTimeout(pump, (waitMs = Math.min(MOST_WAIT_MS, waitMs * 2)));
        break;
      }
      waitMs = 1000;
      pending = pending.slice(1);
      storage?.removeItem(KEPT + first.id);
      const told = onAnswer(answer);
      first.settle?.(told);
    }
    sending = null;
    for (const { settle } of pending) settle?.({ ok: true, lineId: null, waiting: true });
  }

  /** Tells the page how many changes wait for a connection, and when none do any more. */
  function setOffline(next: boolean): void {
    if (!next && !isOffline) return;
    isOffline = next;
    globalThis.dispatchEvent?.(new CustomEvent('pl-offline', { detail: { isOffline, waiting: pending.length } }));
  }

  function add(request: CartChangeRequest): Promise<CartAnswer> {
    return new Promise((settle) => {
      // Two changes in one millisecond still need an order.
      const at = (latest = Math.max(Date.now(), latest + 1));
      const id = newId();
      pending = [...pending, { id, at, request, settle }];
      storage?.setItem(KEPT + id, JSON.stringify({ id, at, request } satisfies PendingChange));
      pump();
    });
  }

  globalThis.addEventListener?.('online', pump);
  return {
    get pending() {
      return pending;
    },
    add,
    pump,
    async settled() {
      await sending;
    },
  };
}

/** The browser's storage, where there is one and the shopper lets the shop use it. */
function ownStorage(): Storage | null {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
}

/** Changes left behind by pages before, also of other tabs: whoever sends one first, it is made once. */
function readKept(storage: Storage | null): PendingChange[] {
  const keys = Array.from({ length: storage?.length ?? 0 }, (_, i) => storage!.key(i)!);
  return keys
    .filter((key) => key.startsWith(KEPT))
    .flatMap((key): PendingChange[] => {
      try {
        return [JSON.parse(storage!.getItem(key)!) as PendingChange];
      } catch {
        return [];
      }
    })
    .sort((a, b) => a.at - b.at);
}
