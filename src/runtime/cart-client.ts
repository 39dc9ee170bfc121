import type { Reply, AnswerOf } from '~/contract';
import type { CartView } from '~/core/cart';
import { DOUBLE_CLICK_MS } from '~/core/limits';
import type { CartAnswer, CartChangeRequest } from './cart-change';
import type { HostPage } from './host-page';
import { createChangeQueue, type PendingChange } from './change-queue';
import { afterPress } from './kit/after-press';

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

const FAULT = 'Something went wrong. Please try again.';
const URL_OF_CART = '/api/cart';

/** Changes are shown at once; what is refused is taken back. Tabs tell each other. */
export function createCartClient({ ask }: Pick<HostPage, 'ask'>): CartClient {
  const listeners = new Set<(view: CartView) => void>();
  const tabs = globalThis.BroadcastChannel ? new BroadcastChannel('pl-cart') : null;
  const queue = createChangeQueue((change) => sendChange(ask, change), takeAnswer);
  /** What the server said last. */
  let base: CartView | null = null;
  let sample: CartView | null = null;
  let quoted: CartView | null = null;
  /** Of an add only the count is known; what else can be shown ahead, the parts that show a cart bring along. */
  let optimisticCart: OptimisticCart = (view, request) =>
    request.kind === 'add' ? { ...view, count: view.count + (request.quantity ?? 1) } : view;
  let lastAdd: { readonly key: string; readonly at: number; readonly answer: Promise<CartAnswer> } | null = null;

  const shown = () =>
    sample ?? (base && queue.pending.reduce((view, { request }) => optimisticCart(view, request), base));
  const tell = () => afterPress(tellAll);
  function tellAll(): void {
    const view = shown();
    if (!view) return;
    for (const listener of listeners) {
      try {
        listener(view);
      } catch (error) {
        // One piece that cannot draw a cart must not keep it from the others, nor the cart from being changed.
        console.error(error);
      }
    }
  }

  function takeAnswer({ view, ...plain }: Answered): CartAnswer {
    if (view && view.version >= (base?.version ?? 0)) {
      base = view;
      tabs?.postMessage(base);
      // Another tab was faster, or this is another cart: ask the server.
    } else if (view) void load();
    tell();
    return plain;
  }

  async function load(): Promise<CartView | null> {
    const before = base;
    const response = await ask(URL_OF_CART).catch(() => null);
    const read = response?.ok ? ((await response.json()) as AnswerOf<'GET /api/cart'>) : null;
    // A change answered in the meantime is newer than this.
    if (read && base === before) {
      base = read;
      tell();
    }
    queue.pump();
    return shown();
  }

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
      // A double click is one request.
      if (lastAdd?.key === key && Date.now() - lastAdd.at < DOUBLE_CLICK_MS) return lastAdd.answer;
      const answer = queue.add(request);
      tell();
      if (request.kind === 'add') lastAdd = { key, at: Date.now(), answer };
      return answer;
    },
    settled: queue.settled,
    showAheadWith(next) {
      optimisticCart = next;
    },
    pretend(next) {
      sample = next;
      tell();
    },
  };
}

type Answered = CartAnswer & { readonly view?: CartView };

/** Null without a connection. */
async function sendChange(ask: HostPage['ask'], { id, request }: PendingChange): Promise<Answered | null> {
  const sent = JSON.stringify({ ...request, changeId: id });
  const response = await ask(URL_OF_CART, {
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
