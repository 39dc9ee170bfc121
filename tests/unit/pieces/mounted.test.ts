import { expect } from 'chai';
import type { Product } from '~/core/catalogue';
import { minor } from '~/core/money';
import { newOption } from '~/core/options';
import { mount as mountPopup } from '~/pieces/added-popup/view';
import { mount as mountBar } from '~/pieces/buy-bar/view';
import { mount as mountOpener } from '~/pieces/cart-opener/view';
import { mount as mountEditor } from '~/pieces/line-editor/view';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import { cartView, lineView } from '../../support/cart-view';
import { pieceOf } from '../../support/draw';
import { fakeHost } from '../../support/host';
import { settled, until, withPage } from '../../support/page';

const ONE = cartView([lineView()]);
const TWO = cartView([lineView({ quantity: 3 })]);

/** A kite in two sizes, the larger one sold out, with a name to be sewn on. */
const KITE = {
  id: 1,
  slug: 'delta',
  name: 'Delta',
  axes: ['Size'],
  variants: [
    { id: 1, sku: 'D-S', choices: { Size: 'Small' }, priceMinor: minor(500), wasMinor: null, stock: 9 },
    { id: 2, sku: 'D-M', choices: { Size: 'Medium' }, priceMinor: minor(800), wasMinor: null, stock: 4 },
    { id: 3, sku: 'D-L', choices: { Size: 'Large' }, priceMinor: minor(900), wasMinor: null, stock: 0 },
  ],
  pictures: [],
  options: [{ ...newOption('text', 'name', 'Name'), effect: { amountMinor: 150, per: 'unit', weightGrams: 0 } }],
} as unknown as Product;

describe('mounted', () => {
  const { open } = withPage('https://shop.example/shop/all');
  let at: ReturnType<typeof fakeHost>;
  let mounted: MountedPiece | null = null;
  afterEach(() => {
    mounted?.destroy();
    mounted = null;
  });
  const root = (name: string) => document.querySelector(name)?.shadowRoot ?? null;
  const textOf = (element: Element | null | undefined) => element?.textContent?.replace(/\s+/g, ' ').trim() ?? null;
  const fire = (element: Element, type: string, init: MouseEventInit & { pointerType?: string } = {}) => {
    const event = new window.MouseEvent(type, { bubbles: true, cancelable: true, composed: true, ...init });
    Object.assign(event, { pointerType: init.pointerType ?? 'mouse', pointerId: 1 });
    element.dispatchEvent(event);
    return event;
  };

  describe('the cart opener', () => {
    const link = () => root('pl-cart-opener')?.querySelector('a') ?? null;
    function show(settings: object, over: Partial<PieceHost> = {}, start = ONE): void {
      open('<header><a data-pl-cart href="/shop/cart">Cart</a></header>');
      at = fakeHost(start);
      at.roles.add('cart');
      mounted = mountOpener(pieceOf('cart-opener', settings), { ...at.host, ...over, cart: at.host.cart });
    }

    it('stands in for the shop’s own link in the header, and gives its place back', () => {
      show({ stands: 'header' });
      const own = document.querySelector<HTMLElement>('header > a')!;
      expect(own.hidden).to.equal(true);
      expect(own.previousElementSibling?.tagName).to.equal('PL-CART-OPENER');

      mounted!.destroy();

      expect(own.hidden).to.equal(false);
      expect(root('pl-cart-opener')).to.equal(null);
      expect(at.watchers).to.equal(0);
    });

    it('says how much is in it, shows that something came, and goes at nothing where told to', async () => {
      show({ stands: 'floating', hideEmpty: true, countAs: 'text' });
      expect(link()!.getAttribute('aria-label')).to.match(/: 2 /);
      expect(link()!.dataset['feedback']).to.equal(undefined);

      at.tell(ONE);
      at.tell(TWO);
      expect(textOf(link()!.querySelector('[data-part=count]'))).to.match(/^3 /);
      expect(link()!.dataset['feedback']).not.to.equal(undefined);
      await until(() => link()!.dataset['feedback'] === undefined);
      expect(link()!.dataset['feedback']).to.equal(undefined);

      at.tell(cartView([]));
      expect(link()).to.equal(null);
    });

    it('opens the cart where there is a surface for it, else leads to its page', () => {
      show({ stands: 'floating' });
      expect(fire(link()!, 'click').defaultPrevented).to.equal(true);
      expect(at.opened.map(({ role, about }) => [role, about.opener])).to.deep.equal([['cart', link()]]);

      at.roles.clear();
      expect(fire(link()!, 'click').defaultPrevented).to.equal(false);
    });

    it('opens for a mouse that rests on it, not for one that passes, nor for a finger', async () => {
      show({ stands: 'floating', opensBy: 'hover' });
      fire(link()!, 'pointerenter');
      fire(link()!, 'pointerleave');
      fire(link()!, 'pointerenter', { pointerType: 'touch' });
      await settled(250);
      expect(at.opened).to.deep.equal([]);

      fire(link()!, 'pointerenter');
      await until(() => at.opened.length > 0);

      expect(at.opened).to.have.length(1);
    });

    it('is dragged to its place in the bench, and nowhere else', async () => {
      show({ stands: 'floating' }, { isPreview: true });
      await import('~/pieces/cart-opener/drag');
      await settled();
      const told: unknown[] = [];
      window.addEventListener('pl-setting', (event) => told.push((event as CustomEvent).detail));
      Object.assign(link()!, { setPointerCapture: () => undefined });
      Object.assign(link()!, { getBoundingClientRect: () => ({ left: 10, top: 8, width: 40, height: 40 }) });
      Object.defineProperty(document.documentElement, 'clientWidth', { configurable: true, value: 1000 });
      const grab = () => fire(link()!, 'pointerdown', { clientX: 900, clientY: 700 });

      grab();
      fire(link()!, 'pointermove', { clientX: 901, clientY: 701 });
      fire(link()!, 'pointerup');
      expect(told, 'a tremble is no drag').to.deep.equal([]);
      grab();
      fire(link()!, 'pointermove', { clientX: 20, clientY: 20 });
      fire(link()!, 'pointerup');
      expect(fire(link()!, 'click').defaultPrevented, 'the press that ends a drag opens nothing').to.equal(true);

      expect(told).to.deep.equal([{ pieceId: 'it', setting: 'placeDesktop', value: 'top 0' }]);
      expect(at.opened).to.deep.equal([]);
      mounted!.destroy();
      show({ stands: 'floating' });
      fire(link()!, 'pointerdown', { clientX: 900, clientY: 700 });
      expect(link()!.dataset['drags']).to.equal(undefined);
      await settled();
    });
  });

  describe('the added popup', () => {
    const dialog = () => root('pl-added')!.querySelector('dialog')!;
    function show(settings: object, over: Partial<PieceHost> = {}): void {
      open();
      at = fakeHost(ONE);
      mounted = mountPopup(pieceOf('added-popup', settings), { ...at.host, ...over });
    }
    const isOpen = () => dialog().hasAttribute('open');
    const QUICK = { closes: 'itself', seconds: 0.05 };

    it('says what was added, once for those who see it and once for those who hear it', () => {
      show(QUICK);
      expect(textOf(root('pl-added')!.querySelector('[role=status]'))).to.equal('');

      mounted!.open!({ opener: null, lineId: 'a' });

      expect(textOf(root('pl-added')!.querySelector('[role=status]'))).to.match(/^Delta: /);
      expect(textOf(dialog().querySelector('[data-part=choices]'))).to.equal('Small, Harbour');
      expect(at.recorded).to.deep.equal([['piece-seen', { piece: 'it' }]]);
    });

    it('closes by itself, and not when it is to be asked, nor in the bench', async () => {
      show(QUICK);
      mounted!.open!({ opener: null, lineId: 'a' });
      await until(() => !isOpen());
      expect(isOpen()).to.equal(false);
      mounted!.destroy();

      for (const [settings, over] of [
        [{ ...QUICK, closes: 'asked' }, {}],
        [QUICK, { isPreview: true }],
      ] as const) {
        show(settings, over);
        mounted!.open!({ opener: null, lineId: 'a' });
        await settled(120);
        expect(isOpen()).to.equal(true);
        mounted!.destroy();
      }
      mounted = null;
    });

    it('stays while the pointer or the focus is on it, whichever goes first', async () => {
      show(QUICK);
      mounted!.open!({ opener: null, lineId: 'a' });
      fire(dialog(), 'pointerenter');
      fire(dialog(), 'focusin');
      await settled(120);
      expect(isOpen()).to.equal(true);
      fire(dialog(), 'pointerleave');
      await settled(120);
      expect(isOpen(), 'the focus is still there').to.equal(true);

      fire(dialog(), 'focusout');
      await until(() => !isOpen());

      expect(isOpen()).to.equal(false);
    });

    it('shows another line when something else is added while it is open, and is recorded once', () => {
      show({ closes: 'asked' });
      at.tell(cartView([lineView(), lineView({ id: 'b', name: 'Heron' })]));
      mounted!.open!({ opener: null, lineId: 'a' });

      mounted!.open!({ opener: null, lineId: 'b' });

      expect(textOf(dialog().querySelector('[data-part=name]'))).to.equal('2 × Heron');
      expect(at.recorded).to.have.length(1);
    });

    it('turns into another kind of dialog while it is open', () => {
      show({ form: 'corner', closes: 'asked' });
      mounted!.open!({ opener: null, lineId: 'a' });
      expect(at.host.surfaces.current?.isAside).to.equal(true);

      mounted!.update(pieceOf('added-popup', { form: 'middle', closes: 'asked' }), at.host);

      expect(at.host.surfaces.current?.isAside).to.equal(false);
      expect(isOpen()).to.equal(true);
    });

    it('leads to the cart surface where there is one', () => {
      show({ closes: 'asked' });
      mounted!.open!({ opener: null, lineId: 'a' });
      const toCart = dialog().querySelector('[data-word=viewCart]')!;
      expect(fire(toCart, 'click').defaultPrevented).to.equal(false);

      at.roles.add('cart');
      expect(fire(toCart, 'click').defaultPrevented).to.equal(true);
      expect(at.opened.map(({ role }) => role)).to.deep.equal(['cart']);
    });
  });

  describe('the line editor', () => {
    let outcome: { readonly said: string; readonly undo: () => void } | null | undefined;
    const place = () => root('pl-line-editor')!;
    const button = (word: string) => place().querySelector<HTMLButtonElement>(`[data-word=${word}]`)!;
    const choose = (value: string) =>
      [...place().querySelectorAll('label')].find((label) => textOf(label) === value)!.querySelector('input')!;

    async function edit(settings: object = { form: 'inline' }, product: Product | null = KITE): Promise<void> {
      open('<div id="slot"></div><a href="#" id="opener">Change</a>');
      at = fakeHost(ONE);
      at.products.set('delta', product);
      at.pieces.set('options', pieceOf('product-options'));
      mounted = mountEditor(pieceOf('line-editor', settings), at.host);
      outcome = undefined;
      ask();
      await settled(30);
    }
    const ask = () =>
      mounted!.open!({
        opener: document.querySelector('#opener'),
        lineId: 'a',
        slot: document.querySelector<HTMLElement>('#slot'),
        onDone: (next) => (outcome = next),
      });

    it('begins with what is in the line, and keeps the line when it is changed', async () => {
      await edit();
      expect(document.querySelector('#slot > pl-line-editor')).not.to.equal(null);
      expect(choose('Small').checked).to.equal(true);
      expect(textOf(place().querySelector('.price'))).to.match(/€10\.00/);

      choose('Medium').click();
      await settled(20);
      expect(textOf(place().querySelector('.price'))).to.match(/€16\.00.*€10\.00/);
      button('save').click();
      await settled(20);

      expect(at.asked).to.deep.equal([{ kind: 'reshape', lineId: 'a', variantId: 2, answers: {} }]);
      expect(outcome!.said).to.match(/Delta/);
      expect(document.querySelector('pl-line-editor')).to.equal(null);
      expect(document.activeElement?.id).to.equal('opener');
      outcome!.undo();
      expect(at.asked[1]).to.deep.equal({ kind: 'reshape', lineId: 'a', variantId: 1, answers: {} });
    });

    it('prices the answers too', async () => {
      await edit();
      const options = place().querySelector('[data-part=options] > div')!.shadowRoot!;
      const field = options.querySelector('input')!;

      field.value = 'Ada';
      fire(field, 'input');
      await settled(20);

      expect(textOf(place().querySelector('.price'))).to.match(/€13\.00/);
      button('save').click();
      await settled(20);
      expect(at.asked[0]).to.deep.include({ variantId: 1, answers: { name: 'Ada' } });
    });

    it('does not sell what is sold out, and says what the server refuses', async () => {
      await edit();
      choose('Large').click();
      await settled(20);
      const save = () => place().querySelector<HTMLButtonElement>('[data-slot=save]')!;
      expect(save().disabled).to.equal(true);
      expect(textOf(save())).to.match(/sold out/i);

      choose('Medium').click();
      at.answers({ ok: false, message: 'Only 1 of Delta left.', problems: [] });
      await settled(20);
      save().click();
      await settled(20);

      expect(textOf(place().querySelector('[role=alert]'))).to.equal('Only 1 of Delta left.');
      expect(outcome).to.equal(undefined);
    });

    it('is closed by the link that opened it, or by leaving, with nothing changed', async () => {
      await edit();
      ask();
      expect(document.querySelector('pl-line-editor')).to.equal(null);
      expect(outcome).to.equal(null);

      ask();
      await settled(20);
      button('cancel').click();

      expect(document.querySelector('pl-line-editor')).to.equal(null);
      expect(at.asked).to.deep.equal([]);
    });

    it('is a surface of its own where told to, and says when the product is gone', async () => {
      await edit({ form: 'dialog' }, null);

      expect(at.host.surfaces.current?.dialog).to.equal(place().querySelector('dialog'));
      expect(textOf(place().querySelector('[role=status]'))).to.match(/\w/);
      at.host.surfaces.close();
      expect(document.querySelector('pl-line-editor')).to.equal(null);
      expect(outcome).to.equal(null);
    });
  });

  describe('the buy bar', () => {
    const bar = () => root('pl-buy-bar')!;
    const PAGE = `<form data-product-form data-pl-add><input name="product" value="delta">
      <input type="radio" name="choice:Size" value="Small" checked><input type="radio" name="choice:Size" value="Medium">
      <input name="quantity" value="1"><button data-pl-main>Add</button></form>`;
    let submitted: number;

    async function show(page: string, settings: object = { shows: 'always' }): Promise<void> {
      open(page === 'product' ? PAGE : '<button data-pl-main>Order</button>');
      Object.assign(document.body.dataset, { plPage: page, plProduct: 'delta' });
      at = fakeHost(ONE);
      at.products.set('delta', KITE);
      submitted = 0;
      document.querySelector('form')?.addEventListener('submit', (event) => {
        event.preventDefault();
        submitted += 1;
      });
      mounted = mountBar(pieceOf('buy-bar', settings), at.host);
      await settled(10);
    }

    it('says what the page’s form says, and writes to it what is chosen in the bar', async () => {
      await show('product');
      const select = bar().querySelector('select')!;
      expect(select.value).to.equal('Small');
      document.querySelector<HTMLInputElement>('[value=Medium]')!.click();
      await settled(10);
      expect(bar().querySelector('select')!.value).to.equal('Medium');
      expect(textOf(bar().querySelector('.bar'))).to.match(/€8\.00/);

      Object.assign(select, { value: 'Small' });
      fire(select, 'change');

      expect(document.querySelector<HTMLInputElement>('[value=Small]')!.checked).to.equal(true);
      expect(textOf(bar().querySelector('.bar'))).to.match(/€5\.00/);
    });

    it('presses the page’s own button, for whatever the page is', async () => {
      await show('product');
      bar().querySelector<HTMLElement>('[data-slot=button]')!.click();
      expect(submitted).to.equal(1);
      mounted!.destroy();

      await show('checkout');
      let pressed = 0;
      document.querySelector('[data-pl-main]')!.addEventListener('click', () => (pressed += 1));
      bar().querySelector<HTMLElement>('[data-slot=button]')!.click();
      expect(pressed).to.equal(1);
    });

    it('is not there with nothing in the cart, and is recorded when it is first seen', async () => {
      await show('cart');
      expect(at.recorded).to.deep.equal([['piece-seen', { piece: 'it' }]]);

      at.tell(cartView([]));

      expect(bar().querySelector<HTMLElement>('.bar')!.hidden).to.equal(true);
      at.tell(ONE);
      expect(at.recorded).to.have.length(1);
    });
  });
});
