/** @jsxImportSource preact */
import type { AnswerOf, Reply } from '~/contract';
import type { CartView } from '~/core/cart';
import { formatMoney } from '~/core/money/currency';
import type { ManifestPiece } from '~/core/lane';
import { createCartController, serverDrawn } from '~/pieces/_cart/cart-controller';
import { afterPress } from '~/runtime/kit/after-press';
import { hydrateDrawn } from '~/runtime/kit/hydrate';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import { CheckoutPage, type CheckoutState } from './checkout-page';
import type { CheckoutPiece } from './definition';

type Given = CheckoutState & {
  readonly piece: CheckoutPiece;
  readonly cart: CartView;
  readonly language: string;
};

const ASK_AGAIN_MS = 250;
/** Answers that end an order that was sent. */
const ENDED = ['payment-declined', 'payment-timed-out', 'key-reused'];

/** Takes the checkout the server drew over: the order is changed in place, and a payment that fails leaves everything as typed. */
export function mount(initial: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let piece = initial as CheckoutPiece;
  let host = initialHost;
  const money = (amount: number) => formatMoney(amount, host.currency, host.locale);
  const returnTo = '/shop/checkout';
  const place = hydrateDrawn<Given>('pl-checkout', piece.id, (given) => (
    <CheckoutPage
      shown={serverDrawn(given.cart, { money, returnTo, language: given.language })}
      piece={given.piece}
      state={given}
      device={null}
    />
  ));
  if (!place) return { update: () => undefined, destroy: () => undefined };
  const { given, inside } = place;
  let state: CheckoutState = { ...given, mended: [] };
  let priced: CartView = given.cart;
  let isPaying = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let asked = 0;
  const controller = createCartController({ host: () => host, words: () => piece.words, redraw: draw });
  let version = -1;
  const stopWatching = host.cart.watch((cart) => {
    if (host.isPreview) priced = cart;
    // Lines change at once; the sums follow with the server's next answer.
    else if (cart.version !== version) {
      if (version >= 0) ask();
      version = cart.version;
    }
    if (cart.lines.length === 0 && !host.isPreview) return host.page.go('/shop/cart');
    drawNow();
  });
  draw();
  // The form can have been sent before this was here; what the server found wrong with it is in view, too.
  showProblems(inside);
  host.cart.quote(priced);
  void host.cart.load();

  const formOf = () => inside.querySelector<HTMLFormElement>('#checkout')!;
  const typed = () => fieldsOf(formOf());

  /** Sends what is typed so far, to be kept and to be priced. The card stays here. */
  function ask(): void {
    clearTimeout(timer);
    timer = setTimeout(() => {
      const { cardNumber: _card, ...form } = typed();
      const turn = (asked += 1);
      void host.page
        .ask('/api/checkout', asJson({ form }))
        .then((response) => (response.ok ? (response.json() as Promise<AnswerOf<'POST /api/checkout'>>) : null))
        .then(
          (quote) => {
            if (!quote || turn !== asked) return;
            priced = quote.cart;
            state = { ...state, ways: quote.ways, chosen: quote.chosen };
            // All parts of the page show the same total; telling the cart draws this one, too.
            host.cart.quote(priced);
            draw();
          },
          () => undefined,
        );
    }, ASK_AGAIN_MS);
  }

  async function order(): Promise<void> {
    if (isPaying || host.isPreview) return;
    isPaying = true;
    draw();
    // Changes under way belong to this order; without a connection the order could not be answered either.
    await host.cart.settled();
    const { version: cartVersion = priced.version } = host.cart.view ?? {};
    const { totalMinor: seenTotalMinor, comesAlong: seenGifts } = priced;
    const response = await host.page
      .ask('/api/orders', asJson({ key: state.key, cartVersion, form: typed(), seenTotalMinor, seenGifts }))
      .catch(() => null);
    const body = (await response?.json().catch(() => null)) as Reply<'POST /api/orders'> | null;
    if (response?.ok && body?.token) return host.page.go(`/shop/thanks/${body.token}`);
    isPaying = false;
    if (!response || response.status >= 500) {
      // It is not known whether the order arrived: sending the same key again is safe.
      return complain({ '': piece.words.unsure });
    }
    const refused = body?.problems ?? [];
    const ordered = refused.find(({ code }) => code === 'cart-ordered')?.facts?.token;
    if (ordered) return host.page.go(`/shop/thanks/${ordered}`);
    const problems = Object.fromEntries(refused.map(({ path, message }) => [path, message]));
    // The same key means the same order: a new key only after an order has ended.
    const key = refused.some(({ code }) => ENDED.includes(code)) ? crypto.randomUUID() : state.key;
    state = { ...state, key };
    if (refused.some(({ code }) => code === 'cart-changed')) void host.cart.load();
    ask();
    complain(problems);
  }

  /** Brings what is wrong into view, in words and with a way to each field. */
  function complain(problems: CheckoutState['problems']): void {
    state = { ...state, problems, mended: [] };
    drawNow();
    showProblems(inside);
  }

  function draw(): void {
    afterPress(drawNow);
  }

  function drawNow(): void {
    place!.style(host.themeCss, piece.css);
    const lines = host.cart.view?.lines ?? priced.lines;
    const cart = { ...priced, lines };
    const { language, device } = host;
    place!.draw(
      <CheckoutPage
        shown={{ cart, money, language, returnTo, controller, host }}
        piece={piece}
        state={state}
        device={device}
        isPaying={isPaying}
        onChange={(_form, field) => {
          // The message is hidden but keeps its space, so that buttons do not move.
          if (state.problems[field]) {
            state = { ...state, mended: [...state.mended, field] };
            draw();
          }
          if (field === 'email') askMeantIn(inside, piece);
          if (field === 'delivery') state = { ...state, chosen: typed()['delivery'] ?? null };
          if (field !== 'cardNumber') ask();
        }}
        onField={(field) => inside.querySelector<HTMLElement>(`[name="${field}"]`)?.focus()}
        onOrder={() => void order()}
      />,
    );
  }

  return {
    update(next, nextHost) {
      piece = next as CheckoutPiece;
      host = nextHost;
      draw();
    },
    destroy() {
      clearTimeout(timer);
      stopWatching();
    },
  };
}

const asJson = (body: object): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** What shoppers typed: what the server put in for a form without script is left out. */
function fieldsOf(form: HTMLFormElement): Record<string, string> {
  const {
    key: _key,
    seenTotal: _seen,
    seenGifts: _gifts,
    cartVersion: _version,
    ...fields
  } = Object.fromEntries(new FormData(form)) as Record<string, string>;
  return fields;
}

function showProblems(inside: Element): void {
  const notice = inside.querySelector<HTMLElement>('[data-problems]');
  notice?.scrollIntoView({ block: 'center' });
  notice?.focus({ preventScroll: true });
}

/** Asks about a likely slip in the e-mail; where that cannot be fetched, nothing is asked. */
function askMeantIn(inside: HTMLElement, { words }: CheckoutPiece): void {
  void import('./meant-email').then(
    ({ askMeant }) => askMeant(inside, words.emailMeant),
    () => undefined,
  );
}
