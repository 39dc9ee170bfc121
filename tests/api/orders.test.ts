import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { readdir, stat } from 'node:fs/promises';
import path from 'node:path';
import { changeCartOf } from '~/services/cart/change-cart';
import type { OrderRequest } from '~/services/orders/order-request';
import { releaseAbandoned, showOrder } from '~/services/orders/place-order';
import { keepForm, withoutCard } from '~/services/cart/show-checkout';
import { viewCart } from '~/services/cart/show-cart';
import { ORDER_FORM as form } from '../support/checkout';
import { orderNow } from '../support/order-now';
import { searchFolder } from '../support/search-folder';
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

  /** Orders a cart as it is now. */
  const order = (cartToken: string, over: Partial<OrderRequest> = {}) => orderNow(shop.app, { cartToken, ...over });
  const codeOf = (answer: Awaited<ReturnType<typeof order>>) => (answer.ok ? 'ok' : answer.problems[0]!.code);

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

    const { version: cartVersion } = await shop.app.carts.read(token);
    const same = { key, cartVersion };

    const answers = [
      await order(token, same),
      await order(token, same),
      ...(await Promise.all([order(token, same), order(token, same)])),
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

  it('refuses the key of an order once the cart has changed, and never answers with that order', async () => {
    const variantId = await variantWithStock(5);
    const token = await cartWith(variantId);
    const key = randomUUID();
    const placed = await order(token, { key });
    await changeCartOf(shop.app, token, { kind: 'add', variantId, quantity: 1, choices: {}, answers: {} });

    const again = await order(token, { key });

    expect([codeOf(placed), codeOf(again)]).to.deep.equal(['ok', 'key-reused']);
    expect(codeOf(await order(token))).to.equal('ok');
  });

  it('makes one order of one cart, however many are pressed for under different keys', async () => {
    const variantId = await variantWithStock(50);
    const token = await cartWith(variantId, 2);
    const { version: cartVersion } = await shop.app.carts.read(token);

    const answers = await Promise.all(Array.from({ length: 8 }, () => order(token, { cartVersion })));
    const late = await order(token, { cartVersion });

    const codes = answers.map(codeOf);
    expect(codes.filter((code) => code === 'ok')).to.have.length(1);
    expect(
      codes.every((code) => ['ok', 'payment-in-progress', 'cart-ordered'].includes(code)),
      codes.join(),
    ).to.equal(true);
    const paid = answers.find((answer) => answer.ok);
    expect(late.ok || late.problems[0]).to.deep.include({
      code: 'cart-ordered',
      facts: { token: paid?.ok && paid.value.token },
    });
    expect(await stockOf(variantId)).to.equal(48);
  });

  it('keeps a second window from paying for a cart that is being paid, whatever it holds by then', async () => {
    const variantId = await variantWithStock(50);
    const token = await cartWith(variantId);
    const first = order(token, { form: silent });
    await new Promise((resolve) => setTimeout(resolve, 8));
    await changeCartOf(shop.app, token, { kind: 'add', variantId, quantity: 1, choices: {}, answers: {} });

    const second = await order(token);

    expect(codeOf(second)).to.equal('payment-in-progress');
    expect(codeOf(await first)).to.equal('payment-timed-out');
    expect(codeOf(await order(token))).to.equal('ok');
  });

  it('refuses a cart that is no longer what the shopper saw', async () => {
    const token = await cartWith(await variantWithStock(4));
    const { version } = await shop.app.carts.read(token);
    await changeCartOf(shop.app, token, { kind: 'note', note: 'from another window' });

    expect(codeOf(await order(token, { cartVersion: version }))).to.equal('cart-changed');
  });

  it('keeps the card nowhere, and nothing made from it', async () => {
    const token = await cartWith(await variantWithStock(50));
    const card = '5000000000004217';
    const key = randomUUID();
    const { version: cartVersion } = await shop.app.carts.read(token);
    await keepForm(shop.app, token, withoutCard({ ...form, cardNumber: card }));
    await order(token, { key, cartVersion, form: { ...form, cardNumber: card } });
    await shop.app.db.select('PRAGMA wal_checkpoint(TRUNCATE)');

    // With another card the request is the same one: nothing of the card is in what tells requests apart.
    const again = await order(token, { key, cartVersion, form: { ...form, cardNumber: '5000000000009999' } });
    const { looked, holding } = searchFolder(shop.app.db.dataDir, new RegExp(card.slice(4)));

    expect(again.ok).to.equal(true);
    expect(looked).to.be.greaterThan(5);
    expect(holding).to.deep.equal([]);
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

  it('keeps the folder with buyers’ names to the account that serves the shop', async () => {
    const files = await readdir(shop.app.db.dataDir, { recursive: true, withFileTypes: true });
    const modes = await Promise.all(
      ['', ...files.map((file) => path.join(path.relative(shop.app.db.dataDir, file.parentPath), file.name))].map(
        async (name) => [name, (await stat(path.join(shop.app.db.dataDir, name))).mode & 0o077] as const,
      ),
    );

    expect(modes.length).to.be.greaterThan(5);
    expect(modes.filter(([, open]) => open !== 0)).to.deep.equal([]);
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

  it('gives the others back when one payment cannot be cancelled', async () => {
    const variantId = await variantWithStock(4);
    const placed = [await order(await cartWith(variantId)), await order(await cartWith(variantId))];
    const tokens = placed.map((answer) => (answer.ok ? answer.value.token : ''));
    await shop.app.db.run(
      `UPDATE orders SET status = 'reserved', placed_at = placed_at - 3600000 WHERE token IN (SELECT value FROM json_each($tokens))`,
      { tokens: JSON.stringify(tokens) },
    );
    const cancel = (token: string) =>
      token === tokens[0] ? Promise.reject(new Error('no answer')) : shop.app.payment.cancel(token);

    const released = await releaseAbandoned({ ...shop.app, payment: { ...shop.app.payment, cancel } });

    expect(released).to.equal(1);
    expect(await stockOf(variantId)).to.equal(3);
  });
});
