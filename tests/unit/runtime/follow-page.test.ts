import { expect } from 'chai';
import type { CartView } from '~/core/cart';
import type { CartAnswer, CartChangeRequest } from '~/runtime/cart-change';
import type { CartClient } from '~/runtime/cart-client';
import { followPage } from '~/runtime/own/follow-page';
import type { OpenAbout } from '~/runtime/piece-host';
import { cartView, lineView } from '../../support/cart-view';
import { saidBeside, settled, withPage } from '../../support/page';

const CARD = `<article data-pl-product="heron"><form data-pl-add="Added.">
    <input name="variantId" value="7"><button>Add</button></form></article>`;
const PRODUCT = `<form data-pl-add data-product-form><input name="product" value="wagtail">
    <input type="radio" name="choice:Sail" value="Poppy" checked><input type="radio" name="choice:Sail" value="Sea">
    <input name="quantity" value="2"><input name="option:name" value="Ada"><button>Add</button></form>`;

describe('the page that is followed', () => {
  const { open } = withPage();
  let asked: CartChangeRequest[];
  let answer: CartAnswer;
  let recorded: unknown[][];
  let opened: OpenAbout[];
  let added: OpenAbout[];
  let hasPopup: boolean;
  let hasCart: boolean;
  let loads: number;
  let tell: (view: CartView) => void;

  beforeEach(() => {
    [asked, recorded, opened, added] = [[], [], [], []];
    answer = { ok: true, lineId: 'a', waiting: false };
    [hasPopup, hasCart, loads] = [true, true, 0];
  });

  function follow(html: string, over: { isCartPage?: boolean; isPreview?: boolean } = {}): void {
    open(html);
    const cart = {
      change: (request: CartChangeRequest) => {
        asked.push(request);
        return Promise.resolve(answer);
      },
      watch: (listener: typeof tell) => {
        tell = listener;
        return () => undefined;
      },
      load: () => Promise.resolve((loads += 1)),
    } as unknown as CartClient;
    followPage({
      cart,
      recorder: { record: (...what) => void recorded.push(what) },
      isCartPage: over.isCartPage ?? false,
      isPreview: over.isPreview ?? false,
      openRole: (role, about) => role === 'cart' && hasCart && opened.push(about) > 0,
      afterAdd: (about) => hasPopup && added.push(about) > 0,
    });
  }
  async function submit(): Promise<boolean> {
    const event = new window.Event('submit', { bubbles: true, cancelable: true });
    document.querySelector('form')!.dispatchEvent(event);
    await settled();
    return event.defaultPrevented;
  }
  const click = (selector: string, init: MouseEventInit = {}) => {
    const event = new window.MouseEvent('click', { bubbles: true, cancelable: true, composed: true, ...init });
    document.querySelector(selector)!.dispatchEvent(event);
    return event.defaultPrevented;
  };

  it('adds what a card names, without leaving, and says it to what comes after', async () => {
    follow(CARD);
    document.querySelector('button')!.focus();

    expect(await submit()).to.equal(true);

    expect(asked).to.deep.equal([{ kind: 'add', variantId: 7, quantity: 1 }]);
    expect(recorded).to.deep.equal([['add', { product: 'heron' }]]);
    expect(added).to.deep.equal([{ product: 'heron', lineId: 'a', opener: document.querySelector('button') }]);
    expect(await saidBeside()).to.equal(null);
  });

  it('adds a product with choices, answers and quantity', async () => {
    follow(PRODUCT);

    await submit();

    expect(asked).to.deep.equal([
      { kind: 'add', product: 'wagtail', choices: { Sail: 'Poppy' }, quantity: 2, answers: { name: 'Ada' } },
    ]);
    expect(added[0]).to.include({ product: 'wagtail' });
  });

  it('says that it worked where nothing opens, also while it waits for a connection', async () => {
    hasPopup = false;
    follow(CARD);
    await submit();
    expect(await saidBeside()).to.equal('Added.');

    hasPopup = true;
    answer = { ok: true, lineId: null, waiting: true };
    follow(CARD);
    await submit();

    expect(await saidBeside()).to.equal('Added.');
    expect(added).to.deep.equal([]);
  });

  it('says why not beside the button, until the next press', async () => {
    answer = { ok: false, message: 'Heron is sold out.', problems: [] };
    follow(CARD);
    await submit();
    expect(await saidBeside()).to.equal('Heron is sold out.');
    expect(recorded).to.deep.equal([]);
    expect(added).to.deep.equal([]);

    answer = { ok: true, lineId: 'a', waiting: false };
    dispatchEvent(new window.Event('pointerdown'));
    await submit();

    expect(await saidBeside()).to.equal(null);
  });

  it('lets the options of the form say what is wrong with them', async () => {
    const problems = [{ path: 'option:name', message: 'Please answer “Name”.' }];
    answer = { ok: false, message: 'Please answer “Name”.', problems };
    follow(PRODUCT);
    let heard: unknown = null;
    document.querySelector('form')!.addEventListener('pl-refused', (event) => {
      heard = (event as CustomEvent).detail;
      event.preventDefault();
    });

    await submit();

    expect(heard).to.deep.equal(problems);
    expect(await saidBeside()).to.equal(null);
  });

  it('leaves other forms, and those somebody else has taken, alone', async () => {
    follow('<form><button>Search</button></form>');
    expect(await submit()).to.equal(false);
    follow(CARD);
    document.querySelector('form')!.addEventListener('submit', (event) => event.preventDefault());
    await submit();

    expect(asked).to.deep.equal([]);
  });

  it('buys nothing in the bench', async () => {
    follow(CARD, { isPreview: true });

    expect(await submit()).to.equal(true);

    expect(asked).to.deep.equal([]);
  });

  it('opens the cart from its links, unless they are meant to go elsewhere', () => {
    const LINK = '<a href="/shop/cart" data-pl-cart><span>Cart</span></a>';
    follow(LINK);
    expect(click('span')).to.equal(true);
    expect(opened.map(({ opener }) => (opener as Element).tagName)).to.deep.equal(['A']);
    expect(click('span', { ctrlKey: true })).to.equal(false);
    expect(click('span', { metaKey: true })).to.equal(false);

    hasCart = false;
    expect(click('span')).to.equal(false);

    hasCart = true;
    follow(LINK, { isCartPage: true });
    expect(click('span')).to.equal(false);
    expect(opened).to.have.length(1);
  });

  it('keeps every count of the page right, and hides it at nothing', () => {
    follow('<b data-pl-count hidden>0</b><i data-pl-count hidden></i>');

    tell(cartView([lineView({ quantity: 3 })]));
    const shown = [...document.querySelectorAll<HTMLElement>('[data-pl-count]')];
    expect(shown.map((count) => [count.textContent, count.hidden])).to.deep.equal([
      ['3', false],
      ['3', false],
    ]);

    tell(cartView([]));
    expect(shown.every((count) => count.hidden)).to.equal(true);
  });

  it('asks for the cart anew when the browser brings a page back from its memory', () => {
    follow(CARD);
    const back = (persisted: boolean) =>
      window.dispatchEvent(Object.assign(new window.Event('pageshow'), { persisted }));

    back(false);
    expect(loads).to.equal(0);
    back(true);
    expect(loads).to.equal(1);
  });
});
