import { expect } from 'chai';
import type { CartView } from '~/core/cart';
import { minor } from '~/core/money';
import { ownPage } from '~/runtime/host-page';
import { optimisticCart } from '~/pieces/_cart/optimistic-cart';
import { createCartClient } from '~/runtime/cart-client';

let version = 0;
function cart(quantity: number): CartView {
  const line = {
    id: 'a',
    variantId: 1,
    slug: 's',
    categories: [],
    name: 'Delta',
    choices: '',
    answerTexts: [],
    answers: {},
    arrival: null,
    isChangeable: false,
    better: null,
    instead: null,
    picture: null,
    quantity,
    stock: 9,
    unitMinor: minor(500),
    fullMinor: minor(500 * quantity),
    totalMinor: minor(500 * quantity),
    lineMinor: minor(500 * quantity),
    steps: [],
    problem: null,
  };
  return {
    version: (version += 1),
    lines: quantity > 0 ? [line] : [],
    count: quantity,
    subtotalMinor: minor(500 * quantity),
    discounts: [],
    discountMinor: minor(0),
    deliveryMinor: null,
    taxMinor: minor(0),
    taxIncluded: true,
    taxBasisPoints: 2000,
    totalMinor: minor(500 * quantity),
    freeDelivery: null,
    hints: [],
    steps: [],
    codes: [],
    gifts: [],
    comesAlong: '',
    deadline: null,
    takesCode: false,
    needsDelivery: true,
    countries: ['DE'],
    estimate: null,
    note: '',
  };
}

const changed = (quantity: number, lineId: string | null = null) => Response.json({ view: cart(quantity), lineId });

/** As much of a browser's storage as the cart uses. */
function fakeStorage(): Storage {
  const kept = new Map<string, string>();
  return {
    get length() {
      return kept.size;
    },
    key: (i: number) => [...kept.keys()][i] ?? null,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  } as Storage;
}

describe('the cart of the runtime', () => {
  const { fetch: realFetch } = globalThis;
  let answers: (() => Response | Promise<Response>)[];
  let asked: { changeId?: string }[];
  let online: (() => void)[];
  const real = Object.getOwnPropertyDescriptor(globalThis, 'localStorage');
  beforeEach(() => {
    answers = [];
    asked = [];
    online = [];
    Object.defineProperty(globalThis, 'localStorage', { value: fakeStorage(), configurable: true });
    globalThis.addEventListener = ((type: string, listener: () => void) =>
      type === 'online' && online.push(listener)) as unknown as typeof globalThis.addEventListener;
    globalThis.fetch = (async (_url: string, init?: RequestInit) => {
      asked.push(init?.body ? (JSON.parse(String(init.body)) as object) : {});
      return answers.shift()!();
    }) as typeof fetch;
  });
  afterEach(() => {
    globalThis.fetch = realFetch;
    if (real) Object.defineProperty(globalThis, 'localStorage', real);
    else Reflect.deleteProperty(globalThis, 'localStorage');
    Reflect.deleteProperty(globalThis, 'addEventListener');
  });

  async function loaded(quantity: number) {
    const client = createCartClient(ownPage(''));
    client.showAheadWith(optimisticCart);
    answers.push(() => Response.json(cart(quantity)));
    await client.load();
    const seen: number[] = [];
    client.watch((view) => seen.push(view.count));
    return { client, seen };
  }

  it('shows a changed quantity and its sums before the server has answered, then what the server says', async () => {
    const { client, seen } = await loaded(1);
    answers.push(() => changed(3));

    const answer = client.change({ kind: 'set', lineId: 'a', quantity: 4 });
    const hoped = client.view!;

    expect([hoped.count, hoped.subtotalMinor, hoped.lines[0]!.totalMinor]).to.deep.equal([4, 2000, 2000]);
    expect(await answer).to.deep.equal({ ok: true, lineId: null, waiting: false });
    expect(seen).to.deep.equal([4, 3]);
  });

  it('counts an add at once, and hands on which line it made', async () => {
    const { client, seen } = await loaded(1);
    answers.push(() => changed(3, 'b'));

    const answer = await client.change({ kind: 'add', variantId: 1, quantity: 2 });

    expect(answer).to.deep.include({ ok: true, lineId: 'b' });
    expect(seen).to.deep.equal([3, 3]);
  });

  it('takes a refused change back and hands on the reason and the place', async () => {
    const { client, seen } = await loaded(1);
    const problems = [{ path: 'quantity', message: 'Only 3 left.' }];
    answers.push(() => Response.json({ problems }, { status: 409 }));

    const answer = await client.change({ kind: 'set', lineId: 'a', quantity: 9 });

    expect(answer).to.deep.equal({ ok: false, message: 'Only 3 left.', problems });
    expect(seen).to.deep.equal([9, 1]);
  });

  it('says so when the fault is the server’s, and takes the change back', async () => {
    const { client } = await loaded(1);
    answers.push(() => new Response('oops', { status: 500 }));

    const answer = await client.change({ kind: 'set', lineId: 'a', quantity: 2 });

    expect(answer.ok || answer.message).to.include('Please try again');
    expect(client.view?.count).to.equal(1);
  });

  it('keeps a change that could not be sent, and sends it under the same id when the connection is back', async () => {
    const { client } = await loaded(2);
    answers.push(() => Promise.reject(new TypeError('offline')));

    const answer = await client.change({ kind: 'remove', lineId: 'a' });
    expect(answer).to.deep.equal({ ok: true, lineId: null, waiting: true });
    expect(client.view?.count).to.equal(0);

    answers.push(() => changed(0));
    online[0]!();
    await new Promise((resolve) => setTimeout(resolve, 5));

    expect(asked).to.have.length(3);
    expect(asked[2]!.changeId).to.equal(asked[1]!.changeId).and.be.a('string');
    expect(localStorage).to.have.length(0);
  });

  it('lets the changes of two tabs wait beside each other', async () => {
    const tabs = [(await loaded(1)).client, (await loaded(1)).client];
    answers.push(...tabs.map(() => () => Promise.reject(new TypeError('offline'))));
    await tabs[0]!.change({ kind: 'note', note: 'first' });
    await tabs[1]!.change({ kind: 'coupon', code: 'SECOND' });

    const next = createCartClient(ownPage(''));
    next.showAheadWith(optimisticCart);
    answers.push(
      () => Response.json(cart(1)),
      () => changed(1),
      () => changed(1),
    );
    await next.load();
    await next.settled();

    expect(asked.slice(-2)).to.deep.include.members([asked.at(-2), asked.at(-1)]);
    expect(asked.slice(-2).map((change) => (change as { kind: string }).kind)).to.deep.equal(['note', 'coupon']);
    expect(localStorage).to.have.length(0);
  });

  it('goes on when a part of the page cannot show it', async () => {
    const { error } = console;
    console.error = () => undefined;
    const { client } = await loaded(1);
    const seen: number[] = [];
    const stop = client.watch(() => {
      throw new Error('cannot draw');
    });
    client.watch((view) => seen.push(view.count));
    answers.push(
      () => changed(2),
      () => changed(3),
    );

    const first = await client.change({ kind: 'set', lineId: 'a', quantity: 2 });
    const second = await client.change({ kind: 'set', lineId: 'a', quantity: 3 });
    stop();
    console.error = error;

    expect([first.ok, second.ok, client.view?.count]).to.deep.equal([true, true, 3]);
    expect(seen.at(-1)).to.equal(3);
  });

  it('foresees what a discount takes off, and that what counts once counts once', async () => {
    const client = createCartClient(ownPage(''));
    client.showAheadWith(optimisticCart);
    const view = cart(2);
    // 2 × 5.00 and 3.00 once, less a tenth.
    const line = { ...view.lines[0]!, fullMinor: minor(1300), totalMinor: minor(1170), lineMinor: minor(1170) };
    const sums = { subtotalMinor: minor(1300), discountMinor: minor(130), totalMinor: minor(1170) };
    answers.push(() => Response.json({ ...view, ...sums, lines: [line] }));
    await client.load();
    answers.push(() => new Promise<Response>(() => undefined));

    void client.change({ kind: 'set', lineId: 'a', quantity: 4 });

    expect(client.view).to.include({ subtotalMinor: 2300, discountMinor: 230, totalMinor: 2070 });
    expect(client.view!.lines[0]).to.include({ fullMinor: 2300, totalMinor: 2070 });
  });

  it('tells when changes wait for a connection, and when they no longer do', async () => {
    const told: boolean[] = [];
    globalThis.dispatchEvent = ((event: CustomEvent<{ isOffline: boolean }>) =>
      told.push(event.detail.isOffline)) as unknown as typeof globalThis.dispatchEvent;
    const { client } = await loaded(1);
    answers.push(() => Promise.reject(new TypeError('offline')));
    await client.change({ kind: 'note', note: 'x' });
    answers.push(() => changed(1));
    online[0]!();
    await client.settled();
    Reflect.deleteProperty(globalThis, 'dispatchEvent');

    expect(told).to.deep.equal([true, false]);
  });

  it('keeps what waits for the next page', async () => {
    const { client } = await loaded(1);
    answers.push(() => Promise.reject(new TypeError('offline')));
    await client.change({ kind: 'set', lineId: 'a', quantity: 5 });

    const next = createCartClient(ownPage(''));
    next.showAheadWith(optimisticCart);
    answers.push(
      () => Response.json(cart(1)),
      () => changed(5),
    );
    await next.load();
    expect(next.view?.count).to.equal(5);
    await new Promise((resolve) => setTimeout(resolve, 5));

    expect(asked.at(-1)).to.include({ kind: 'set', quantity: 5 });
    expect(localStorage).to.have.length(0);
  });

  it('sends what was under way when the page was left from the next page, under the same ids', async () => {
    const { client } = await loaded(1);
    answers.push(() => new Promise<Response>(() => undefined));
    void client.change({ kind: 'set', lineId: 'a', quantity: 2 });
    void client.change({ kind: 'set', lineId: 'a', quantity: 3 });
    expect(asked.at(-1)).to.include({ kind: 'set', quantity: 2 });
    const lost = asked.at(-1)!.changeId;

    const next = createCartClient(ownPage(''));
    next.showAheadWith(optimisticCart);
    answers.push(
      () => Response.json(cart(1)),
      () => changed(2),
      () => changed(3),
    );
    await next.load();
    await new Promise((resolve) => setTimeout(resolve, 5));

    expect(asked.at(-2)).to.include({ kind: 'set', quantity: 2, changeId: lost });
    expect(asked.at(-1)).to.include({ kind: 'set', quantity: 3 });
    expect(next.view?.count).to.equal(3);
  });

  it('does not go back to a cart that was asked for before a change and comes after its answer', async () => {
    let arrive: (response: Response) => void = () => undefined;
    const client = createCartClient(ownPage(''));
    client.showAheadWith(optimisticCart);
    answers.push(
      () => new Promise<Response>((resolve) => (arrive = resolve)),
      () => changed(1),
    );
    const old = Response.json(cart(0));
    const loading = client.load();

    await client.change({ kind: 'add', variantId: 1 });
    arrive(old);
    await loading;

    expect(client.view?.count).to.equal(1);
  });

  it('asks again when its answer is older than what another tab was answered', async () => {
    const { client } = await loaded(1);
    const other = new BroadcastChannel('pl-cart');
    let arrive: (response: Response) => void = () => undefined;
    const mine = changed(2);
    const theirs = cart(5);
    answers.push(
      () => new Promise<Response>((resolve) => (arrive = resolve)),
      () => Response.json(theirs),
    );

    const change = client.change({ kind: 'set', lineId: 'a', quantity: 2 });
    other.postMessage(theirs);
    await new Promise((resolve) => setTimeout(resolve, 20));
    arrive(mine);
    await change;
    await new Promise((resolve) => setTimeout(resolve, 5));

    expect(asked.at(-1)).to.deep.equal({});
    expect(client.view?.count).to.equal(5);
    other.close();
  });

  it('hears what another tab did, and lets nothing older overwrite it', async () => {
    const { client } = await loaded(1);
    const other = new BroadcastChannel('pl-cart');
    const older = { ...cart(7), version: 0 };

    other.postMessage(cart(4));
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(client.view?.count).to.equal(4);
    other.postMessage(older);
    await new Promise((resolve) => setTimeout(resolve, 20));
    other.close();

    expect(client.view?.count).to.equal(4);
  });

  it('sends one change at a time, in order', async () => {
    const { client } = await loaded(1);
    let release = () => undefined as void;
    answers.push(() => new Promise((resolve) => (release = () => resolve(changed(2)))));
    answers.push(() => changed(3));

    const first = client.change({ kind: 'set', lineId: 'a', quantity: 2 });
    const second = client.change({ kind: 'set', lineId: 'a', quantity: 3 });
    await new Promise((resolve) => setTimeout(resolve, 10));
    expect(asked.slice(1)).to.have.length(1);
    release();
    await Promise.all([first, second]);

    expect(client.view?.count).to.equal(3);
  });

  it('shows a sample in the bench and leaves the shopper’s cart as it is', async () => {
    const { client, seen } = await loaded(1);

    client.pretend(cart(7));
    expect(client.view?.count).to.equal(7);
    client.pretend(null);

    expect(seen).to.deep.equal([7, 1]);
  });
});
