import type { LineView, CartView } from '~/core/cart';
import type { ProductCard } from '~/core/catalogue';
import { optimisticCart } from './optimistic-cart';
import { fill } from '~/core/words/fill';
import type { CartAnswer, CartChangeRequest } from '~/runtime/cart-change';
import { readyToSay, say as sayBeside } from '~/runtime/kit/say';
import type { OpenAbout, PieceHost } from '~/runtime/piece-host';

/** What was done, with the way back. What went wrong is said beside what was pressed. */
export interface Said {
  readonly text: string;
  readonly undo: () => void;
  /** Where the line is, or was; it is said there. */
  readonly at: number;
}

export type ControllerWords = Readonly<Record<'waiting' | 'removed', string>>;

/** Where the parts of a cart hand in what the shopper wants, and read what came of it. */
export interface CartController {
  readonly said: Said | null;
  readonly couponProblem: string | null;
  readonly placeProblem: string | null;
  /** A line that was just put back; the focus goes to it, once. */
  takeFocus(lineId: string): boolean;
  change(request: CartChangeRequest): Promise<CartAnswer>;
  remove(line: LineView): void;
  /** Opens the line's choices, in its slot or over the page; false when there is no piece for that. */
  edit(line: LineView, slot: HTMLElement | null, opener: Element): boolean;
  /** Removes the message. */
  clear(): void;
}

interface Behind {
  readonly host: () => PieceHost;
  readonly words: () => ControllerWords;
  readonly redraw: () => void;
  /** After a line was changed in a dialog of its own: the surface it was asked from comes back. */
  readonly reopen?: () => void;
}

export function createCartController({ host, words, redraw, reopen }: Behind): CartController {
  host().cart.showAheadWith(optimisticCart);
  readyToSay();
  let said: Said | null = null;
  let couponProblem: string | null = null;
  let placeProblem: string | null = null;
  let focusLine: string | null = null;

  function say(next: Said | null): void {
    said = next;
    redraw();
  }

  async function change(request: CartChangeRequest): Promise<CartAnswer> {
    if (host().isPreview) return { ok: true, lineId: null, waiting: false };
    const answer = await host().cart.change(request);
    // A message about a code is about the cart before this change.
    couponProblem = request.kind === 'coupon' && !answer.ok ? answer.message : null;
    if (request.kind === 'destination') placeProblem = answer.ok ? null : answer.message;
    const isOwn = request.kind === 'coupon' || request.kind === 'destination';
    say(null);
    const wrong = answer.ok ? answer.waiting && words().waiting : !isOwn && answer.message;
    if (wrong) sayBeside(wrong, true, host().themeCss);
    return answer;
  }

  return {
    get said() {
      return said;
    },
    get couponProblem() {
      return couponProblem;
    },
    get placeProblem() {
      return placeProblem;
    },
    change,
    remove(line) {
      const at = host().cart.view?.lines.findIndex(({ id }) => id === line.id) ?? 0;
      void change({ kind: 'remove', lineId: line.id }).then((answer) => {
        if (!answer.ok || answer.waiting || host().isPreview) return;
        const undo = () => {
          focusLine = line.id;
          void change({ kind: 'put-back', lineId: line.id });
        };
        say({ text: fill(words().removed, { name: line.name }), undo, at });
      });
    },
    edit(line, slot, opener) {
      const onDone: OpenAbout['onDone'] = (outcome) => {
        reopen?.();
        const at = host().cart.view?.lines.findIndex(({ id }) => id === line.id) ?? -1;
        if (outcome) say({ text: outcome.said, undo: outcome.undo, at: at + 1 });
      };
      return host().openRole('line', { lineId: line.id, product: line.slug, slot, opener, onDone });
    },
    takeFocus(lineId) {
      const isIt = focusLine === lineId;
      if (isIt) focusLine = null;
      return isIt;
    },
    clear: () => say(null),
  };
}

/** What the parts of a cart are drawn from. On the server `controller` and `host` are missing: forms and links do the work. */
/** Suggestions as the server found and drew them. */
export interface Suggested {
  readonly cards: readonly ProductCard[];
  readonly html: string;
}

export interface CartShown {
  /** Suggestions that the server drew. */
  readonly suggested?: Suggested;
  readonly cart: CartView;
  readonly money: (amountMinor: number) => string;
  readonly language: string;
  /** Where forms lead back to without script. */
  readonly returnTo: string;
  readonly controller: CartController | null;
  readonly host: PieceHost | null;
}

/** A cart as the server draws it; the runtime takes it over by drawing the same. */
export function serverDrawn(
  cart: CartView,
  {
    money,
    returnTo,
    language,
    suggested,
  }: Pick<CartShown, 'money' | 'returnTo' | 'language'> & { readonly suggested?: Suggested | undefined },
): CartShown {
  return { cart, money, returnTo, language, ...(suggested && { suggested }), controller: null, host: null };
}
