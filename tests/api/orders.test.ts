import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { changeCartOf } from '~/services/change-cart';
import { placeOrder, releaseAbandoned, showOrder } from '~/services/place-order';
import { viewCart } from '~/services/view-cart';
import { ORDER_FORM as form } from '../support/checkout';
import { openTestShop, type TestShop } from '../support/shop';

const declined = { ...form, cardNumber: '5000000000000002' };
const silent = { ...form, cardNumber: '5000000000000003' };

describe('placeOrder', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());

  async function variantWithStock(stock: number): Promise<number> {
    const product = await shop.app.catalogue.findProduct('heron');
    const { id } = product!.variants[0]!;
    await shop.app.db.run('UPDATE stock_levels SET quantity = $stock WHERE variant_id = $id', { stock, id });
    return id;
  }

  async function stockOf(variantId: number): Promise<number> {
    return (await shop.app.catalogue.variantFacts([variantId])).get(variantId)!.stock!;
  }

  async function cartWith(variantId: number, quantity = 1): Promise<string> {
    const token = randomUUID();
    const changed = await changeCartOf(shop.app, token, {
      kind: 'add',
      variantId,
      quantity,
      choices: {},
      answers: {},
    });
    expect(changed.ok, JSON.stringify(changed)).to.equal(true);
    return token;
  }

  const order = (cartToken: string, over: Partial<Parameters<typeof placeOrder>[1]> = {}) =>
    placeOrder(shop.app, { cartToken, form, key: randomUUID(), visitId: null, seenTotalMinor: null, ...over });

  it('takes stock, empties the cart and keeps what the prices were made of', async () => {
    const variantId = await variantWithStock(5);
    const token = await cartWith(variantId, 2);

    const placed = await order(token);

    const stored = placed.ok ? await showOrder(shop.app, placed.value.token) : null;
    expect(stored).to.include({
      status: 'paid',
      laneRevision: 1,
      email: 'ada@example.com',
      subtotalMinor: 14_800,
      totalMinor: 14_800,
    });
    expect(stored!.lines[0]!.steps[0]).to.deep.include({ code: 'list-price', quantity: 2, amountMinor: 14_800 });
    expect(await stockOf(variantId)).to.equal(3);
    expect((await viewCart(shop.app, token)).count).to.equal(0);
  });

  it('answers a repeated request with the same order', async () => {
    const token = await cartWith(await variantWithStock(5));
    const key = randomUUID();

    const answers = [
      await order(token, { key }),
      await order(token, { key }),
      ...(await Promise.all([order(token, { key }), order(token, { key })])),
    ];

    const tokens = answers.map((answer) => answer.ok && answer.value.token);
    expect(new Set(tokens).size).to.equal(1);
    expect(tokens[0]).to.be.a('string');
  });

  it('refuses a key that was used for something else', async () => {
    const token = await cartWith(await variantWithStock(5));
    const key = randomUUID();
    await order(token, { key });

    const other = await order(token, { key, form: { ...form, name: 'Somebody else' } });

    expect(other.ok || other.problems[0]?.code).to.equal('key-reused');
  });

  for (const [what, card, code] of [
    ['declined', declined, 'payment-declined'],
    ['not answered', silent, 'payment-timed-out'],
  ] as const) {
    it(`leaves cart and stock as they were when the payment is ${what}, and takes another card after`, async () => {
      const variantId = await variantWithStock(4);
      const token = await cartWith(variantId, 3);
      const key = randomUUID();

      const failed = await order(token, { form: card, key });
      const again = await order(token, { form: card, key });

      expect(failed.ok || failed.problems[0]?.code).to.equal(code);
      expect(again.ok || again.problems[0]?.code).to.equal(code);
      expect(await stockOf(variantId)).to.equal(4);
      expect((await viewCart(shop.app, token)).count).to.equal(3);
      expect((await order(token)).ok).to.equal(true);
    });
  }

  it('refuses a total that is not the one the shopper saw', async () => {
    const token = await cartWith(await variantWithStock(4));

    const refused = await order(token, { seenTotalMinor: 1 });

    expect(refused.ok || refused.problems[0]?.code).to.equal('price-changed');
    expect((await order(token, { seenTotalMinor: 7400 })).ok).to.equal(true);
  });

  it('refuses an empty cart and a form with holes, and changes nothing', async () => {
    const token = await cartWith(await variantWithStock(4));

    const empty = await order(randomUUID());
    const holes = await order(token, { form: { ...form, line1: '', email: '' } });

    expect(empty.ok || empty.problems[0]?.code).to.equal('cart-empty');
    expect(holes.ok || holes.problems.map((problem) => problem.path)).to.deep.equal(['email', 'line1']);
    expect((await viewCart(shop.app, token)).count).to.equal(1);
  });

  it('sells the last 10 units to 10 of 1,000 who want them at once', async function () {
    this.timeout(120_000);
    const variantId = await variantWithStock(1000);
    const tokens = [];
    for (let i = 0; i < 1000; i += 1) tokens.push(await cartWith(variantId));
    await variantWithStock(10);

    const answers = await Promise.all(tokens.map((token) => order(token)));

    const codes = answers.filter((answer) => !answer.ok).map((answer) => !answer.ok && answer.problems[0]!.code);
    expect(answers.filter((answer) => answer.ok)).to.have.length(10);
    expect(new Set(codes)).to.deep.equal(new Set(['sold-out']));
    expect(await stockOf(variantId)).to.equal(0);
    const [sold] = await shop.app.db.select<{ n: number }>(
      `SELECT sum(l.quantity) n FROM order_lines l JOIN orders o ON o.id = l.order_id WHERE o.status = 'paid' AND l.variant_id = $variantId AND o.id > (SELECT max(id) - 10 FROM orders WHERE status = 'paid')`,
      { variantId },
    );
    expect(sold!.n).to.equal(10);
  });

  it('gives back what a crash left reserved', async () => {
    const variantId = await variantWithStock(4);
    const placed = await order(await cartWith(variantId));
    await shop.app.db.run(
      `UPDATE orders SET status = 'reserved', placed_at = placed_at - 3600000 WHERE token = $token`,
      { token: placed.ok ? placed.value.token : '' },
    );

    expect(await releaseAbandoned(shop.app)).to.equal(1);
    expect(await releaseAbandoned(shop.app)).to.equal(0);
    expect(await stockOf(variantId)).to.equal(4);
  });
});
