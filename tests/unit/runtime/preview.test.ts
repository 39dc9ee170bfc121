import { expect } from 'chai';
import type { FromPreview, Manifest, ManifestPiece, ToPreview } from '~/core/lane';
import type { CartClient } from '~/runtime/cart-client';
import type { OpenAbout } from '~/runtime/piece-host';
import { startPreview } from '~/runtime/preview/preview';
import { createSurfaces } from '~/runtime/surfaces';
import { cartView, lineView } from '../../support/cart-view';
import { settled, until, withPage } from '../../support/page';

const PAGE = `<main data-pl-at="pl-try" data-pl-piece="try"><h1 data-part="title" data-slot="title" data-word="title">Hello</h1>
  <a href="/shop/all" data-part="link"><span data-word="link">All kites</span></a></main><a id="away" href="/elsewhere">Away</a>
  <form><button id="send">Send</button><button id="own" type="button">Own</button></form><input id="typing">`;
const PIECE = { id: 'try', kind: 'try' } as ManifestPiece;

describe('the shop framed by the bench', () => {
  const { open } = withPage('https://shop.example/shop/all?draft=t');
  let told: FromPreview[];
  let applied: Manifest[];
  let opened: { readonly piece: ManifestPiece; readonly about: OpenAbout }[];
  let pretended: unknown[];

  beforeEach(() => {
    open(PAGE);
    [told, applied, opened, pretended] = [[], [], [], []];
    Object.defineProperty(globalThis, 'parent', { configurable: true, value: window });
    Object.defineProperty(window, 'postMessage', { value: (message: FromPreview) => told.push(message) });
    startPreview({
      apply: (manifest) => Promise.resolve(void applied.push(manifest)),
      open: (piece, about) => Promise.resolve(void opened.push({ piece, about })),
      cart: { pretend: (sample: unknown) => pretended.push(sample) } as unknown as CartClient,
      surfaces: createSurfaces(false),
    });
  });
  // What would be marked later is not, once the page is left.
  afterEach(() => void window.dispatchEvent(new window.Event('pagehide')));
  after(() => Reflect.deleteProperty(globalThis, 'parent'));

  const one = (selector: string) => document.querySelector<HTMLElement>(selector)!;
  function hear(data: ToPreview | object, over: MessageEventInit = {}): void {
    const init = { data, origin: location.origin, source: window, ...over };
    window.dispatchEvent(new window.MessageEvent('message', init));
  }
  const manifest = { pieces: [PIECE] } as unknown as Manifest;
  const click = (selector: string, type = 'click') => {
    const event = new window.MouseEvent(type, { bubbles: true, cancelable: true, composed: true });
    one(selector).dispatchEvent(event);
    return event.defaultPrevented;
  };
  const key = (field: Element, name: string) =>
    field.dispatchEvent(new window.KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));

  it('says that it is ready, and when a change can be seen', async () => {
    expect(told).to.deep.equal([{ pl: 'ready' }]);

    hear({ pl: 'manifest', manifest, seq: 7 });
    await until(() => told.length > 1);

    expect(applied).to.deep.equal([manifest]);
    expect(told[1]).to.deep.equal({ pl: 'painted', seq: 7 });
  });

  it('hears nobody but the bench', async () => {
    hear({ pl: 'manifest', manifest, seq: 1 }, { origin: 'https://evil.example' });
    hear({ pl: 'manifest', manifest, seq: 1 }, { source: null });
    hear([]);
    await settled();

    expect(applied).to.deep.equal([]);
  });

  it('opens the piece in a situation, with its cart, and leaves the typing to who types', async () => {
    const cart = cartView([lineView({ id: 'x' }), lineView({ id: 'y' })]);
    hear({ pl: 'manifest', manifest, seq: 1 });
    one('#typing').focus();
    hear({ pl: 'situation', pieceId: 'try', product: 'heron', cart, added: true });
    hear({ pl: 'situation', pieceId: 'try', product: null, cart: null, added: false });
    hear({ pl: 'situation', pieceId: 'gone', product: null, cart: null, added: false });

    expect(pretended).to.deep.equal([cart, null, null]);
    expect(opened.map(({ about }) => about)).to.deep.equal([
      { product: 'heron', lineId: 'y', opener: null },
      { product: null, lineId: null, opener: null },
    ]);
    expect(document.activeElement?.id).to.equal('typing');
    await settled(60);
  });

  it('marks the part that is chosen and forces the state that is looked at', () => {
    hear({ pl: 'select', pieceId: 'try', part: 'title' });
    expect(one('h1').hasAttribute('data-chosen')).to.equal(true);
    expect(one('main a').hasAttribute('data-chosen')).to.equal(false);

    hear({ pl: 'select', pieceId: 'try', part: null });
    expect(one('h1').hasAttribute('data-chosen')).to.equal(false);

    hear({ pl: 'force', state: 'hover' });
    expect(one('h1').dataset['force']).to.equal('hover');
  });

  it('marks parts inside shadow roots, pieces within pieces among them', () => {
    const outer = one('main').attachShadow({ mode: 'open' });
    outer.innerHTML = '<div data-pl-piece="inner"></div>';
    const inner = outer.querySelector('div')!.attachShadow({ mode: 'open' });
    inner.innerHTML = '<p data-part="text">Hi</p>';

    hear({ pl: 'select', pieceId: 'inner', part: 'text' });

    expect(inner.querySelector('p')!.hasAttribute('data-chosen')).to.equal(true);
  });

  it('tells what is pressed, and neither leaves nor orders', () => {
    expect(click('h1')).to.equal(false);
    expect(click('main a span')).to.equal(true);
    expect(click('#away')).to.equal(true);
    expect(click('#send')).to.equal(true);
    expect(click('#own')).to.equal(false);

    expect(told.slice(1)).to.deep.equal([
      { pl: 'selected', pieceId: 'try', part: 'title' },
      { pl: 'selected', pieceId: 'try', part: 'link' },
    ]);
  });

  it('makes a word a field where it stands, and tells the new one', () => {
    click('h1', 'dblclick');
    const field = one('body > input:not(#typing)') as HTMLInputElement;
    expect(field.value).to.equal('Hello');
    field.value = ' Welcome ';
    key(field, 'Enter');
    key(field, 'Enter');

    expect(told.slice(1)).to.deep.equal([{ pl: 'word', pieceId: 'try', word: 'title', text: 'Welcome' }]);
    expect(field.isConnected).to.equal(false);
  });

  it('tells nothing of a word that was left as it was, emptied, or given up', () => {
    for (const [text, end] of [
      ['Hello', 'Enter'],
      ['   ', 'Enter'],
      ['Changed', 'Escape'],
    ] as const) {
      click('h1', 'dblclick');
      const field = one('body > input:not(#typing)') as HTMLInputElement;
      field.value = text;
      key(field, end);
    }
    click('#away', 'dblclick');

    expect(told.slice(1)).to.deep.equal([]);
    expect(document.querySelectorAll('body > input')).to.have.length(1);
  });

  it('passes on what was set by hand', () => {
    const detail = { pieceId: 'try', setting: 'place', value: 'top 50' };
    window.dispatchEvent(new window.CustomEvent('pl-setting', { detail }));

    expect(told.at(-1)).to.deep.equal({ pl: 'setting', ...detail });
  });
});
