import { orderListSchema } from '~/contract/studio/orders';
import { expect } from 'chai';
import Papa from 'papaparse';
import type { CartView } from '~/core/cart';
import { formatMoney, currencyOf } from '~/core/money';
import { createApp, type App } from '~/services/app';
import { exportOrders, showKeptOrder } from '~/services/orders/fulfilment';
import { sendOrderMails } from '~/services/orders/order-mails';
import { ORDER_FORM } from '../support/checkout';
import { sellWith } from '../support/live-offers';
import { seedFolder, serve, type TestServer } from '../support/server';
import { textOf } from '../support/page-text';
import { shopperAt } from '../support/shopper';

const ORDERS = 50;
const show = (amount: number) =>
  formatMoney(amount, currencyOf('EUR'), 'en-IE').replace(/[\s\u00a0\u2066-\u2069]+/g, ' ');

describe('every amount of an order', () => {
  let server: TestServer;
  let app: App;
  before(async function () {
    this.timeout(90_000);
    const dataDir = await seedFolder(0);
    app = await createApp({ dataDir, logLevel: 'silent' });
    const winder = (await app.catalogue.findProduct('ground-stake'))!.variants[0]!.sku;
    const offers = {
      break: {
        kind: 'quantityBreaks',
        name: 'Many spars',
        selection: null,
        breaks: [
          { from: 3, basisPoints: 500 },
          { from: 6, basisPoints: 1200 },
        ],
      },
      kites: {
        kind: 'percentOff',
        name: 'Kites',
        target: 'lines',
        basisPoints: 1000,
        selection: { only: { products: ['merlin'] } },
      },
      five: { kind: 'amountOff', name: 'Five off', target: 'order', amountMinor: 500, when: { code: 'FIVE' } },
      tenth: {
        kind: 'percentOff',
        name: 'A tenth',
        target: 'order',
        basisPoints: 1000,
        when: { minGoodsMinor: 20_000 },
        combine: { group: null },
      },
      free: { kind: 'deliveryOff', name: 'Free delivery', basisPoints: 10_000, when: { minGoodsMinor: 15_000 } },
      stake: { kind: 'gift', name: 'A stake', variant: winder, quantity: 1, when: { minGoodsMinor: 10_000 } },
    };
    await sellWith(app, offers);
    await app.db.run('UPDATE stock_levels SET quantity = 1000');
    server = await serve(dataDir);
  });
  after(async () => {
    await app.db.close();
    await server.stop();
  });

  it('is one number in cart, checkout, page, mail, the owner’s order and the spreadsheet', async function () {
    this.timeout(240_000);
    const goods = ['merlin', 'hoop-winder', 'heron', 'ground-stake', 'lapwing-delta'];
    const variants = await Promise.all(
      goods.map(async (slug) => (await app.catalogue.findProduct(slug))!.variants.find(({ stock }) => stock !== 0)!.id),
    );
    // What each product's page says one costs, before there is a cart.
    const shown = await Promise.all(
      goods.map(async (slug) => {
        const page = await (await shopperAt(server.origin).get(`/shop/p/${slug}`)).text();
        return Math.round(Number(/data-price>[^0-9]*([\d,.]+)/.exec(page)![1]!.replace(',', '')) * 100);
      }),
    );
    const kinds = new Set<string>();
    for (let i = 0; i < ORDERS; i += 1) {
      const shopper = shopperAt(server.origin);
      const change = async (request: object) => {
        const answered = await shopper.postJson('/api/cart', request);
        const body = (await answered.json()) as { view: CartView };
        if (!answered.ok) throw new Error(JSON.stringify(body));
        return body.view;
      };
      // Every order another mix: which goods, how many, with the code or without.
      let promised = 490;
      for (const [at, variantId] of variants.entries())
        if (at === i % 5 || ((i * 7 + at * 3) % 4 === 0 && i % 3 !== 0)) {
          const quantity = 1 + ((i * 5 + at) % 7);
          promised += shown[at]! * quantity;
          await change({ kind: 'add', variantId, quantity });
        }
      if (i % 2 === 0) await change({ kind: 'coupon', code: 'five' });
      const cart = await change({ kind: 'destination', country: 'DE', postcode: '12345' });
      for (const { label } of cart.discounts) kinds.add(label);
      expect(cart.totalMinor, `order ${i}`).to.be.at.most(promised);

      const amounts = [
        ...cart.discounts.map(({ amountMinor }) => show(-amountMinor)),
        ...(cart.deliveryMinor ? [show(cart.deliveryMinor)] : []),
        show(cart.totalMinor),
        show(cart.taxMinor),
      ];
      const labels = cart.discounts.map(({ label }) => label);
      const placed = await (async () => {
        const pages = { cart: await shopper.get('/shop/cart'), checkout: await shopper.get('/shop/checkout') };
        for (const [name, page] of Object.entries(pages)) {
          const text = textOf(await page.text());
          for (const said of [...labels, ...amounts]) expect(text, `order ${i}, ${name}`).to.include(said);
        }
        const answered = await shopper.postJson('/api/orders', {
          key: crypto.randomUUID(),
          cartVersion: cart.version,
          form: ORDER_FORM,
          seenTotalMinor: cart.totalMinor,
        });
        return (await answered.json()) as { token: string };
      })();
      await sendOrderMails(app);
      const order = (await app.orders.find(placed.token))!;
      const [mail] = await app.mailbox.listAbout(placed.token);
      const page = textOf(await (await shopper.get(`/shop/thanks/${placed.token}`)).text());
      for (const [name, text] of Object.entries({ page, mail: textOf(mail!.text), html: textOf(mail!.html) }))
        for (const said of [...labels, ...amounts]) expect(text, `order ${i}, ${name}`).to.include(said);

      const kept = (await showKeptOrder(app, order.id))!.order;
      expect(kept.totalMinor, `order ${i}`).to.equal(cart.totalMinor);
      expect([kept.subtotalMinor, kept.deliveryMinor, kept.taxMinor]).to.deep.equal([
        cart.subtotalMinor,
        cart.deliveryMinor ?? 0,
        cart.taxMinor,
      ]);
      expect(kept.lines.reduce((sum, { totalMinor }) => sum + totalMinor, kept.deliveryMinor as number)).to.equal(
        cart.totalMinor,
      );
      const csv = await exportOrders(app, orderListSchema.parse({ q: String(1000 + order.id) }));
      const [row] = Papa.parse<Record<string, string>>(csv, { header: true, delimiter: ',' }).data;
      expect(row!['Total'], `order ${i}`).to.equal((cart.totalMinor / 100).toFixed(2));
    }
    // Orders of all kinds were among them.
    expect([...kinds].sort()).to.deep.equal(['A tenth', 'Five off (FIVE)', 'Kites', 'Many spars']);
  });
});
