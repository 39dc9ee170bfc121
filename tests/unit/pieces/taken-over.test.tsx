/** @jsxImportSource preact */
import { expect } from 'chai';
import { renderToString } from 'preact-render-to-string';
import type { CartView } from '~/core/cart';
import { minor } from '~/core/money';
import { CheckoutPage, type CheckoutState } from '~/pieces/checkout/checkout-page';
import type { CheckoutPiece } from '~/pieces/checkout/definition';
import { mount as mountCheckout } from '~/pieces/checkout/view';
import { CartPage } from '~/pieces/cart-page/cart-page';
import type { CartPagePiece } from '~/pieces/cart-page/definition';
import { mount as mountCartPage } from '~/pieces/cart-page/view';
import cartPageCss from '~/pieces/cart-page/view.css?inline';
import { serverDrawn } from '~/pieces/_cart/cart-controller';
import type { MountedPiece } from '~/runtime/piece-host';
import { CHECKOUT } from '../../support/checkout';
import { cartView, lineView } from '../../support/cart-view';
import { money, pieceOf } from '../../support/draw';
import { fakeHost } from '../../support/host';
import { fakeServer, saidBeside, settled, until, withPage } from '../../support/page';

const FULL = cartView([lineView()], { deliveryMinor: minor(490), totalMinor: minor(1490) });

describe('taken over from the server', () => {
  const { open } = withPage('https://shop.example/shop/checkout');
  let at: ReturnType<typeof fakeHost>;
  let server: ReturnType<typeof fakeServer>;
  let mounted: MountedPiece;

  beforeEach(() => (server = fakeServer()));
  afterEach(() => {
    mounted.destroy();
    server.restore();
  });

  /** The page as the server sends it: drawn into a shadow root, with what it was drawn from beside it. */
  function serve(name: string, html: string, given: object): void {
    open(`<div data-pl-at="${name}"><script type="application/json">${JSON.stringify(given)}</script></div>`);
    document.querySelector('div')!.attachShadow({ mode: 'open' }).innerHTML =
      `<style>${cartPageCss}</style><style></style><div data-inside>${html}</div>`;
  }
  const inside = () => document.querySelector('div')!.shadowRoot!.querySelector<HTMLElement>('[data-inside]')!;
  const one = <Found extends HTMLElement = HTMLElement>(selector: string) => inside().querySelector<Found>(selector)!;
  const textOf = (selector: string) => one(selector)?.textContent?.replace(/\s+/g, ' ').trim() ?? null;
  const fire = (element: Element, type: string) =>
    element.dispatchEvent(new window.Event(type, { bubbles: true, cancelable: true }));

  describe('the checkout', () => {
    const state: CheckoutState = { ...CHECKOUT, chosen: 'standard', key: 'key-1' };
    const { ways } = state;

    async function begin(cart: CartView = FULL): Promise<void> {
      const piece = pieceOf<CheckoutPiece>('checkout');
      const drawn = (
        <CheckoutPage
          shown={serverDrawn(cart, { money, returnTo: '/shop/checkout', language: 'en' })}
          piece={piece}
          state={state}
          device={null}
        />
      );
      serve('pl-checkout', renderToString(drawn), { ...state, piece, cart, language: 'en' });
      at = fakeHost(cart);
      at.host.cart.watch(() => undefined);
      mounted = mountCheckout(piece, at.host);
      at.tell(cart);
      await settled(10);
    }
    const type = (name: string, value: string) => {
      const field = one<HTMLInputElement>(`[name=${name}]`);
      field.value = value;
      fire(field, 'change');
    };
    const order = async () => {
      fire(one('#checkout'), 'submit');
      await settled(20);
    };
    const ordersSent = () =>
      server.asked
        .filter(({ url }) => url.endsWith('/api/orders'))
        .map(
          ({ init }) =>
            JSON.parse(String(init.body)) as { key: string; cartVersion: number; form: object; seenTotalMinor: number },
        );

    it('sends the order with what is typed and the total that was seen', async () => {
      await begin();
      server.answers(() => Response.json({ problems: [] }, { status: 422 }));
      type('email', 'ada@example.org');
      type('cardNumber', '4242424242424242');

      await order();

      expect(ordersSent()).to.have.length(1);
      expect(ordersSent()[0]).to.deep.include({ key: 'key-1', cartVersion: FULL.version, seenTotalMinor: 1490 });
      expect(ordersSent()[0]!.form).to.include({ email: 'ada@example.org', cardNumber: '4242424242424242' });
      expect(ordersSent()[0]!.form).not.to.have.any.keys('key', 'seenTotal', 'cartVersion');
    });

    it('keeps everything when it is refused, the key among it, and leads to what is wrong', async () => {
      await begin();
      server.answers((url) =>
        url.endsWith('/api/orders')
          ? Response.json({ problems: [{ path: 'postcode', message: 'Enter the postcode.' }] }, { status: 422 })
          : Response.json({ cart: FULL, ways, chosen: 'standard' }),
      );
      type('email', 'ada@example.org');

      await order();
      expect(one<HTMLInputElement>('[name=email]').value).to.equal('ada@example.org');
      expect(one('[name=postcode]').getAttribute('aria-invalid')).to.equal('true');
      expect(inside().getRootNode()).to.have.property('activeElement', one('[data-problems]'));
      expect(textOf('[data-problems]')).to.include('Enter the postcode.');
      one('.to-field').click();
      expect(inside().getRootNode()).to.have.property('activeElement', one('[name=postcode]'));
      type('postcode', 'D02');
      await settled(10);
      expect(one('[name=postcode]').getAttribute('aria-invalid')).not.to.equal('true');
      // It keeps its room, so that the next press finds its button.
      expect(one('#postcode-problem').dataset['mended']).to.equal('true');
      await order();

      expect(ordersSent().map(({ key }) => key)).to.deep.equal(['key-1', 'key-1']);
    });

    for (const [code, isNew] of [
      ['payment-declined', true],
      ['payment-timed-out', true],
      ['key-reused', true],
      ['payment-in-progress', false],
      ['cart-changed', false],
    ] as const)
      it(`asks ${isNew ? 'under a new key' : 'under the same key'} after ${code}`, async () => {
        await begin();
        server.answers(() => Response.json({ problems: [{ path: 'key', code, message: 'No.' }] }, { status: 409 }));

        await order();
        await order();

        const [first, second] = ordersSent().map(({ key }) => key);
        expect(first === second).to.equal(!isNew);
      });

    for (const [what, response] of [
      ['without a connection', () => Promise.reject(new TypeError('no connection'))],
      ['after a fault of ours', () => new Response('', { status: 500 })],
    ] as const)
      it(`does not know whether the order was made ${what}, says so, and sends the same one again`, async () => {
        await begin();
        server.answers(response);

        await order();
        expect(textOf('[data-problems]')).to.match(/no answer to your order.*never made or charged twice/);
        await order();

        expect(ordersSent().map(({ key }) => key)).to.deep.equal(['key-1', 'key-1']);
      });

    it('sends one order, however often the button is pressed', async () => {
      await begin();
      let say: (response: Response) => void = () => undefined;
      server.answers(() => new Promise<Response>((resolve) => (say = resolve)));

      await order();
      expect(one('button[value=order]').getAttribute('aria-disabled')).to.equal('true');
      await order();
      say(Response.json({ problems: [] }, { status: 402 }));
      await settled(10);

      expect(ordersSent()).to.have.length(1);
      expect(one('button[value=order]').getAttribute('aria-disabled')).to.equal('false');
    });

    it('prices what is typed, and never sends the card for that', async () => {
      await begin();
      const dear = { ...FULL, deliveryMinor: minor(1290), totalMinor: minor(2290) };
      server.answers(() => Response.json({ cart: dear, ways, chosen: 'express' }));
      type('cardNumber', '4242424242424242');
      await settled(300);
      expect(server.asked).to.deep.equal([]);

      type('postcode', 'D02');
      type('city', 'Dublin');
      await until(() => server.asked.length > 0);
      await settled(20);

      expect(server.asked).to.have.length(1);
      const sent = JSON.parse(String(server.asked[0]!.init.body)) as { form: object };
      expect(sent.form).to.include({ postcode: 'D02', city: 'Dublin' }).and.not.have.property('cardNumber');
      expect(inside().textContent).to.include('€22.90');
      expect(one<HTMLInputElement>('[value=express]').checked).to.equal(true);
    });

    it('is priced anew when the cart changes', async () => {
      await begin();
      server.answers(() => Response.json({ cart: { ...FULL, totalMinor: minor(999) }, ways, chosen: 'standard' }));

      at.tell({ ...FULL, version: 2 });
      await until(() => server.asked.length > 0);
      await settled(20);

      expect(server.asked.map(({ url }) => url)).to.deep.equal(['/api/checkout']);
      expect(inside().textContent).to.include('€9.99');
    });
  });

  describe('the cart page', () => {
    async function begin(cart: CartView = FULL, typed = () => {}): Promise<void> {
      const piece = pieceOf<CartPagePiece>('cart-page');
      const drawn = (
        <CartPage
          shown={serverDrawn(cart, { money, returnTo: '/shop/cart', language: 'en' })}
          piece={piece}
          device={null}
        />
      );
      serve('pl-cart-page', renderToString(drawn), { piece, cart, language: 'en' });
      typed();
      at = fakeHost(cart);
      mounted = mountCartPage(piece, at.host);
      await settled(10);
    }

    it('changes at once with the cart, without another page', async () => {
      await begin();
      const before = one('h1');
      const remove = [...inside().querySelectorAll('button')].find((button) => /remove/i.test(button.textContent!))!;

      remove.click();
      await settled(10);
      expect(at.asked[0]).to.deep.equal({ kind: 'remove', lineId: 'a' });
      at.tell(cartView([]));

      expect(inside().querySelectorAll('[data-line]')).to.have.length(0);
      expect(one('h1')).to.equal(before);
      const undo = [...inside().querySelectorAll('button')].find((button) => /^Undo$/.test(button.textContent!))!;
      undo.click();
      expect(at.asked[1]).to.deep.equal({ kind: 'put-back', lineId: 'a' });
    });

    it('takes along what was typed before it came', async () => {
      await begin(FULL, () => (one<HTMLInputElement>('input[name=quantity]').value = '7'));

      expect(at.asked).to.deep.equal([{ kind: 'set', lineId: 'a', quantity: 7 }]);
    });

    it('says why a change was refused', async () => {
      await begin();
      at.answers({ ok: false, message: 'Only 1 of Delta left.', problems: [] });
      const more = [...inside().querySelectorAll('button')].find(
        (button) => button.getAttribute('aria-label')?.match(/more|one more|\+/i) ?? button.textContent === '+',
      )!;

      more.click();
      await settled(10);

      expect(await saidBeside()).to.match(/^Only 1 of Delta left\./);
    });

    it('hides on a device what is hidden there, once it knows the device', async () => {
      await begin();
      const piece = pieceOf<CartPagePiece>('cart-page');
      const parts = piece.parts.map((part) => ({ ...part, hideOn: part.key === 'coupon' ? ['desktop'] : [] }));
      expect(one('[data-part=coupon]')).not.to.equal(null);

      mounted.update({ ...piece, parts } as CartPagePiece, at.host);

      expect(one('[data-part=coupon]')).to.equal(null);
    });
  });
});
