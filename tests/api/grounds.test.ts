import type { CartRequest } from '~/contract/shop/cart';
import { orderListSchema } from '~/contract/studio/orders';
import { eventBatchSchema } from '~/contract/shop/visits';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import type { Lane } from '~/core/lane';
import { changeCartOf } from '~/services/cart/change-cart';
import { viewCart } from '~/services/cart/show-cart';
import { findProduct, listingParamsSchema, listProducts } from '~/services/catalogue/browse-shop';
import { contract } from '~/contract';
import { changeCurrency, planCurrency } from '~/services/grounds/change-currency';
import { changeZone, planZone } from '~/services/grounds/change-zone';
import { alignDraft } from '~/services/grounds/align-draft';
import { patchDraft, restoreIntoDraft, showDraft } from '~/services/draft/edit-draft';
import { liveLane } from '~/services/lane/live-lane';
import { showLaneMap } from '~/services/draft/show-lane-map';
import { actOnOrder, exportOrders } from '~/services/orders/fulfilment';
import { showOrder } from '~/services/orders/place-order';
import { ingestEvents } from '~/services/visits/ingest-events';
import { sellWith } from '../support/live-offers';
import { orderNow } from '../support/order-now';
import { openTestShop, type TestShop } from '../support/shop';

const RATE = 161.5;
const yen = (cents: number) => Math.round((cents * RATE) / 100);

describe('what a shop stands on', () => {
  let shop: TestShop;
  let accountId: number;
  let now = Date.parse('2026-11-30T10:00:00Z');
  beforeEach(async () => {
    now = Date.parse('2026-11-30T10:00:00Z');
    shop = await openTestShop(0, () => now);
    accountId = (await shop.app.accounts.findByEmail('owner@hollowtarn.example'))!.id;
  });
  afterEach(() => shop.close());

  const change = (token: string, request: object) =>
    changeCartOf(shop.app, token, { choices: {}, answers: {}, quantity: 1, ...request } as CartRequest);
  const variantOf = async (slug: string) => (await shop.app.catalogue.findProduct(slug))!.variants[0]!;
  async function buy(slug: string, over: { visitId?: string } = {}): Promise<string> {
    const cartToken = randomUUID();
    await change(cartToken, { kind: 'add', variantId: (await variantOf(slug)).id });
    const placed = await orderNow(shop.app, { cartToken, ...over });
    if (!placed.ok) throw new Error(JSON.stringify(placed.problems));
    return placed.value.token;
  }
  async function visit(): Promise<string> {
    const id = randomUUID();
    const event = { id: randomUUID(), at: now, kind: 'add', page: 'other', product: 'merlin', piece: null };
    const batch = eventBatchSchema.parse({ visit: id, device: 'phone', source: 'direct', events: [event] });
    await ingestEvents(shop.app, batch, { userAgent: 'Mozilla/5.0 Chrome/140.0', isOwner: false, from: '127.0.0.1' });
    return id;
  }
  const editOf = async (slug: string) =>
    (await shop.app.db.select<{ edit: number }>('SELECT edit FROM products WHERE slug = $slug', { slug }))[0]!.edit;
  const toYen = async (rate = RATE) =>
    changeCurrency(shop.app, { to: 'JPY', rate, edit: (await showDraft(shop.app)).edit }, accountId);

  it('changes its currency with every sum it asks for, as it was told before', async () => {
    const offers = {
      'free-delivery': { kind: 'deliveryOff', basisPoints: 10_000, when: { minGoodsMinor: 6000 } },
      less: { kind: 'priceIs', name: 'Less', selection: { only: { products: ['merlin'] } }, unitMinor: 9900 },
    };
    const delivery = {
      home: 'DE',
      by: 'value' as const,
      zones: {
        'zone-1': {
          name: 'Home',
          position: 0,
          countries: ['DE'],
          days: '2',
          express: { days: '1', extraMinor: 800 },
          steps: [
            { upTo: 1, amountMinor: 100 },
            { upTo: 2, amountMinor: 490 },
            { upTo: null, amountMinor: 990 },
          ],
        },
      },
    };
    await sellWith(shop.app, offers, { delivery });
    const before = await variantOf('kestrel');
    const plan = await planCurrency(shop.app, { to: 'JPY', rate: RATE });
    const changed = await toYen();

    expect(plan.ok && plan.value.examples.every((one) => one.toMinor === yen(one.fromMinor))).to.equal(true);
    expect(changed.ok).to.equal(true);
    const { lane, currency } = await liveLane(shop.app);
    expect(currency).to.deep.equal({ code: 'JPY', exponent: 0 });
    expect(lane.offers['free-delivery']!.when.minGoodsMinor).to.equal(yen(6000));
    expect(lane.offers['less']).to.deep.include({ unitMinor: yen(9900) });
    expect(lane.shop.delivery.zones['zone-1']).to.deep.include({
      express: { days: '1', extraMinor: yen(800) },
      // Steps go up still.
      steps: [
        { upTo: 2, amountMinor: yen(100) },
        { upTo: 3, amountMinor: yen(490) },
        { upTo: null, amountMinor: yen(990) },
      ],
    });
    expect((await showDraft(shop.app)).lane.shop.currency).to.equal('JPY');
    expect((await showDraft(shop.app)).changes).to.deep.equal([]);
    expect((await variantOf('kestrel')).priceMinor).to.equal(yen(before.priceMinor));
    const sewn = (await shop.app.catalogue.findProduct('sail-your-own'))!;
    expect(JSON.stringify(sewn.options)).to.match(/"amountMinor":[1-9]/);
    const listed = await listProducts(
      shop.app,
      listingParamsSchema.parse({ q: 'merlin', from: 15_000, to: 16_500 }),
      0,
    );
    expect(listed.cards.map(({ slug, fromMinor }) => [slug, fromMinor])).to.deep.include(['merlin', yen(9900)]);
  });

  it('keeps what was paid as it was paid, and never adds two currencies up', async () => {
    const first = await buy('merlin', { visitId: await visit() });
    const paid = (await showOrder(shop.app, first))!;
    await toYen();
    const second = await buy('hoop-winder', { visitId: await visit() });
    const inYen = (await showOrder(shop.app, second))!;

    const kept = (await showOrder(shop.app, first))!;
    expect([kept.currency, kept.totalMinor]).to.deep.equal(['EUR', paid.totalMinor]);
    expect([inYen.currency, inYen.subtotalMinor]).to.deep.equal(['JPY', yen(790)]);
    const { funnel } = await showLaneMap(shop.app, { days: 28 });
    expect(funnel).to.include({ orders: 2, revenueMinor: inYen.totalMinor, foreignOrders: 1 });
    const csv = await exportOrders(shop.app, orderListSchema.parse({}));
    expect(csv).to.match(new RegExp(`,${(paid.totalMinor / 100).toFixed(2)},0.00,EUR,`));
    expect(csv).to.match(new RegExp(`,${inYen.totalMinor},0,JPY,`));
    // Given back in the currency it was paid in.
    const cancelled = await actOnOrder(shop.app, kept.id, { action: 'cancel', restock: true, reason: '' }, accountId);
    expect(cancelled.ok).to.equal(true);
    expect((await showLaneMap(shop.app, { days: 28 })).funnel.revenueMinor).to.equal(inYen.totalMinor);
  });

  it('begins the lowest price of 30 days anew, and looks at what was before in the currency of today', async () => {
    await sellWith(shop.app, {});
    const { live } = await showDraft(shop.app);
    await toYen(1);
    now += 86_400_000;
    await sellWith(shop.app, {
      less: { kind: 'percentOff', name: 'Less', target: 'lines', basisPoints: 1000 },
    });
    const merlin = (await findProduct(shop.app, 'merlin'))!.variants[0]!;
    const list = Math.round(16_900 / 100);

    expect([merlin.priceMinor, merlin.wasMinor, merlin.lowMinor]).to.deep.equal([list - 17, list, list]);
    const restored = await restoreIntoDraft(shop.app, (await showDraft(shop.app)).edit, live.revision, accountId);
    expect(restored.ok).to.equal(true);
    expect((await showDraft(shop.app)).lane.shop.currency).to.equal('JPY');
  });

  it('lets nothing that was opened in the old currency pass: neither a checkout nor a product', async () => {
    const cartToken = randomUUID();
    await change(cartToken, { kind: 'add', variantId: (await variantOf('merlin')).id });
    const seen = await viewCart(shop.app, cartToken);
    const edit = await editOf('merlin');
    // 169.00 becomes ¥169: were only numbers compared, one of 1690.00 would pass for ¥169,000.
    await toYen(100);

    const order = await orderNow(shop.app, { cartToken, cartVersion: seen.version, seenTotalMinor: seen.totalMinor });
    expect(order.ok || order.problems[0]?.code).to.equal('cart-changed');
    expect((await viewCart(shop.app, cartToken)).totalMinor).to.be.greaterThan(0);
    expect(await editOf('merlin')).to.be.greaterThan(edit);
  });

  it('refuses a rate that would lose a price, or make one too large, and changes nothing', async () => {
    const codeOf = async (rate: number) => {
      const plan = await planCurrency(shop.app, { to: 'JPY', rate });
      return plan.ok ? 'ok' : plan.problems[0]!.code;
    };

    expect([await codeOf(0.01), await codeOf(1_000_000), await codeOf(RATE)]).to.deep.equal([
      'currency-lost',
      'ok',
      'ok',
    ]);
    expect((await toYen(0.01)).ok).to.equal(false);
    expect((await liveLane(shop.app)).currency.code).to.equal('EUR');
    expect(contract['GET /api/studio/grounds/currency'].query.safeParse({ to: 'XQZ' }).success).to.equal(false);
    expect((await planCurrency(shop.app, { to: 'EUR', rate: 2 })).ok).to.equal(false);
  });

  it('changes by no other way while the shop is open', async () => {
    const { edit } = await showDraft(shop.app);
    const patch = (path: string, value: string) => patchDraft(shop.app, edit, [{ op: 'replace', path, value }]);

    for (const refused of [await patch('/shop/currency', 'JPY'), await patch('/shop/timeZone', 'Asia/Tokyo')])
      expect(refused.ok || refused.problems[0]?.code).to.equal('ground-step');
    const stored = (await shop.app.lanes.readDraft())!;
    const document = structuredClone(stored.document) as Lane;
    document.shop.currency = 'JPY';
    await shop.app.lanes.writeDraft({ ...stored, document });
    await alignDraft(shop.app);
    expect((await showDraft(shop.app)).lane.shop.currency).to.equal('EUR');
  });

  it('moves to another zone with every order on its day there, none out of a range, and offers at their time of day', async () => {
    const ends = { kind: 'percentOff', name: 'Ends', target: 'order', basisPoints: 1000 };
    await sellWith(shop.app, { ends: { ...ends, when: { until: '2026-12-24T23:00:00.000Z' } } });
    // Evening in Berlin is the next day in Auckland already.
    now = Date.parse('2026-11-30T20:30:00Z');
    await buy('merlin', { visitId: await visit() });
    const plan = await planZone(shop.app, { to: 'Pacific/Auckland' });
    const { edit } = await showDraft(shop.app);
    const changed = await changeZone(shop.app, { to: 'Pacific/Auckland', edit }, accountId);

    expect(plan.ok && plan.value).to.deep.equal({
      from: 'Europe/Berlin',
      to: 'Pacific/Auckland',
      orders: 1,
      now: { before: '2026-11-30T21:30', after: '2026-12-01T09:30' },
      offers: [
        {
          name: 'Ends',
          edge: 'until',
          local: '2026-12-25T00:00',
          before: '2026-12-24T23:00:00.000Z',
          after: '2026-12-24T11:00:00.000Z',
        },
      ],
    });
    expect(changed.ok).to.equal(true);
    const { lane } = await liveLane(shop.app);
    expect(lane.offers['ends']!.when.until).to.equal('2026-12-24T11:00:00.000Z');
    const map = await showLaneMap(shop.app, { days: 7 });
    expect([map.toDay, map.funnel.orders, map.orders.all]).to.deep.equal(['2026-12-01', 1, 1]);
    expect(map.days.at(-1)).to.deep.equal({ day: '2026-12-01', sessions: 1, orders: 1 });
    // And back again.
    const back = { to: 'America/Los_Angeles', edit: (await showDraft(shop.app)).edit };
    expect((await changeZone(shop.app, back, accountId)).ok).to.equal(true);
    const west = await showLaneMap(shop.app, { days: 7 });
    expect([west.toDay, west.funnel.orders, west.orders.all]).to.deep.equal(['2026-11-30', 1, 1]);
  });
});
