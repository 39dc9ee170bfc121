import type { CartRequest } from '~/contract/shop/cart';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { changeCartOf } from '~/services/cart/change-cart';
import { quoteCheckout } from '~/services/cart/show-checkout';
import { viewCart } from '~/services/cart/show-cart';
import { keepBirthday } from '~/services/orders/next-time';
import { showOrder } from '~/services/orders/place-order';
import { ORDER_FORM } from '../support/checkout';
import { sellWith } from '../support/live-offers';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';

describe('offers that ask who buys', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
    await shop.app.db.run('UPDATE stock_levels SET quantity = 1000');
    await sellWith(shop.app, {});
    await buy('known@example.com');
  });
  after(() => shop.close());

  const off = (when: object, over: object = {}) => ({
    name: 'Ours',
    kind: 'amountOff',
    target: 'order',
    amountMinor: 200,
    when,
    ...over,
  });
  const cart = async () => {
    const token = randomUUID();
    const { variants } = (await shop.app.catalogue.findProduct('hoop-winder'))!;
    const add = { kind: 'add', variantId: variants[0]!.id, quantity: 1, choices: {}, answers: {} } as const;
    await changeCartOf(shop.app, token, add);
    return token;
  };
  const withCode = (token: string, code: string) =>
    changeCartOf(shop.app, token, { kind: 'coupon', code } as CartRequest);
  const form = (email: string) => ({ ...ORDER_FORM, email });
  const quote = async (token: string, email: string) =>
    (await quoteCheckout(shop.app, await shop.app.carts.read(token), form(email))).cart;
  async function order(token: string, email: string, seenTotalMinor: number | null, from = '127.0.0.1') {
    return orderNow(shop.app, { cartToken: token, form: form(email), seenTotalMinor, from });
  }
  async function buy(email: string, from?: string) {
    const placed = await order(await cart(), email, null, from);
    return (await showOrder(shop.app, placed.ok ? placed.value.token : ''))!;
  }
  const codeOf = (answer: Awaited<ReturnType<typeof order>>) => (answer.ok ? 'ok' : answer.problems[0]!.code);

  const AT_PAY: Readonly<Record<string, { readonly when: object; readonly told: RegExp }>> = {
    'who return': { when: { shopper: 'returning' }, told: /comes off when you pay, if you have bought here before$/ },
    'who have a birthday': { when: { birthdayDays: 3 }, told: /comes off when you pay, around your birthday$/ },
  };
  for (const [name, { when, told }] of Object.entries(AT_PAY)) {
    it(`for those ${name} are told until they pay, whatever is typed, and then come off`, async () => {
      const born = await buy('born@example.com');
      const [month, day] = new Date().toISOString().slice(5, 10).split('-').map(Number) as [number, number];
      await keepBirthday(shop.app, born, { month, day });
      await sellWith(shop.app, { ours: off(when) });
      const token = await cart();
      const view = await viewCart(shop.app, token);
      const [nobody, stranger, known] = await Promise.all(
        ['', 'stranger@example.com', 'born@example.com'].map((email) => quote(token, email)),
      );

      expect(view.hints).to.have.length(1);
      expect((view.hints[0] as { text: string }).text).to.match(told);
      // Whoever types an address learns nothing of it.
      expect(known!.totalMinor).to.equal(nobody!.totalMinor);
      expect(stranger).to.deep.equal(nobody);
      expect(known).to.deep.equal(nobody);
      const placed = await order(token, 'born@example.com', known!.totalMinor);
      const stored = (await showOrder(shop.app, placed.ok ? placed.value.token : ''))!;
      expect(stored).to.include({ totalMinor: known!.totalMinor - 200, shownTotalMinor: known!.totalMinor });
      const [mail] = await shop.app.mailbox.listAbout(stored.token);
      expect(mail!.text).to.include('€2.00 less than you were shown');
    });

    it(`for those ${name} take a code that waits for it, and no other buyer pays more for having typed it`, async () => {
      const born = await buy('born@example.com');
      const [month, day] = new Date().toISOString().slice(5, 10).split('-').map(Number) as [number, number];
      await keepBirthday(shop.app, born, { month, day });
      await sellWith(shop.app, { ours: off({ ...when, code: 'AGAIN' }) });
      const token = await cart();
      const typed = await withCode(token, 'again');
      const [code] = typed.ok ? typed.value.view.codes : [];

      expect(code).to.include({ isWaiting: true, takenMinor: 0 });
      expect(code!.problem).to.match(/comes off when you pay/);
      const { totalMinor } = await quote(token, 'born@example.com');
      const placed = await order(token, 'born@example.com', totalMinor);
      const stored = (await showOrder(shop.app, placed.ok ? placed.value.token : ''))!;
      expect(stored).to.include({ totalMinor: totalMinor - 200, coupon: 'AGAIN' });
      const other = await cart();
      await withCode(other, 'AGAIN');
      const plain = await order(other, 'new@example.com', totalMinor);
      const paid = (await showOrder(shop.app, plain.ok ? plain.value.token : ''))!;
      expect(paid).to.include({ totalMinor, shownTotalMinor: null, coupon: null });
      await shop.app.db.run(`UPDATE orders SET cancelled_at = 1 WHERE email = 'new@example.com'`);
    });
  }

  const UNTIL_PAY: Readonly<Record<string, object>> = {
    'a first order': off({ shopper: 'new' }),
    'once a shopper': off({}, { limits: { perShopper: 1 } }),
  };
  for (const [name, offer] of Object.entries(UNTIL_PAY))
    it(`for ${name} are shown until they pay; whoever is not meant is told the new total and keeps the cart`, async () => {
      await sellWith(shop.app, { ours: offer });
      const email = `${randomUUID()}@example.com`;
      await buy(email);
      const token = await cart();
      const before = await quote(token, email);
      expect(before.discountMinor).to.equal(200);

      const refused = await order(token, email, before.totalMinor);

      expect(codeOf(refused)).to.equal('buyer-changed');
      expect(refused.ok || refused.problems[0]!.facts).to.deep.equal({
        names: 'Ours',
        before: '€10.80',
        after: '€12.80',
      });
      const after = await quote(token, email);
      expect([after.count, after.discountMinor, after.totalMinor]).to.deep.equal([1, 0, before.totalMinor + 200]);
      // Another address is nobody known again.
      expect((await quote(token, 'other@example.com')).discountMinor).to.equal(200);
      expect(codeOf(await order(token, email, after.totalMinor))).to.equal('ok');
    });

  it('are asked so often and no more: whoever tries addresses waits, and others do not', async () => {
    await sellWith(shop.app, { hello: off({ shopper: 'new' }) });
    const { totalMinor } = await quote(await cart(), '');
    const from = '203.0.113.9';
    const answers: string[] = [];
    for (let i = 0; i < 12; i += 1)
      answers.push(codeOf(await order(await cart(), 'known@example.com', totalMinor, from)));

    expect(answers).to.deep.equal([...Array<string>(10).fill('buyer-changed'), 'too-many-tries', 'too-many-tries']);
    expect(codeOf(await order(await cart(), 'fresh@example.com', totalMinor, '203.0.113.10'))).to.equal('ok');
  });
});

describe('gifts', () => {
  let shop: TestShop;
  let cap: { id: number; sku: string };
  before(async () => {
    shop = await openTestShop();
    await shop.app.db.run('UPDATE stock_levels SET quantity = 1000');
    cap = (await shop.app.catalogue.findProduct('end-cap'))!.variants[0]!;
    await sellWith(shop.app, { cap: { kind: 'gift', name: 'A cap with it', variant: cap.sku, quantity: 1 } });
  });
  after(() => shop.close());

  const set = (stock: number) =>
    shop.app.db.run('UPDATE stock_levels SET quantity = $stock WHERE variant_id = $id', { stock, id: cap.id });
  const stock = async () => (await shop.app.catalogue.variantFacts([cap.id])).get(cap.id)!.stock;
  async function cart(caps = 0): Promise<string> {
    const token = randomUUID();
    const winder = (await shop.app.catalogue.findProduct('hoop-winder'))!.variants[0]!.id;
    for (const [variantId, quantity] of [
      [winder, 1],
      [cap.id, caps],
    ] as const)
      if (quantity > 0)
        await changeCartOf(shop.app, token, { kind: 'add', variantId, quantity, choices: {}, answers: {} });
    return token;
  }

  it('are told before anything is paid when they run out: of 20 who race for 12, 12 have one and 8 are told', async () => {
    await set(12);
    const tokens = await Promise.all(Array.from({ length: 20 }, () => cart()));
    const answers = await Promise.all(tokens.map((cartToken) => orderNow(shop.app, { cartToken, seenGifts: 'cap' })));
    const told = answers.flatMap((answer, i) => (answer.ok ? [] : [[answer.problems[0]!.code, i] as const]));

    expect(answers.filter(({ ok }) => ok)).to.have.length(12);
    expect(told.map(([code]) => code)).to.deep.equal(Array(8).fill('gift-lost'));
    expect(await stock()).to.equal(0);
    // Their cart is kept, says that it has run out, and can be ordered without.
    const late = tokens[told[0]![1]]!;
    const view = await viewCart(shop.app, late);
    expect(view.gifts.map(({ gone }) => gone)).to.deep.equal(['The gift “End Cap” has run out.']);
    const placed = await orderNow(shop.app, { cartToken: late, seenGifts: '' });
    const order = (await showOrder(shop.app, placed.ok ? placed.value.token : ''))!;
    expect(order.lines.map(({ name }) => name)).to.deep.equal(['Hoop Winder']);
  });

  it('come out of what the cart itself leaves on the shelf', async () => {
    await set(3);
    const three = await cart(3);
    const two = await cart(2);

    expect((await viewCart(shop.app, three)).gifts.map(({ gone }) => gone !== null)).to.deep.equal([true]);
    expect((await viewCart(shop.app, two)).gifts.map(({ gone }) => gone !== null)).to.deep.equal([false]);
    const placed = await orderNow(shop.app, { cartToken: three, seenGifts: '' });
    expect(placed.ok, JSON.stringify(placed)).to.equal(true);
    expect(await stock()).to.equal(0);
  });
});
