/** @jsxImportSource preact */
import { expect } from 'chai';
import { renderToString } from 'preact-render-to-string';
import { ownPage } from '~/runtime/host-page';
import { createRecorder } from '~/runtime/events';
import { claimEdge, mainButton, productForm } from '~/runtime/kit/page-parts';
import { createShadow, directionOf } from '~/runtime/kit/shadow';
import { hydrateDrawn } from '~/runtime/kit/hydrate';
import { readPage } from '~/runtime/own/about';
import { createProductSource } from '~/runtime/products';
import { fakeServer, settled, until, withPage } from '../../support/page';

describe('what a page says about itself', () => {
  const { open } = withPage();

  it('is read from its body', () => {
    open();
    Object.assign(document.body.dataset, { plPage: 'product', plCategories: 'kites delta', plProduct: 'heron' });

    expect(readPage()).to.deep.include({ page: 'product', categories: ['kites', 'delta'], product: 'heron' });
  });

  it('is little where it says nothing, and the device follows the width', () => {
    const { window } = globalThis as unknown as { window: { innerWidth: number } };
    expect(readPage()).to.deep.include({ page: 'other', categories: [], product: null });

    const devices = [360, 800, 1400].map((width) => {
      Object.assign(globalThis, { innerWidth: (window.innerWidth = width) });
      return readPage().device;
    });

    expect(devices).to.deep.equal(['phone', 'tablet', 'desktop']);
  });
});

describe('the recorder', () => {
  const { open } = withPage('https://shop.example/shop/all?from=spring-letter');
  let server: ReturnType<typeof fakeServer>;
  let beacons: { url: string; body: Batch }[];
  interface Batch {
    visit: string;
    device: string;
    source: string;
    events: { id: string; kind: string; page: string; product: string | null; piece: string | null }[];
  }

  beforeEach(() => {
    server = fakeServer();
    beacons = [];
    withBeacons(true);
  });
  afterEach(() => server.restore());

  function withBeacons(isTaken: boolean, wishes: object = {}): void {
    Object.defineProperty(globalThis, 'navigator', {
      configurable: true,
      value: {
        ...wishes,
        sendBeacon: (url: string, body: string) => {
          if (isTaken) beacons.push({ url, body: JSON.parse(body) as Batch });
          return isTaken;
        },
      },
    });
  }
  const leave = () => window.dispatchEvent(new window.Event('pagehide'));

  it('counts visits where browsers make no ids of their own: a shop without TLS goes on', () => {
    const known = Object.getOwnPropertyDescriptor(crypto, 'randomUUID');
    Object.defineProperty(crypto, 'randomUUID', { configurable: true, value: undefined });
    try {
      createRecorder(ownPage(''), 'listing', 'phone', false).record('page');
      leave();
      expect(beacons[0]!.body.events[0]!.id).to.match(/^[\w-]{6,60}$/);
    } finally {
      if (known) Object.defineProperty(crypto, 'randomUUID', known);
      else Reflect.deleteProperty(crypto, 'randomUUID');
    }
  });

  it('sends what happened in one go when the page is left', () => {
    const recorder = createRecorder(ownPage('https://shop.example'), 'listing', 'phone', false);
    recorder.record('page');
    recorder.record('add', { product: 'heron', piece: 'quick-view' });
    expect(beacons).to.deep.equal([]);

    leave();
    leave();

    expect(beacons).to.have.length(1);
    const [{ url, body }] = beacons as [(typeof beacons)[0]];
    expect(url).to.equal('https://shop.example/api/events');
    expect(body).to.include({ device: 'phone', source: 'spring-letter' });
    expect(body.events[1]).to.include({ kind: 'add', page: 'listing', product: 'heron', piece: 'quick-view' });
    expect(new Set(body.events.map((event) => event.id)).size).to.equal(2);
  });

  it('keeps one visit over pages, and where it came from', () => {
    createRecorder(ownPage(''), 'listing', 'phone', false).record('page');
    leave();
    document.dispatchEvent(new window.Event('visibilitychange'));
    history.pushState({}, '', '/shop/p/heron');
    createRecorder(ownPage(''), 'product', 'phone', false).record('product-page');
    leave();

    const [first, second] = beacons.map(({ body }) => body);
    expect(second!.visit).to.equal(first!.visit);
    expect(second!.source).to.equal('spring-letter');
  });

  it('takes the site before for the source, and nothing for direct', () => {
    const sourceOf = (referrer: string) => {
      open('', 'https://shop.example/shop/all');
      withBeacons(true);
      Object.defineProperty(document, 'referrer', { value: referrer });
      createRecorder(ownPage(''), 'listing', 'phone', false).record('page');
      leave();
      return beacons.at(-1)!.body.source;
    };

    expect(sourceOf('https://kites.example/links')).to.equal('kites.example');
    expect(sourceOf('https://shop.example/shop/')).to.equal('direct');
    expect(sourceOf('')).to.equal('direct');
  });

  it('sends a full batch at once, and the rest a little later', async () => {
    const recorder = createRecorder(ownPage(''), 'listing', 'phone', false);
    for (let i = 0; i < 21; i += 1) recorder.record('page');
    expect(beacons.map(({ body }) => body.events.length)).to.deep.equal([20]);

    await until(() => beacons.length === 2);

    expect(beacons.map(({ body }) => body.events.length)).to.deep.equal([20, 1]);
  });

  it('asks the server itself where the browser takes no beacon', async () => {
    withBeacons(false);
    createRecorder(ownPage('https://shop.example'), 'listing', 'phone', false).record('page');

    leave();
    await settled();

    // A cart of a test before may still be trying to send.
    const [told, ...more] = server.asked.filter(({ url }) => !url.endsWith('/api/cart'));
    expect(told!.url).to.equal('https://shop.example/api/events');
    expect(more).to.deep.equal([]);
    expect(told!.init).to.include({ method: 'POST', keepalive: true });
  });

  for (const [what, wishes, isQuiet] of [
    ['of who asks not to be tracked', { doNotTrack: '1' }, false],
    ['of who asks for privacy everywhere', { globalPrivacyControl: true }, false],
    ['in previews', {}, true],
  ] as const)
    it(`keeps and sends nothing ${what}`, () => {
      withBeacons(true, wishes);
      const recorder = createRecorder(ownPage(''), 'listing', 'phone', isQuiet);
      for (let i = 0; i < 30; i += 1) recorder.record('page');
      leave();

      expect(beacons).to.deep.equal([]);
      expect(document.cookie).to.equal('');
      expect(sessionStorage.length).to.equal(0);
    });
});

describe('products as pieces ask for them', () => {
  let server: ReturnType<typeof fakeServer>;
  beforeEach(() => (server = fakeServer()));
  afterEach(() => server.restore());

  it('are fetched once a page, and known from then on', async () => {
    server.answers(() => Response.json({ slug: 'heron' }));
    const products = createProductSource(ownPage('https://shop.example'));
    expect(products.known('heron')).to.equal(undefined);

    const [one, two] = await Promise.all([products.fetch('heron'), products.fetch('heron')]);

    expect(one).to.equal(two).and.to.deep.equal({ slug: 'heron' });
    expect(products.known('heron')).to.equal(one);
    expect(server.asked.map(({ url }) => url)).to.deep.equal(['https://shop.example/api/products/heron']);
  });

  it('are asked for again after a failure', async () => {
    const products = createProductSource(ownPage(''));
    server.answers(() => new Response('', { status: 503 }));
    expect(await products.fetch('heron')).to.equal(null);
    expect(products.known('heron')).to.equal(null);
    server.answers(() => Promise.reject(new Error('no connection')));
    expect(await products.fetch('heron')).to.equal(null);

    server.answers(() => Response.json({ slug: 'heron' }));

    expect(await products.fetch('heron')).to.deep.equal({ slug: 'heron' });
  });
});

describe('parts of the page that pieces stand on', () => {
  const { open } = withPage();

  it('are the page’s own main button, or one that a piece has drawn', () => {
    open('<div data-pl-at="pl-checkout"></div>');
    expect(mainButton()).to.equal(null);
    const root = document.querySelector('div')!.attachShadow({ mode: 'open' });
    root.innerHTML = '<button data-pl-main>Order</button>';
    expect(mainButton()?.textContent).to.equal('Order');

    document.body.insertAdjacentHTML('beforeend', '<button data-pl-main>Add</button>');

    expect(mainButton()?.textContent).to.equal('Add');
    expect(productForm()).to.equal(null);
  });

  it('make room for what is fixed, tell others once, and get it back', () => {
    let told = 0;
    window.addEventListener('pl-edges', () => (told += 1));

    claimEdge('bottom', 64);
    claimEdge('bottom', 64);
    expect(document.body.style.paddingBlockEnd).to.equal('64px');
    expect(document.documentElement.style.getPropertyValue('--pl-edge-bottom')).to.equal('64px');
    expect(told).to.equal(1);

    claimEdge('bottom', 0);
    expect(document.body.style.paddingBlockEnd).to.equal('');
    expect(document.documentElement.style.getPropertyValue('--pl-edge-bottom')).to.equal('');
    expect(told).to.equal(2);
  });
});

describe('a shadow', () => {
  const { open } = withPage();
  const textOf = (root: ShadowRoot) => (root.adoptedStyleSheets[0] as unknown as { text: string }).text;

  it('holds theme, view and piece in that order, so that the owner’s word is last', () => {
    const shadow = createShadow('pl-try', 'p1');

    shadow.style('theme{}', 'view{}', 'piece{}');

    expect(shadow.element.dataset['plPiece']).to.equal('p1');
    expect(textOf(shadow.root)).to.match(/theme\{\}view\{\}piece\{\}$/);
  });

  it('stands on a root that is there already', () => {
    open('<pl-try></pl-try>');
    const element = document.querySelector('pl-try') as HTMLElement;
    const root = element.attachShadow({ mode: 'open' });

    expect(createShadow('pl-try', 'p1', element).root).to.equal(root);
  });

  it('runs from right to left in the languages that do', () => {
    expect(['ar', 'he', 'fa', 'ur', 'en', 'de'].map(directionOf)).to.deep.equal([
      ...Array<string>(4).fill('rtl'),
      'ltr',
      'ltr',
    ]);
  });
});

describe('what the server drew', () => {
  const { open } = withPage();
  const Greeting = ({ name, onPress = () => undefined }: { name: string; onPress?: () => void }) => (
    <button onClick={onPress}>Hello {name}</button>
  );

  function served(): void {
    open(`<div data-pl-at="pl-try"><script type="application/json">{"name":"Ada"}</script></div>`);
    const root = document.querySelector('div')!.attachShadow({ mode: 'open' });
    const drawn = renderToString(<Greeting name="Ada" />);
    root.innerHTML = `<style>view{}</style><style>owner{}</style><div data-inside>${drawn}</div>`;
  }

  it('is taken over as it stands, and changed from there', () => {
    served();
    const root = document.querySelector('div')!.shadowRoot!;
    const button = root.querySelector('button')!;
    let presses = 0;

    const taken = hydrateDrawn<{ name: string }>('pl-try', 'p1', (given) => <Greeting {...given} />)!;
    expect(taken.given).to.deep.equal({ name: 'Ada' });
    taken.draw(<Greeting name="Grace" onPress={() => (presses += 1)} />);
    button.click();

    expect(root.querySelector('button')).to.equal(button);
    expect(button.textContent).to.equal('Hello Grace');
    expect(presses).to.equal(1);
  });

  it('keeps the view’s style, and loses what the owner set only when its own is there', () => {
    served();
    const root = document.querySelector('div')!.shadowRoot!;
    const taken = hydrateDrawn<{ name: string }>('pl-try', 'p1', (given) => <Greeting {...given} />)!;
    const styles = () => [...root.querySelectorAll('style')].map(({ textContent }) => textContent);
    expect(styles()).to.deep.equal(['view{}', 'owner{}']);

    taken.style('theme{}', '');

    expect(styles()).to.deep.equal(['view{}']);
    expect(root.adoptedStyleSheets).to.have.length(1);
  });

  it('is nothing on a page without it', () => {
    open();
    expect(hydrateDrawn('pl-try', 'p1', () => <p />)).to.equal(null);
    open('<div data-pl-at="pl-try"></div>');
    expect(hydrateDrawn('pl-try', 'p1', () => <p />)).to.equal(null);
  });
});
