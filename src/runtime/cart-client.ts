import type { CartView } from '~/core/cart';

export type CartChangeRequest =
  | {
      readonly kind: 'add';
      readonly variantId?: number;
      readonly product?: string;
      readonly choices?: Record<string, string>;
      readonly quantity?: number;
    }
  | { readonly kind: 'set'; readonly lineId: string; readonly quantity: number }
  | { readonly kind: 'remove'; readonly lineId: string };

export type CartAnswer = { readonly ok: true } | { readonly ok: false; readonly message: string };

export interface CartClient {
  readonly view: CartView | null;
  /** Hears every new state of the cart; returns the way to stop. */
  watch(listener: (view: CartView) => void): () => void;
  load(): Promise<CartView | null>;
  change(request: CartChangeRequest): Promise<CartAnswer>;
  /** Shows a sample instead of the shopper's cart (previews); null goes back. */
  pretend(sample: CartView | null): void;
}

const OFFLINE = 'The shop cannot be reached just now. Your cart is as it was; please try again.';

export function createCartClient(origin: string): CartClient {
  const listeners = new Set<(view: CartView) => void>();
  let view: CartView | null = null;
  let sample: CartView | null = null;
  let turn: Promise<unknown> = Promise.resolve();
  const tell = () => {
    const shown = sample ?? view;
    if (shown) for (const listener of listeners) listener(shown);
  };
  const set = (next: CartView) => {
    view = next;
    tell();
    return next;
  };
  const url = `${origin}/api/cart`;

  async function send(request: CartChangeRequest): Promise<CartAnswer> {
    const before = view;
    if (before) {
      const hoped = foresee(before, request);
      if (hoped) set(hoped);
    }
    try {
      const response = await fetch(url, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(request),
      });
      const body = (await response.json()) as CartView & { problems?: { message: string }[] };
      if (response.ok) {
        set(body);
        return { ok: true };
      }
      if (before) set(before);
      return { ok: false, message: body.problems?.map((problem) => problem.message).join(' ') ?? OFFLINE };
    } catch {
      if (before) set(before);
      return { ok: false, message: OFFLINE };
    }
  }

  return {
    get view() {
      return sample ?? view;
    },
    watch(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    async load() {
      const response = await fetch(url).catch(() => null);
      return response?.ok ? set((await response.json()) as CartView) : view;
    },
    /** One change at a time, so that answers cannot overtake each other. */
    change(request) {
      const answer = turn.then(() => send(request));
      turn = answer;
      return answer;
    },
    pretend(next) {
      sample = next;
      tell();
    },
  };
}

/** What the cart will most likely be; the server's answer replaces it. Adds are not foreseen: their price is the server's to say. */
function foresee(view: CartView, request: CartChangeRequest): CartView | null {
  if (request.kind === 'add') return null;
  const quantity = request.kind === 'remove' ? 0 : request.quantity;
  const lines = view.lines.flatMap((line) => {
    if (line.id !== request.lineId) return [line];
    return quantity > 0
      ? [{ ...line, quantity, totalMinor: (line.unitMinor * quantity) as typeof line.totalMinor }]
      : [];
  });
  return { ...view, lines, count: lines.reduce((sum, line) => sum + line.quantity, 0) };
}
