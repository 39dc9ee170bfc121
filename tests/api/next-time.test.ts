import { minor } from '~/core/money';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { eraseShopper } from '~/services/visits/privacy';
import { changeCartOf } from '~/services/cart/change-cart';
import { viewCart } from '~/services/cart/show-cart';
import { circumstancesOf } from '~/services/offers/circumstances';
import { liveLane } from '~/services/lane/live-lane';
import { showBlocks } from '~/services/links/earned';
import { asksBirthday, giveCode, keepBirthday, orderAgain, reorderCode, showCode } from '~/services/orders/next-time';
import { exampleOrder } from '~/services/orders/example-order';
import { ORDER_FORM } from '../support/checkout';
import { sellWith } from '../support/live-offers';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';

describe('after an order, for the next', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop(0);
    await shop.app.db.run('UPDATE stock_levels SET quantity = 40');
  });
  after(() => shop.close());

  async function order(email: string) {
    const cartToken = randomUUID();
    const stake = (await shop.app.catalogue.findProduct('ground-stake'))!;
    const add = { kind: 'add', variantId: stake.variants[0]!.id, quantity: 3, choices: {}, answers: {} } as const;
    await changeCartOf(shop.app, cartToken, add);
    const placed = await orderNow(shop.app, { cartToken, form: { ...ORDER_FORM, email } });
    if (!placed.ok) throw new Error(JSON.stringify(placed.problems));
    return (await shop.app.orders.find(placed.value.token))!;
  }
  const sellAgain = (over: object = {}) =>
    sellWith(shop.app, {
      again: {
        name: 'Again',
        kind: 'percentOff',
        target: 'lines',
        basisPoints: 1000,
        when: { code: 'AGAIN', isOneTime: true, ...over },
      },
      birthday: {
        name: 'Birthday',
        kind: 'amountOff',
        target: 'order',
        amountMinor: 500,
        when: { birthdayDays: 7 },
      },
    });

  it('a page is shaped on an order of nobody’s, before and after something was sold', async () => {
    const before = (await exampleOrder(shop.app, 'de'))!;
    expect([before.lines.length, before.language, before.name]).to.deep.equal([1, 'de', 'Ada Lund']);
    expect(before.totalMinor).to.be.greaterThan(0);

    const sold = await order('secret@example.com');

    const after = (await exampleOrder(shop.app, 'en'))!;
    expect(after.lines.map(({ name }) => name)).to.deep.equal(sold.lines.map(({ name }) => name));
    expect(JSON.stringify(after)).not.to.include('secret@example.com');
    expect(JSON.stringify(after)).not.to.include(ORDER_FORM.name + '"');
  });

  it('a code is made once for an order, works once, and is shown as long as it works', async () => {
    await sellAgain();
    const bought = await order('code@example.com');
    const [first, second] = await Promise.all([
      giveCode(shop.app, bought, 'again'),
      giveCode(shop.app, bought, 'again'),
    ]);
    expect(first).to.match(/^again-[a-z0-9]{9}$/);
    expect(second).to.equal(first);
    expect(await giveCode(shop.app, bought, 'none')).to.equal(null);

    const cartToken = randomUUID();
    expect(await orderAgain(shop.app, bought, cartToken, first)).to.deep.equal([]);
    const cart = await viewCart(shop.app, cartToken);
    expect(cart.lines.map(({ quantity }) => quantity)).to.deep.equal([3]);
    const given = {
      ...bought.lines[0]!,
      steps: [{ code: 'gift', offerId: 'g', name: 'Gift', valueMinor: minor(100), amountMinor: minor(0) }] as const,
    };
    const empty = randomUUID();
    expect(await orderAgain(shop.app, { ...bought, lines: [given] }, empty, null)).to.deep.equal([]);
    expect((await viewCart(shop.app, empty)).lines).to.deep.equal([]);
    const own = { ...bought.lines[0]!, name: 'Own sail', answers: [{ key: 'name', label: 'Name', text: 'Ada' }] };
    const engraved = { ...bought, lines: [own] };
    expect(await orderAgain(shop.app, engraved, randomUUID(), null)).to.deep.equal(['Own sail']);
    expect(cart.discountMinor).to.be.greaterThan(0);

    expect(await showCode(shop.app, bought, 'again')).to.equal(first);
    await shop.app.blocks.noteShown(bought.id, 'thanks', ['coupon', 'reorder'], bought.day);
    await shop.app.blocks.noteShown(bought.id, 'thanks', ['coupon', 'reorder'], '2099-01-01');
    await shop.app.blocks.noteUsed(bought.id, 'thanks', 'reorder', bought.day);
    await shop.app.blocks.noteUsed(bought.id, 'thanks', 'reorder', '2099-01-01');
    const again = await orderNow(shop.app, { cartToken });
    expect(await showCode(shop.app, bought, 'again')).to.equal(null);
    // What the page's blocks earned: shown once an order, and of the code the whole of the order that used it.
    const { totalMinor } = (await shop.app.orders.find(again.ok ? again.value.token : ''))!;
    const { thanks } = await showBlocks(shop.app);
    expect(thanks!.map(({ part, seen, used }) => [part, seen, used])).to.deep.equal([
      ['coupon', 1, 0],
      ['reorder', 1, 1],
    ]);
    const earned = (i: number) =>
      thanks![i]!.days.map((one) => [one.orders, one.revenueMinor]).filter(([orders]) => orders! > 0);
    expect([earned(0), earned(1)]).to.deep.equal([[[1, totalMinor]], []]);

    // Ordering again has an offer of its own, where its owner chose one; a code is given once, and none once it was used.
    const other = await order('own@example.com');
    const ofOwn = await reorderCode(shop.app, other, { own: 'again', coupon: null });
    expect(ofOwn).to.match(/^again-/);
    expect(await reorderCode(shop.app, other, { own: 'again', coupon: null })).to.equal(ofOwn);
    expect(await reorderCode(shop.app, other, { own: '', coupon: 'again' })).to.equal(ofOwn);
    expect(await reorderCode(shop.app, other, { own: '', coupon: null })).to.equal(null);
    expect(await reorderCode(shop.app, bought, { own: 'again', coupon: null })).to.equal(null);

    await sellAgain({ until: '2020-01-01T00:00:00Z' });
    expect(await reorderCode(shop.app, other, { own: 'again', coupon: null })).to.equal(null);
    expect(await giveCode(shop.app, await order('late@example.com'), 'again')).to.equal(null);
  });

  it('a birthday is asked for once, makes its offer work, and goes when its buyer is erased', async () => {
    await sellAgain();
    const bought = await order('Born@example.com');
    const today = new Date().toISOString().slice(5, 10).split('-').map(Number) as [number, number];
    expect(await asksBirthday(shop.app, bought)).to.equal(true);

    for (const wrong of [
      { day: 30, month: 2 },
      { day: 0, month: 1 },
      { day: 1, month: 13 },
      { day: NaN, month: 1 },
      { day: 1.5, month: 1 },
    ]) {
      const kept = await keepBirthday(shop.app, bought, wrong);
      expect(!kept.ok && kept.problems[0]!.code, JSON.stringify(wrong)).to.equal('birthday-invalid');
    }
    expect((await keepBirthday(shop.app, bought, { month: today[0], day: today[1] })).ok).to.equal(true);
    // What was answered first stays, also against who would rather not say.
    expect((await keepBirthday(shop.app, bought, null)).ok).to.equal(true);

    expect(await asksBirthday(shop.app, { email: ' born@EXAMPLE.com' })).to.equal(false);
    const buyer = { country: 'DE', email: 'born@example.com' };
    const known = await circumstancesOf(shop.app, await liveLane(shop.app), buyer);
    expect(known.birthday).to.match(/^\d\d-\d\d$/);
    expect((await circumstancesOf(shop.app, await liveLane(shop.app), { ...buyer, email: '' })).birthday).to.equal(
      null,
    );

    expect((await eraseShopper(shop.app, 'born@example.com', null)).ok).to.equal(true);
    expect(await asksBirthday(shop.app, { email: 'born@example.com' })).to.equal(true);
    const erased = (await shop.app.orders.find(bought.token))!;
    expect(await asksBirthday(shop.app, erased)).to.equal(false);
    expect((await keepBirthday(shop.app, erased, { day: 1, month: 1 })).ok).to.equal(false);
  });
});
