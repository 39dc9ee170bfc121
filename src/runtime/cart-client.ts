import type { Reply, AnswerOf } from '~/contract';
import type { CartView } from '~/core/cart';
import { DOUBLE_CLICK_MS } from '~/core/limits';
import type { Answers } from '~/core/options';
import type { HostPage } from './host-page';
import { afterPress } from './kit/after-press';
import { newId } from './new-id';

interface Chosen {
  readonly variantId?: number;
  readonly product?: string;
  /** Of a variant: what is bought from other sites is named by it. */
  readonly sku?: string;
  readonly choices?: Record<string, string>;
  readonly answers?: Answers;
}

export type CartChangeRequest =
  | (Chosen & {
      readonly kind: 'add';
      readonly quantity?: number;
    })
  | { readonly kind: 'set'; readonly lineId: string; readonly quantity: number }
  | { readonly kind: 'remove'; readonly lineId: string }
  | { readonly kind: 'put-back'; readonly lineId: string }
  | (Chosen & { readonly kind: 'reshape'; readonly lineId: string })
  | { readonly kind: 'coupon' | 'coupon-off'; readonly code: string }
  | { readonly kind: 'destination'; readonly country: string; readonly postcode: string }
  | { readonly kind: 'note'; readonly note: string };

interface RefusedPlace {
  readonly path: string;
  readonly message: string;
}

export type CartAnswer =
  /** `waiting`: there is no connection; the change is kept and sent when there is. */
  | { readonly ok: true; readonly lineId: string | null; readonly waiting: boolean }
  | { readonly ok: false; readonly message: string; readonly problems: readonly RefusedPlace[] };

/** What a cart will most likely be after a change. */
export type OptimisticCart = (view: CartView, request: CartChangeRequest) => CartView;

export interface CartClient {
  /** The cart as it will be when every change under way has been made; null until it is fetched. */
  readonly view: CartView | null;
  /** The cart priced for a way of delivery, where a checkout asked for it; null elsewhere. */
  readonly quoted: CartView | null;
  quote(view: CartView): void;
  /** Hears every new state of the cart; returns the way to stop. */
  watch(listener: (view: CartView) => void): () => void;
  load(): Promise<CartView | null>;
  change(request: CartChangeRequest): Promise<CartAnswer>;
  /** When every change so far has been answered, or waits for a connection. */
  settled(): Promise<void>;
  /** Lets a change be shown before it is answered. */
  showAheadWith(next: OptimisticCart): void;
  /** Shows a sample instead of the shopper's cart (previews); null goes back. */
  pretend(sample: CartView | null): void;
}

interface Pending {
  readonly id: string;
  readonly request: CartChangeRequest;
  /** Milliseconds since 1970, when it was asked for. */
  readonly at: number;
  readonly settle?: (answer: CartAnswer) => void;
}

/** One entry a change, so that tabs do not overwrite each other's. */
const KEPT = 'pl_cart_waiting:';
const MOST_WAIT_MS = 30_000;
const FAULT = 'Something went wrong. Please try again.';

/**
 * The shopper's cart. Changes are shown at once and sent one after the other, each under an id of its own, so that one
 * whose answer was lost is made once; what is refused is taken back. Without a connection, or when the page is left too
 * soon, they wait for the next page.
 * Tabs tell each other.
 */
export function createCartClient({ ask }: Pick<HostPage, 'ask'>): CartClient {
  const listeners = new Set<(view: CartView) => void>();
  const url = '/api/cart';
  const storage = ownStorage();
  const tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('pl-cart');
  /** What the server said last. */
  let base: CartView | null = null;
  let sample: CartView | null = null;
  let pending = readKept(storage);
  let isSending = false;
  /** Told when nothing is being sent any more. */
  const waiting: (() => void)[] = [];
  let waitMs = 1000;
  let isOffline = false;
  let latest = 0;
  let quoted: CartView | null = null;
  /** Of an add only the count is known; what else can be shown ahead, the parts that show a cart bring along. */
  let optimisticCart: OptimisticCart = (view, request) =>
    request.kind === 'add' ? { ...view, count: view.count + (request.quantity ?? 1) } : view;
  let lastAdd: { readonly key: string; readonly at: number; readonly answer: Promise<CartAnswer> } | null = null;

  const shown = () => sample ?? (base && pending.reduce((view, { request }) => optimisticCart(view, request), base));
  const tell = () => afterPress(tellAll);
  function tellAll(): void {
    const view = shown();
    if (!view) return;
    for (const listener of listeners) {
      try {
        listener(view);
      } catch (error) {
        // One piece that cannot draw a cart must not keep it from the others, nor the cart from being changed.
        console.error('Paved Lane', error);
      }
    }
  }

  async function send({ id, request }: Pending): Promise<(CartAnswer & { view?: CartView }) | null> {
    const sent = JSON.stringify({ ...request, changeId: id });
    const response = await ask(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: sent,
      // A shopper who leaves the page at once is followed by what was put in; browsers let 64 KiB outlive their page.
      keepalive: sent.length < 16_384,
    }).catch(() => null);
    if (!response) return null;
    const body = (await response.json().catch(() => ({}))) as Reply<'POST /api/cart'>;
    if (response.ok && body.view) return { ok: true, lineId: body.lineId ?? null, waiting: false, view: body.view };
    const problems = body.problems ?? [];
    return { ok: false, message: problems.map((problem) => problem.message).join(' ') || FAULT, problems };
  }

  async function pump(): Promise<void> {
    if (isSending) return;
    isSending = true;
    for (let first = pending[0]; first; first = pending[0]) {
      const answer = await send(first);
      setOffline(!answer);
      if (!answer) {
        setTimeout(() => void pump(), (waitMs = Math.min(MOST_WAIT_MS, waitMs * 2)));
        break;
      }
      waitMs = 1000;
      pending = pending.slice(1);
      storage?.removeItem(KEPT + first.id);
      if (answer.view && answer.view.version >= (base?.version ?? 0)) {
        base = answer.view;
        tabs?.postMessage(base);
        // Another tab was faster, or this is another cart: the server knows.
      } else if (answer.view) void load();
      tell();
      const { view: _view, ...plain } = answer;
      first.settle?.(plain);
    }
    isSending = false;
    for (const { settle } of pending) settle?.({ ok: true, lineId: null, waiting: true });
    for (const tell of waiting.splice(0)) tell();
  }

  /** Tells the page how many changes wait for a connection, and when none do any more. */
  function setOffline(next: boolean): void {
    if (!next && !isOffline) return;
    isOffline = next;
    globalThis.dispatchEvent?.(new CustomEvent('pl-offline', { detail: { isOffline, waiting: pending.length } }));
  }

  function enqueue(request: CartChangeRequest): Promise<CartAnswer> {
    return new Promise((settle) => {
      // Two in one millisecond are two all the same.
      const at = (latest = Math.max(Date.now(), latest + 1));
      const id = newId();
      pending = [...pending, { id, at, request, settle }];
      storage?.setItem(KEPT + id, JSON.stringify({ id, at, request } satisfies Pending));
      tell();
      void pump();
    });
  }

  async function load(): Promise<CartView | null> {
    const before = base;
    const response = await ask(url).catch(() => null);
    const read = response?.ok ? ((await response.json()) as AnswerOf<'GET /api/cart'>) : null;
    // What a change was answered in the meantime is newer than this.
    if (read && base === before) {
      base = read;
      tell();
    }
    void pump();
    return shown();
  }

  globalThis.addEventListener?.('online', () => void pump());
  tabs?.addEventListener('message', ({ data }: MessageEvent<CartView>) => {
    if (base && data.version <= base.version) return;
    base = data;
    tell();
  });

  return {
    get view() {
      return shown();
    },
    watch(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    get quoted() {
      return sample ?? quoted;
    },
    quote(view) {
      quoted = view;
      tell();
    },
    load,
    change(request) {
      const key = JSON.stringify(request);
      // A double click is one wish.
      if (lastAdd?.key === key && Date.now() - lastAdd.at < DOUBLE_CLICK_MS) return lastAdd.answer;
      const answer = enqueue(request);
      if (request.kind === 'add') lastAdd = { key, at: Date.now(), answer };
      return answer;
    },
    settled: () => (isSending ? new Promise((settle) => waiting.push(settle)) : Promise.resolve()),
    showAheadWith(next) {
      optimisticCart = next;
    },
    pretend(next) {
      sample = next;
      tell();
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
function readKept(storage: Storage | null): Pending[] {
  const keys = Array.from({ length: storage?.length ?? 0 }, (_, i) => storage!.key(i)!);
  return keys
    .filter((key) => key.startsWith(KEPT))
    .flatMap((key): Pending[] => {
      try {
        return [JSON.parse(storage!.getItem(key)!) as Pending];
      } catch {
        return [];
      }
    })
    .sort((a, b) => a.at - b.at);
}
