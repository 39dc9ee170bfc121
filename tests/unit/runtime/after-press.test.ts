import { expect } from 'chai';
import { ownPage } from '~/runtime/host-page';
import { afterPress, watchPresses } from '~/runtime/kit/after-press';
import { watchConnection } from '~/runtime/offline';
import { withPage } from '../../support/page';

describe('while something is pressed', () => {
  const { open } = withPage('https://shop.example/shop/cart');
  const tell = (type: string) => document.body.dispatchEvent(new window.Event(type, { bubbles: true }));
  const passed = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

  it('nothing is drawn until the press counted, and then once', async () => {
    open('<button>Order</button>');
    watchPresses();
    let drawn = 0;
    const draw = () => void (drawn += 1);

    afterPress(draw);
    tell('pointerdown');
    afterPress(draw);
    afterPress(draw);
    expect(drawn).to.equal(1);
    tell('pointerup');
    tell('click');
    await passed(20);
    expect(drawn).to.equal(2);

    tell('pointerdown');
    afterPress(draw);
    tell('pointerup');
    await passed(40);
    expect(drawn).to.equal(2);
    await passed(150);
    expect(drawn).to.equal(3);

    tell('pointerdown');
    afterPress(draw);
    tell('pointercancel');
    expect(drawn).to.equal(4);
  });
});

describe('without a connection', () => {
  const { open } = withPage('https://shop.example/shop/cart');
  const line = () => document.querySelector('pl-offline')?.shadowRoot?.querySelector('p') ?? null;
  const cut = (isCut: boolean, waiting: number) =>
    window.dispatchEvent(new window.CustomEvent('pl-offline', { detail: { isOffline: isCut, waiting } }));

  it('the page says so, with what waits, until it is back', () => {
    open('<a href="/shop/checkout">Checkout</a>');
    const text = 'No connection. {count, plural, =0 {} one {# change waits.} other {# changes wait.}}';
    let asked = 0;
    watchConnection(
      ownPage(''),
      () => ({ themeCss: '', language: 'en', text }),
      () => void (asked += 1),
    );
    for (const [isHidden, times] of [
      [true, 0],
      [false, 1],
    ] as const) {
      Object.defineProperty(document, 'hidden', { configurable: true, value: isHidden });
      document.dispatchEvent(new window.Event('visibilitychange'));
      expect(asked).to.equal(times);
    }
    expect(line()!.textContent).to.equal('');

    cut(true, 2);
    expect(line()!.textContent).to.equal('No connection. 2 changes wait.');
    expect(line()!.getAttribute('role')).to.equal('status');
    cut(false, 0);
    expect(line()!.textContent).to.equal('');
  });

  it('links do not lead to the browser’s own error page', () => {
    open('<a href="/shop/checkout">Checkout</a>');
    watchConnection(
      ownPage(''),
      () => ({ themeCss: '', language: 'en', text: 'No connection.' }),
      () => undefined,
    );
    const press = () => {
      const event = new window.MouseEvent('click', { bubbles: true, cancelable: true, composed: true });
      document.querySelector('a')!.dispatchEvent(event);
      return event.defaultPrevented;
    };
    const online = (value: boolean) => Object.defineProperty(window.navigator, 'onLine', { configurable: true, value });

    online(false);
    expect(press()).to.equal(true);
    expect(line()!.textContent).to.equal('No connection.');
    online(true);
  });
});
