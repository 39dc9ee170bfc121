import { expect } from 'chai';
import type { CartView } from '~/core/cart';
import { minor } from '~/core/money';
import { createCartClient } from '~/runtime/cart-client';

function cart(quantity: number): CartView {
  const line = {
    id: 'a',
    variantId: 1,
    slug: 's',
    name: 'Delta',
    choices: '',
    picture: null,
    quantity,
    stock: 9,
    unitMinor: minor(500),
    totalMinor: minor(500 * quantity),
    problem: null,
  };
  return {
    lines: quantity > 0 ? [line] : [],
    count: quantity,
    subtotalMinor: minor(500 * quantity),
    discountMinor: minor(0),
    deliveryMinor: null,
    taxMinor: minor(0),
    taxIncluded: true,
    totalMinor: minor(500 * quantity),
    missingForFreeDeliveryMinor: null,
    steps: [],
  };
}

describe('the cart of the runtime', () => {
  const { fetch: realFetch } = globalThis;
  let answers: (() => Response | Promise<Response>)[];
  let asked: unknown[];
  beforeEach(() => {
    answers = [];
    asked = [];
    globalThis.fetch = (async (_url: string, init?: RequestInit) => {
      asked.push(init?.body ? JSON.parse(String(init.body)) : null);
      return answers.shift()!();
    }) as typeof fetch;
  });
  afterEach(() => {
    globalThis.fetch = realFetch;
  });

  async function loaded(quantity: number) {
    const client = createCartClient('');
    answers.push(() => Response.json(cart(quantity)));
    await client.load();
    const seen: number[] = [];
    client.watch((view) => seen.push(view.count));
    return { client, seen };
  }

  it('shows a changed quantity before the server has answered, then what the server says', async () => {
    const { client, seen } = await loaded(1);
    answers.push(() => Response.json(cart(3)));

    const answer = await client.change({ kind: 'set', lineId: 'a', quantity: 4 });

    expect(answer).to.deep.equal({ ok: true });
    expect(seen).to.deep.equal([4, 3]);
  });

  it('takes a refused change back and hands on the reason', async () => {
    const { client, seen } = await loaded(1);
    answers.push(() => Response.json({ problems: [{ message: 'Only 3 left.' }] }, { status: 409 }));

    const answer = await client.change({ kind: 'set', lineId: 'a', quantity: 9 });

    expect(answer).to.deep.equal({ ok: false, message: 'Only 3 left.' });
    expect(seen).to.deep.equal([9, 1]);
  });

  it('takes a change back when the connection is lost', async () => {
    const { client } = await loaded(2);
    answers.push(() => Promise.reject(new TypeError('offline')));

    const answer = await client.change({ kind: 'remove', lineId: 'a' });

    expect(answer.ok).to.equal(false);
    expect(client.view?.count).to.equal(2);
  });

  it('sends one change at a time, in order', async () => {
    const { client } = await loaded(1);
    let release = () => undefined as void;
    answers.push(() => new Promise((resolve) => (release = () => resolve(Response.json(cart(2))))));
    answers.push(() => Response.json(cart(3)));

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
