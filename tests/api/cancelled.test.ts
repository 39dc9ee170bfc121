import type { OrderAction } from '~/contract/studio/orders';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { changeCartOf } from '~/services/cart/change-cart';
import { countRecentSales } from '~/services/catalogue/count-recent-sales';
import { fetchDownload } from '~/services/orders/downloads';
import { actOnOrder } from '~/services/orders/fulfilment';
import { giveCode, showCode } from '~/services/orders/next-time';
import { sellWith } from '../support/live-offers';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';

describe('an order that is cancelled', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
    await sellWith(shop.app, {
      thanks: { kind: 'amountOff', target: 'order', amountMinor: 100, when: { code: 'THANKS', isOneTime: true } },
    });
  });
  after(() => shop.close());

  const recentOf = async (slug: string) => {
    const [row] = await shop.app.db.select<{ n: number }>('SELECT recent_count n FROM products WHERE slug = $slug', {
      slug,
    });
    return row!.n;
  };
  const idOf = async (slug: string) => (await shop.app.catalogue.findProduct(slug))!.variants[0]!.id;

  it('is over: its downloads close, its code for next time ends, and nothing counts it as sold', async () => {
    const [plan] = await shop.app.db.select<{ slug: string }>(
      `SELECT slug FROM products WHERE fulfilment = 'download' ORDER BY id LIMIT 1`,
    );
    const cartToken = randomUUID();
    for (const slug of ['hoop-winder', plan!.slug]) {
      const variantId = await idOf(slug);
      await changeCartOf(shop.app, cartToken, { kind: 'add', variantId, quantity: 1, choices: {}, answers: {} });
    }
    const placed = await orderNow(shop.app, { cartToken });
    const order = (await shop.app.orders.find(placed.ok ? placed.value.token : ''))!;
    const code = (await giveCode(shop.app, order, 'thanks'))!;
    const [download] = await shop.app.orders.listDownloads(order.token);
    const buying = randomUUID();
    const winder = await idOf('hoop-winder');
    await changeCartOf(shop.app, buying, { kind: 'add', variantId: winder, quantity: 1, choices: {}, answers: {} });
    const sold = async () => ({
      recent: await recentOf('hoop-winder'),
      returning: await shop.app.orders.hasBought(order.email),
      together: (await shop.app.pairs.listBaskets()).length,
    });
    expect(await sold()).to.deep.equal({ recent: 1, returning: true, together: 2 });

    await actOnOrder(shop.app, order.id, { action: 'cancel', restock: false, reason: '' }, 1);

    const fetched = await fetchDownload(shop.app, download!.token);
    expect(fetched.ok || fetched.problems[0]!.code).to.equal('download-over');
    expect(await showCode(shop.app, order, 'thanks')).to.equal(null);
    const typed = await changeCartOf(shop.app, buying, { kind: 'coupon', code });
    expect(typed.ok).to.equal(false);
    expect(await sold()).to.deep.equal({ recent: 0, returning: false, together: 0 });
    // Counted anew, as it is every day, it says the same.
    await countRecentSales(shop.app);
    expect(await recentOf('hoop-winder')).to.equal(0);
  });

  it('counts what was given back of one that stands as not sold, too', async () => {
    const cartToken = randomUUID();
    const winder = await idOf('hoop-winder');
    await changeCartOf(shop.app, cartToken, { kind: 'add', variantId: winder, quantity: 3, choices: {}, answers: {} });
    const placed = await orderNow(shop.app, { cartToken });
    const { id } = (await shop.app.orders.find(placed.ok ? placed.value.token : ''))!;
    const refund: OrderAction = {
      action: 'refund',
      units: [{ line: 0, quantity: 2 }],
      delivery: false,
      restock: true,
      reason: '',
    };
    await actOnOrder(shop.app, id, refund, 1);

    expect(await recentOf('hoop-winder')).to.equal(1);
    await countRecentSales(shop.app);
    expect(await recentOf('hoop-winder')).to.equal(1);
  });
});
