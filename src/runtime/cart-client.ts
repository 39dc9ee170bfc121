import type { CartView } from '~/core/cart';
import type { Answers } from '~/core/options';

interface Chosen {
  readonly variantId?: number;
  readonly product?: string;
  readonly choices?: Record<string, string>;
  readonly answers?: Answers;
}

export type CartChangeRequest =
  | (Chosen & { readonly kind: 'add'; readonly quantity?: number; readonly lineId?: string; readonly at?: number })
  | { readonly kind: 'set'; readonly lineId: string; readonly quantity: number }
  | { readonly kind: 'remove'; readonly lineId: string }
  | (Chosen & { readonly kind: 'reshape'; readonly lineId: string })
  | { readonly kind: 'coupon'; readonly code: string }
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

export interface CartClient {
  /** The cart as it will be when every change under way has been made; null until it is fetched. */
  readonly view: CartView | null;
  /** Hears every new state of the cart; returns the way to stop. */
  watch(listener: (view: CartView) => void): () => void;
  load(): Promise<CartView | null>;
  change(request: CartChangeRequest): Promise<CartAnswer>;
  /** Shows a sample instead of the shopper's cart (previews); null goes back. */
  pretend(sample: CartView | null): void;
}

interface Pending {
  readonly id: string;
  readonly request: CartChangeRequest;
  readonly settle?: (answer: CartAnswer) => void;
}

const KEPT = 'pl_cart_waiting';
const MOST_WAIT_MS = 30_000;
const FAULT = 'Something went wrong on our side. Your cart is as it was; please try again.';

/**
 * The shopper's cart. Changes are shown at once and sent one after the other, each under an id of its own, so that one
 * whose answer was lost is made once; what is refused is taken back. Without a connection, or when the page is left too
 * soon, they wait for the next page.
 * Tabs tell each other.
 */
export function createCartClient(origin: string): CartClient {
  const listeners = new Set<(view: CartView) => void>();
  const url = `${origin}/api/cart`;
  const storage = ownStorage();
  const tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('pl-cart');
  /** What the server said last. */
  let base: CartView | null = null;
  let sample: CartView | null = null;
  let pending = readKept(storage);
  let isSending = false;
  let waitMs = 1000;

  const shown = () => sample ?? (base && pending.reduce((view, { request }) => foresee(view, request), base));
  const tell = () => {
    const view = shown();
    if (view) for (const listener of listeners) listener(view);
  };
  const keep = () =>
    pending.length > 0
      ? storage?.setItem(KEPT, JSON.stringify(pending.map(({ id, request }) => ({ id, request }))))
      : storage?.removeItem(KEPT);

  async function send({ id, request }: Pending): Promise<(CartAnswer & { view?: CartView }) | null> {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...request, changeId: id }),
    }).catch(() => null);
    if (!response) return null;
    const body = (await response.json().catch(() => ({}))) as {
      view?: CartView;
      lineId?: string | null;
      problems?: RefusedPlace[];
    };
    if (response.ok && body.view) return { ok: true, lineId: body.lineId ?? null, waiting: false, view: body.view };
    const problems = body.problems ?? [];
    return { ok: false, message: problems.map((problem) => problem.message).join(' ') || FAULT, problems };
  }

  async function pump(): Promise<void> {
    if (isSending) return;
    isSending = true;
    for (let first = pending[0]; first; first = pending[0]) {
      const answer = await send(first);
      if (!answer) {
        for (const { settle } of pending) settle?.({ ok: true, lineId: null, waiting: true });
        setTimeout(() => void pump(), (waitMs = Math.min(MOST_WAIT_MS, waitMs * 2)));
        break;
      }
      waitMs = 1000;
      pending = pending.slice(1);
      keep();
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
  }

  async function load(): Promise<CartView | null> {
    const before = base;
    const response = await fetch(url).catch(() => null);
    const read = response?.ok ? ((await response.json()) as CartView) : null;
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
    load,
    change: (request) =>
      new Promise((settle) => {
        pending = [...pending, { id: crypto.randomUUID(), request, settle }];
        tell();
        keep();
        void pump();
      }),
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

function readKept(storage: Storage | null): Pending[] {
  try {
    return JSON.parse(storage?.getItem(KEPT) ?? '[]') as Pending[];
  } catch {
    return [];
  }
}

/** What the cart will most likely be; the server's answer replaces it. Of an add only the count: its price is the server's to say. */
function foresee(view: CartView, request: CartChangeRequest): CartView {
  if (request.kind === 'add') return { ...view, count: view.count + (request.quantity ?? 1) };
  if (request.kind === 'coupon' && !request.code) return { ...view, coupon: null };
  if (request.kind !== 'set' && request.kind !== 'remove') return view;
  const line = view.lines.find(({ id }) => id === request.lineId);
  if (!line) return view;
  const quantity = request.kind === 'remove' ? 0 : request.quantity;
  type Sum = typeof line.totalMinor;
  const totalMinor = (line.totalMinor + line.unitMinor * (quantity - line.quantity)) as Sum;
  const changed = quantity > 0 ? [{ ...line, quantity, totalMinor, fullMinor: totalMinor }] : [];
  const more = (quantity > 0 ? totalMinor : 0) - line.totalMinor;
  return {
    ...view,
    lines: view.lines.flatMap((other) => (other === line ? changed : [other])),
    count: view.count + quantity - line.quantity,
    subtotalMinor: (view.subtotalMinor + more) as Sum,
    totalMinor: (view.totalMinor + more) as Sum,
  };
}
