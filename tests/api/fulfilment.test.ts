import { manyOrdersSchema, orderListSchema } from '~/contract/studio/orders';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { changeCartOf } from '~/services/cart/change-cart';
import Papa from 'papaparse';
import { wordProblem } from '~/core/problems';
import { localTime } from '~/core/time';
import { actOnMany, actOnOrder, exportOrders, listOrders, showKeptOrder } from '~/services/orders/fulfilment';
import { settleRefunds } from '~/services/orders/refunds';
import { sellWith } from '../support/live-offers';
import { orderNow } from '../support/order-now';
import { importDispatch } from '~/services/orders/import-dispatch';
import { openTestShop, type TestShop } from '../support/shop';

describe('orders of the demo’s past', () => {
  it('can all be opened', async () => {
    const { app, close } = await openTestShop(0.02);
    const ids = (await app.db.select<{ id: number }>('SELECT id FROM orders')).map(({ id }) => id);
    expect(ids.length).to.be.greaterThan(20);
    for (const id of ids) {
      const kept = (await showKeptOrder(app, id))!;
      const { order } = kept;
      expect(order.subtotalMinor - order.discountMinor + order.deliveryMinor, kept.number).to.equal(order.totalMinor);
    }
    await close();
  });
});

describe('orders in the studio', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop(0);
    await shop.app.db.run('UPDATE stock_levels SET quantity = 20');
  });
  after(() => shop.close());

  const stocks = async () =>
    Object.fromEntries(
      (
        await shop.app.db.select<{ id: number; quantity: number }>('SELECT variant_id id, quantity FROM stock_levels')
      ).map((row) => [row.id, row.quantity]),
    );
  /** An order of so many herons and kestrels, paid; answers its number. */
  async function buy(herons: number, kestrels: number): Promise<number> {
    const cartToken = randomUUID();
    for (const [slug, quantity] of [
      ['heron', herons],
      ['kestrel', kestrels],
    ] as const) {
      const product = (await shop.app.catalogue.findProduct(slug))!;
      if (quantity > 0)
        await changeCartOf(shop.app, cartToken, {
          kind: 'add',
          variantId: product.variants[0]!.id,
          quantity,
          choices: {},
          answers: {},
        });
    }
    const ordered = await orderNow(shop.app, { cartToken });
    if (!ordered.ok) throw new Error(JSON.stringify(ordered.problems));
    return (await shop.app.orders.find(ordered.value.token))!.id;
  }
  const act = async (id: number, action: Parameters<typeof actOnOrder>[2]) => actOnOrder(shop.app, id, action, 1);
  const list = (over: object = {}) => listOrders(shop.app, orderListSchema.parse(over));

  it('are opened to all that is known of them', async () => {
    const id = await buy(2, 1);
    const kept = (await showKeptOrder(shop.app, id))!;

    expect(kept.number).to.equal(String(1000 + id));
    expect(kept.order.lines.map(({ name, quantity }) => [name, quantity])).to.deep.equal([
      ['Heron', 2],
      ['Kestrel', 1],
    ]);
    expect(kept.left.totalMinor).to.equal(kept.order.totalMinor);
    expect(kept.mails.map(({ id: key }) => key)).to.deep.equal([`order-${kept.order.token}`]);
    expect(kept).not.to.have.nested.property('order.requestHash');
    expect(await showKeptOrder(shop.app, 999_999)).to.equal(null);
  });

  it('are packed and sent, the buyer is told once, and both can be taken back', async () => {
    const id = await buy(1, 0);
    expect((await list({ filter: 'open' })).orders.map((order) => order.id)).to.include(id);
    await act(id, { action: 'pack' });
    const sent = await act(id, { action: 'send', tracking: 'LW 12' });
    await act(id, { action: 'send', tracking: 'LW 13' });

    const kept = (await showKeptOrder(shop.app, id))!;
    expect(sent.ok && sent.value.keeping.packedAt).to.be.a('number');
    expect(kept.keeping.tracking).to.equal('LW 13');
    const mails = kept.mails.filter((mail) => mail.id.startsWith('sent-'));
    expect(mails).to.have.length(1);
    expect(mails[0]!.text).to.include('LW 12').and.to.include(`/shop/thanks/${kept.order.token}`);
    expect((await list({ filter: 'open' })).orders.map((order) => order.id)).not.to.include(id);

    await act(id, { action: 'reopen' });
    expect((await showKeptOrder(shop.app, id))!.keeping).to.include({ packedAt: null, sentAt: null, tracking: '' });
  });

  it('are given back in part and in whole, to the cent, and stock returns exactly', async () => {
    const before = await stocks();
    const id = await buy(3, 2);
    const { order } = (await showKeptOrder(shop.app, id))!;

    const part = await act(id, {
      action: 'refund',
      units: [{ line: 0, quantity: 1 }],
      delivery: false,
      restock: true,
      reason: 'Torn',
    });
    expect(part.ok && part.value.refunds[0]).to.deep.include({ reason: 'Torn', state: 'done', restocked: true });
    const tooMany = await act(id, {
      action: 'refund',
      units: [{ line: 0, quantity: 3 }],
      delivery: false,
      restock: true,
      reason: '',
    });
    expect(tooMany).to.deep.include({ ok: false });

    const whole = await act(id, { action: 'cancel', restock: true, reason: '' });

    const kept = (await showKeptOrder(shop.app, id))!;
    expect(whole.ok).to.equal(true);
    expect(kept.refunds.reduce((sum, refund) => sum + refund.amountMinor, 0)).to.equal(order.totalMinor);
    expect(kept.left.totalMinor).to.equal(0);
    expect(kept.keeping.cancelledAt).to.be.a('number');
    expect(await stocks()).to.deep.equal(before);
    expect(kept.mails.filter((mail) => mail.id.startsWith('refund-'))).to.have.length(2);
    expect(await act(id, { action: 'cancel', restock: true, reason: '' })).to.deep.include({ ok: false });
    expect(await act(id, { action: 'pack' })).to.deep.include({ ok: false });
  });

  it('are given back as goodwill, and then as far as anything is left', async () => {
    const id = await buy(2, 1);
    const { order } = (await showKeptOrder(shop.app, id))!;
    const goodwill = (sumMinor: number) =>
      act(id, { action: 'refund', units: [], delivery: false, restock: false, reason: 'Late', sumMinor });

    const given = await goodwill(500);
    expect(given.ok && given.value.refunds[0]).to.deep.include({ sumMinor: 500, amountMinor: 500, units: [] });
    expect(given.ok && given.value.left.totalMinor).to.equal(order.totalMinor - 500);
    const tooMuch = await goodwill(order.totalMinor - 499);
    expect(tooMuch.ok ? '' : wordProblem(tooMuch.problems[0]!)).to.match(/^Only €[\d.]+ more can be refunded\./);
    expect((await list({ filter: 'refunded' })).orders.find((row) => row.id === id)!.refundedMinor).to.equal(500);

    await act(id, { action: 'cancel', restock: true, reason: '' });
    const kept = (await showKeptOrder(shop.app, id))!;
    expect(kept.refunds.map(({ amountMinor }) => amountMinor)).to.deep.equal([500, order.totalMinor - 500]);
    expect(await goodwill(1)).to.deep.include({ ok: false });
  });

  it('come back as they were noted: waited for, on the shelf once, and found by it', async () => {
    const id = await buy(3, 1);
    const { variantId } = (await showKeptOrder(shop.app, id))!.order.lines[0]!;
    const stockOf = async () => (await stocks())[variantId!]!;
    const before = await stockOf();
    const note = (quantity: number) => act(id, { action: 'return', units: [{ line: 0, quantity }], note: 'Too small' });

    const noted = await note(2);
    expect(noted.ok && noted.value.returns).to.have.length(1);
    expect(noted.ok && noted.value.left.totalMinor).to.equal((await showKeptOrder(shop.app, id))!.order.totalMinor);
    expect(await stockOf()).to.equal(before);
    expect((await list({ filter: 'returning' })).orders.map((row) => row.id)).to.include(id);
    const tooMany = await note(2);
    expect(tooMany.ok ? '' : wordProblem(tooMany.problems[0]!)).to.include('Only 1 of this line can still come back');
    expect(await act(id, { action: 'return', units: [], note: '' })).to.deep.include({ ok: false });

    const { id: returnId } = (await showKeptOrder(shop.app, id))!.returns[0]!;
    const came = await act(id, { action: 'return-came', returnId, restock: true });
    expect(came.ok && came.value.returns[0]).to.deep.include({ restocked: true, note: 'Too small' });
    expect(await stockOf()).to.equal(before + 2);
    expect(await act(id, { action: 'return-came', returnId, restock: true })).to.deep.include({ ok: false });
    expect(await act(id, { action: 'return-dropped', returnId })).to.deep.include({ ok: false });
    expect(await stockOf()).to.equal(before + 2);
    expect((await list({ filter: 'returning' })).orders.map((row) => row.id)).not.to.include(id);

    // One that does not come after all can be noted again.
    await note(1);
    const open = (await showKeptOrder(shop.app, id))!.returns.at(-1)!;
    expect((await act(id, { action: 'return-dropped', returnId: open.id })).ok).to.equal(true);
    expect((await note(1)).ok).to.equal(true);
    // What is noted of another order is none of this one's.
    const other = await buy(1, 0);
    expect(await act(other, { action: 'return-came', returnId: open.id + 1, restock: true })).to.deep.include({
      ok: false,
    });
  });

  it('give nothing back twice, however many ask at once', async () => {
    const id = await buy(2, 0);
    const before = await stocks();
    const ask = () =>
      act(id, { action: 'refund', units: [{ line: 0, quantity: 2 }], delivery: true, restock: true, reason: '' });

    const answers = await Promise.all([ask(), ask(), ask(), ask()]);

    expect(answers.filter(({ ok }) => ok)).to.have.length(1);
    const kept = (await showKeptOrder(shop.app, id))!;
    expect(kept.refunds.map(({ amountMinor }) => amountMinor)).to.deep.equal([kept.order.totalMinor]);
    const variantId = kept.order.lines[0]!.variantId!;
    expect((await stocks())[variantId]).to.equal(before[variantId]! + 2);
  });

  it('keep what the provider refuses, and ask again for an answer that was lost', async () => {
    const id = await buy(1, 0);
    const { payment } = shop.app;
    const { refund } = payment;
    const wish: Parameters<typeof act>[1] = {
      action: 'refund',
      units: [{ line: 0, quantity: 1 }],
      delivery: false,
      restock: false,
      reason: '',
    };
    Object.assign(payment, { refund: async () => ({ status: 'refused' }) });
    const refused = await act(id, wish);
    expect(refused).to.deep.include({ ok: false });
    expect((await showKeptOrder(shop.app, id))!.refunds).to.deep.equal([]);

    Object.assign(payment, { refund: async () => Promise.reject(new Error('No answer')) });
    const lost = await act(id, wish).catch((error: unknown) => (error as Error).message);
    expect(lost).to.equal('No answer');
    const waiting = (await showKeptOrder(shop.app, id))!;
    expect(waiting.refunds[0]!.state).to.equal('asked');
    expect(waiting.left.lines[0]!.quantity).to.equal(0);

    Object.assign(payment, { refund });
    await shop.app.db.run('UPDATE refunds SET at = at - 100000');
    expect(await settleRefunds(shop.app)).to.equal(1);
    expect((await showKeptOrder(shop.app, id))!.refunds[0]!.state).to.equal('done');
  });

  it('are found by number, name and mail address, and come as a spreadsheet in which nothing is calculated', async () => {
    const id = await buy(1, 0);
    await shop.app.db.run(`UPDATE orders SET name = '=1+1 "Lund"' WHERE id = $id`, { id });
    expect((await list({ q: String(1000 + id) })).orders.map((order) => order.id)).to.deep.equal([id]);
    expect((await list({ q: 'Lund' })).total).to.equal(1);
    expect((await list({ q: '%' })).total).to.equal(0);
    expect((await list({ q: 'ada@example' })).total).to.be.greaterThan(2);
    expect((await list({ filter: 'refunded' })).total).to.equal(4);

    const csv = await exportOrders(shop.app, orderListSchema.parse({ q: 'Lund' }));
    const [head, row] = csv.trim().split('\n');
    expect(head).to.match(/^Order,Placed,Name,E-mail/);
    expect(row)
      .to.include(`${1000 + id},`)
      .and.to.include(`"'=1+1 ""Lund"""`);
  });

  it('are found by number, product and day, and many are marked at once', async () => {
    const [first, second] = [await buy(1, 0), await buy(0, 1)];
    const found = async (over: object) => (await list(over)).orders.map(({ id }) => id);
    expect(await found({ q: `#${1000 + first}` })).to.deep.equal([first]);
    expect(await found({ q: 'kestr' }))
      .to.include(second)
      .and.not.to.include(first);
    const { day } = (await showKeptOrder(shop.app, first))!.order;
    expect(await found({ from: day, to: day })).to.include.members([first, second]);
    expect(await found({ from: '2099-01-01' })).to.deep.equal([]);
    expect(await found({ to: '2001-01-01' })).to.deep.equal([]);
    // What is no day narrows nothing.
    expect(await found({ from: 'soon' })).to.include(first);

    await act(first, { action: 'send', tracking: 'LW 7' });
    const gone = await buy(1, 0);
    await act(gone, { action: 'cancel', restock: true, reason: '' });
    const many = manyOrdersSchema.parse({ ids: [first, second, gone], action: 'send' });
    expect(await actOnMany(shop.app, many, 1)).to.deep.equal({
      done: 2,
      refused: [{ number: String(1000 + gone), message: 'This order was cancelled.' }],
    });
    expect((await showKeptOrder(shop.app, first))!.keeping.tracking).to.equal('LW 7');
    expect((await showKeptOrder(shop.app, second))!.keeping.sentAt).to.be.a('number');
  });

  it('are downloaded with what each offer took off, delivery, tax, and the shop’s own time', async () => {
    await sellWith(shop.app, {
      ten: { kind: 'percentOff', name: 'Ten, off', target: 'lines', basisPoints: 1000 },
    });
    const id = await buy(1, 0);
    const { order } = (await showKeptOrder(shop.app, id))!;
    const text = await exportOrders(shop.app, orderListSchema.parse({ q: String(1000 + id) }));
    const [row] = Papa.parse<Record<string, string>>(text.trim(), { header: true }).data;
    const units = (minor: number) => (minor / 100).toFixed(2);
    expect(row).to.include({
      Discounts: `Ten, off ${units(order.discountMinor)}`,
      Discount: units(order.discountMinor),
      Currency: 'EUR',
      Subtotal: units(order.subtotalMinor),
      Delivery: units(order.deliveryMinor),
      Tax: units(order.taxMinor),
      Total: units(order.totalMinor),
      Placed: localTime(order.placedAt, 'Europe/Berlin').replace('T', ' '),
    });
  });

  it('are marked as sent from a parcel service’s list, row by row', async () => {
    const [first, second, third] = [await buy(1, 0), await buy(1, 0), await buy(1, 0)];
    await act(third, { action: 'cancel', restock: true, reason: '' });
    const file = (text: string) => importDispatch(shop.app, Buffer.from(text), 1);
    const list = `Order;Tracking number\n${1000 + first};LW 1\n${1000 + second};\n${1000 + third};LW 3\nabc;LW 4\n999999;LW 5\n`;

    const done = await file(list);
    expect(done.ok && done.value).to.deep.equal({
      sent: 2,
      already: 0,
      problems: [
        { row: 4, message: `Order ${1000 + third}: This order was cancelled.` },
        { row: 5, message: 'There is no order abc.' },
        { row: 6, message: 'There is no order 999999.' },
      ],
    });
    const kept = (await showKeptOrder(shop.app, first))!;
    expect(kept.keeping).to.include({ tracking: 'LW 1' });
    expect(kept.mails.filter((mail) => mail.id.startsWith('sent-'))).to.have.length(1);
    const again = await file(list);
    expect(again.ok && [again.value.sent, again.value.already]).to.deep.equal([0, 2]);
    expect((await file('Name\nHeron\n')).ok || 'refused').to.equal('refused');
    expect((await file('Order\n')).ok || 'refused').to.equal('refused');
  });
});

describe('an order while something is added to its cart', () => {
  it('leaves what was added, and nothing of what was typed', async () => {
    const shop = await openTestShop(0);
    const { app } = shop;
    const cartToken = randomUUID();
    const [heron, kestrel] = await Promise.all(['heron', 'kestrel'].map((slug) => app.catalogue.findProduct(slug)));
    const add = (variantId: number) =>
      changeCartOf(app, cartToken, { kind: 'add', variantId, quantity: 1, choices: {}, answers: {} });
    await add(heron!.variants[0]!.id);
    await app.carts.writeCheckout(cartToken, { email: 'ada@example.com' }, 1);
    const { charge } = app.payment;
    Object.assign(app.payment, {
      charge: async (asked: Parameters<typeof charge>[0]) => {
        await add(kestrel!.variants[0]!.id);
        return charge(asked);
      },
    });

    const ordered = await orderNow(app, { cartToken });

    expect(ordered.ok).to.equal(true);
    const left = await app.carts.read(cartToken);
    expect(left.lines.map(({ variantId }) => variantId)).to.deep.equal([kestrel!.variants[0]!.id]);
    expect(await app.carts.readCheckout(cartToken)).to.equal(null);
    await shop.close();
  });
});
