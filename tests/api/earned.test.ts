import { eventBatchSchema } from '~/contract/shop/visits';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { changeCartOf } from '~/services/cart/change-cart';
import { showEarned } from '~/services/links/earned';
import { ingestEvents } from '~/services/visits/ingest-events';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';

const DAY = 86_400_000;

describe('what came of a buy link', () => {
  let shop: TestShop;
  let now = Date.parse('2026-11-20T10:00:00Z');
  before(async () => {
    shop = await openTestShop(0, () => now);
    await shop.app.db.run('UPDATE stock_levels SET quantity = 40');
  });
  after(() => shop.close());

  async function visit(piece: string | null, orders: boolean, userAgent = 'Mozilla/5.0 Chrome/140.0'): Promise<number> {
    const id = randomUUID();
    const cartToken = randomUUID();
    const stake = (await shop.app.catalogue.findProduct('ground-stake'))!;
    const add = { kind: 'add', variantId: stake.variants[0]!.id, quantity: 1, choices: {}, answers: {} } as const;
    await changeCartOf(shop.app, cartToken, add);
    const event = { id: randomUUID(), at: now, kind: 'add', page: 'other', product: 'ground-stake', piece };
    const batch = eventBatchSchema.parse({ visit: id, device: 'phone', source: 'blog.example', events: [event] });
    await ingestEvents(shop.app, batch, { userAgent, isOwner: false, from: '127.0.0.1' });
    if (!orders) return 0;
    const placed = await orderNow(shop.app, { cartToken, visitId: id });
    if (!placed.ok) throw new Error(JSON.stringify(placed.problems));
    return (await shop.app.orders.find(placed.value.token))!.totalMinor;
  }

  it('is told day by day, and adds up to its orders to the cent', async () => {
    const first = (await visit('buy-link', true)) + (await visit('buy-link', true));
    await visit('buy-link', false);
    await visit(null, true);
    await visit('buy-link', true, 'Googlebot/2.1');
    now += 3 * DAY;
    const second = await visit('buy-link', true);

    const { 'buy-link': days, other } = await showEarned(shop.app, ['buy-link', 'other']);

    expect(other).to.equal(undefined);
    expect(days).to.have.length(28);
    expect(days!.filter(({ visits }) => visits !== 0)).to.deep.equal([
      { day: '2026-11-20', visits: 3, orders: 2, revenueMinor: first },
      { day: '2026-11-23', visits: 1, orders: 1, revenueMinor: second },
    ]);
    expect(days!.at(-1)!.day).to.equal('2026-11-23');
    now += 26 * DAY;
    expect((await showEarned(shop.app, ['buy-link']))['buy-link']!.filter(({ orders }) => orders > 0)).to.have.length(
      1,
    );
  });
});
