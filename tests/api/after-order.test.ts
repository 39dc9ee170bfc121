import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { readSteps } from '~/core/pricing';
import { changeCartOf } from '~/services/cart/change-cart';
import { addAfter, releaseAdditions, showAfterOffer } from '~/services/orders/add-after';
import { actOnOrder, showKeptOrder } from '~/services/orders/fulfilment';
import type { AfterOffer } from '~/services/orders/thanks-page';
import { ORDER_FORM } from '../support/checkout';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';

const MINUTE = 60_000;

describe('a product added after the order', () => {
  let shop: TestShop;
  let now = Date.parse('2026-11-27T10:00:00Z');
  let sku: string;
  let stakeId: number;
  before(async () => {
    shop = await openTestShop(0, () => now);
    await shop.app.db.run('UPDATE stock_levels SET quantity = 40');
    const stake = (await shop.app.catalogue.findProduct('ground-stake'))!;
    ({ sku, id: stakeId } = stake.variants[0]!);
  });
  after(() => shop.close());

  const goods = (over: Partial<AfterOffer['goods']>) => ({ sku: '', quantity: 1, answers: {}, ...over });
  const offer = (over: Partial<AfterOffer> = {}): AfterOffer => ({
    piece: 'thanks-page',
    goods: goods({ sku }),
    percent: 20,
    minutes: 30,
    name: 'After your order',
    ...over,
  });
  async function order(cardEnd = '0001') {
    const cartToken = randomUUID();
    const heron = (await shop.app.catalogue.findProduct('heron'))!;
    await changeCartOf(shop.app, cartToken, {
      kind: 'add',
      variantId: heron.variants[0]!.id,
      quantity: 1,
      choices: {},
      answers: {},
    });
    const placed = await orderNow(shop.app, {
      cartToken,
      form: { ...ORDER_FORM, cardNumber: `500000000000${cardEnd}` },
    });
    if (!placed.ok) throw new Error(JSON.stringify(placed.problems));
    return (await shop.app.orders.find(placed.value.token))!;
  }
  const find = async (token: string) => (await shop.app.orders.find(token))!;
  const totalOf = async (of: Awaited<ReturnType<typeof order>>) =>
    (await showAfterOffer(shop.app, of, offer()))?.price.totalMinor ?? -1;
  const stock = async () => (await shop.app.catalogue.variantFacts([stakeId])).get(stakeId)!.stock!;
  const codeOf = (answer: Awaited<ReturnType<typeof addAfter>>) => (answer.ok ? 'ok' : answer.problems[0]!.code);

  it('is charged once, and stands in the order, its receipt, its mail and the shop’s stock', async () => {
    const before = await order();
    const [price, shelf] = [await totalOf(before), await stock()];

    const added = await addAfter(shop.app, before.token, offer(), price);
    const again = await addAfter(shop.app, before.token, offer(), price);

    expect([codeOf(added), codeOf(again)]).to.deep.equal(['ok', 'ok']);
    const after = await find(before.token);
    expect(after.totalMinor).to.equal(before.totalMinor + price);
    expect(after.lines.map(({ sku: of, totalMinor }) => [of, totalMinor])).to.deep.equal([
      [before.lines[0]!.sku, before.lines[0]!.totalMinor],
      [sku, price],
    ]);
    // What it says adds up: lines before offers, less what was taken off, and delivery.
    expect(after.subtotalMinor - after.discountMinor + after.deliveryMinor).to.equal(after.totalMinor);
    expect(after.taxMinor).to.be.greaterThan(before.taxMinor);
    expect(await stock()).to.equal(shelf - 1);
    const kept = (await showKeptOrder(shop.app, before.id))!;
    expect(kept.mails.map(({ id }) => id)).to.include(`added-${before.token}`);
    expect(kept.left.totalMinor).to.equal(after.totalMinor);
    expect(await showAfterOffer(shop.app, after, offer())).to.equal(null);
    expect(await shop.app.blocks.count('2026-11-27', 'EUR')).to.deep.include({
      piece: 'thanks-page',
      part: 'offer',
      day: '2026-11-27',
      seen: 0,
      used: 0,
      orders: 1,
      revenueMinor: price,
    });
    expect(readSteps({ version: 2, steps: after.lines[1]!.steps })).to.have.length(2);
  });

  it('goes back from the charge it was paid with, and never more than was charged', async () => {
    const before = await order();
    const price = await totalOf(before);
    await addAfter(shop.app, before.token, offer(), price);
    const { payment } = shop.app;
    const { refund } = payment;
    const asked: [string, number][] = [];
    Object.assign(payment, {
      refund: async (wanted: Parameters<typeof refund>[0]) => {
        asked.push([wanted.key, wanted.amountMinor]);
        return refund(wanted);
      },
    });
    const giveBack = (line: number, delivery: boolean) =>
      actOnOrder(
        shop.app,
        before.id,
        { action: 'refund', units: [{ line, quantity: 1 }], delivery, restock: false, reason: '' },
        1,
      );

    expect([(await giveBack(1, false)).ok, (await giveBack(0, true)).ok]).to.deep.equal([true, true]);

    Object.assign(payment, { refund });
    const more = `${before.token}-more-1`;
    expect(asked).to.deep.equal([
      [before.token, price],
      [before.token, before.totalMinor - price],
      [more, price],
    ]);
    const { refunds, left } = (await showKeptOrder(shop.app, before.id))!;
    expect(refunds.map(({ state }) => state)).to.deep.equal(['done', 'done']);
    expect(left.totalMinor).to.equal(0);
  });

  it('is charged once, however many press at once', async () => {
    const before = await order();
    const [price, shelf] = [await totalOf(before), await stock()];

    const pressed = await Promise.all(
      Array.from({ length: 12 }, () => addAfter(shop.app, before.token, offer(), price)),
    );

    expect(pressed.filter(({ ok }) => ok)).to.have.length(1);
    expect(new Set(pressed.map(codeOf))).to.deep.equal(new Set(['ok', 'payment-in-progress']));
    expect((await find(before.token)).lines).to.have.length(2);
    expect(await stock()).to.equal(shelf - 1);
  });

  it('leaves the order as it was where the card is declined, and can be tried again', async () => {
    const before = await order('0004');
    const [price, shelf] = [await totalOf(before), await stock()];

    expect(codeOf(await addAfter(shop.app, before.token, offer(), price))).to.equal('after-declined');

    expect(await find(before.token)).to.deep.equal(before);
    expect(await stock()).to.equal(shelf);
    expect(await totalOf(before)).to.equal(price);
    expect(codeOf(await addAfter(shop.app, before.token, offer(), price))).to.equal('after-declined');
    expect((await shop.app.afterOrders.readAddition(before.id))?.attempt).to.equal(2);
  });

  it('ends with its minutes, by the shop’s clock and no other', async () => {
    const before = await order();
    const price = await totalOf(before);
    now += 30 * MINUTE - 1;
    expect(await totalOf(before)).to.equal(price);
    now += 1;

    expect(await totalOf(before)).to.equal(-1);
    expect(codeOf(await addAfter(shop.app, before.token, offer(), price))).to.equal('after-over');
    expect(await find(before.token)).to.deep.equal(before);
  });

  it('and packing have one winner', async () => {
    for (let round = 0; round < 8; round += 1) {
      const before = await order();
      const price = await totalOf(before);
      const [added, packed] = await Promise.all([
        addAfter(shop.app, before.token, offer(), price),
        actOnOrder(shop.app, before.id, { action: 'pack' }, 1),
      ]);

      const lines = (await find(before.token)).lines.length;
      if (codeOf(added) === 'ok') {
        // Packed afterwards, with what was added, or told to wait.
        expect(lines).to.equal(2);
        if (!packed.ok) expect(packed.problems[0]!.code).to.equal('order-adding');
      } else {
        expect([codeOf(added), packed.ok, lines]).to.deep.equal(['after-packed', true, 1]);
      }
    }
    const packedFirst = await order();
    const price = await totalOf(packedFirst);
    await actOnOrder(shop.app, packedFirst.id, { action: 'pack' }, 1);
    expect(await totalOf(packedFirst)).to.equal(-1);
    expect(codeOf(await addAfter(shop.app, packedFirst.token, offer(), price))).to.equal('after-packed');
  });

  it('keeps packing, refunding and cancelling waiting while it is being paid, and is given back after a crash', async () => {
    const before = await order();
    const shelf = await stock();
    await shop.app.catalogue.takeStock(stakeId, 1);
    await shop.app.afterOrders.reserve({
      orderId: before.id,
      piece: 'thanks-page',
      variantId: stakeId,
      quantity: 1,
      amountMinor: 100,
      at: now,
    });

    const actions: Parameters<typeof actOnOrder>[2][] = [
      { action: 'pack' },
      { action: 'cancel', restock: true, reason: '' },
      { action: 'refund', units: [{ line: 0, quantity: 1 }], delivery: false, restock: false, reason: '' },
    ];
    for (const action of actions) {
      const done = await actOnOrder(shop.app, before.id, action, 1);
      expect(!done.ok && done.problems[0]!.code, action.action).to.equal('order-adding');
    }
    expect(await releaseAdditions(shop.app)).to.equal(0);
    now += 11 * MINUTE;
    expect(await releaseAdditions(shop.app)).to.equal(1);
    expect(await stock()).to.equal(shelf);
    expect((await actOnOrder(shop.app, before.id, { action: 'pack' }, 1)).ok).to.equal(true);
  });

  it('costs and says what its options are answered with, and is not offered while they ask for more', async () => {
    const before = await order();
    const sewn = (await shop.app.catalogue.findProduct('sail-your-own'))!.variants[0]!;
    const asked = (answers: AfterOffer['goods']['answers']) => offer({ goods: goods({ sku: sewn.sku, answers }) });
    const answers = { printing: 'one-colour', tail: 'no' };
    const shown = (await showAfterOffer(shop.app, before, asked(answers)))!;
    const added = await addAfter(shop.app, before.token, asked(answers), shown.price.totalMinor);
    const after = await find(before.token);

    // 96.00 and 12.00 for printing, less a fifth.
    expect([shown.price.fullMinor, shown.price.totalMinor]).to.deep.equal([10_800, 8640]);
    expect(codeOf(added)).to.equal('ok');
    expect(after.totalMinor).to.equal(before.totalMinor + 8640);
    expect(after.lines[1]!.answers.map(({ label, text }) => `${label}: ${text}`)).to.deep.equal([
      'Printing: One colour',
      'Tail: No tail',
    ]);
    const steps = readSteps({ version: 2, steps: after.lines[1]!.steps });
    expect(steps!.reduce((sum, { amountMinor }) => sum + amountMinor, 0)).to.equal(8640);
    const other = await order();
    const rest: AfterOffer['goods']['answers'][] = [{}, { printing: 'one-colour' }, { ...answers, winder: 'yes' }];
    for (const few of rest) expect(await showAfterOffer(shop.app, other, asked(few))).to.equal(null);
  });

  it('is not offered where it is in the order, sold out, or costs otherwise than was seen', async () => {
    const before = await order();
    const price = await totalOf(before);
    const heron = before.lines[0]!.sku;

    expect(await showAfterOffer(shop.app, before, offer({ goods: goods({ sku: heron }) }))).to.equal(null);
    expect(await showAfterOffer(shop.app, before, offer({ goods: goods({ sku: 'gone' }) }))).to.equal(null);
    expect(await showAfterOffer(shop.app, before, offer({ goods: goods({}) }))).to.equal(null);
    expect(await showAfterOffer(shop.app, before, offer({ goods: goods({ sku, quantity: 900 }) }))).to.equal(null);
    expect(codeOf(await addAfter(shop.app, before.token, offer(), price - 1))).to.equal('after-price');
    expect(codeOf(await addAfter(shop.app, randomUUID(), offer(), price))).to.equal('not-found');
  });
});
