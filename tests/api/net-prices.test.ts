import { expect } from 'chai';
import { createApp, type App } from '~/services/app';
import { linkFacts } from '~/services/links/linked-goods';
import { sellWith } from '../support/live-offers';
import { seedFolder, serve, type TestServer } from '../support/server';
import { textOf } from '../support/page-text';
import { orderOver, shopperAt } from '../support/shopper';
import { actOnOrder } from '~/services/orders/fulfilment';

/** How often each text stands in a page, counted without what is read by programs alone. */
const count = (html: string, what: RegExp) => html.match(what)?.length ?? 0;

describe('prices that the tax is not in yet', () => {
  let server: TestServer;
  let app: App;
  before(async function () {
    this.timeout(90_000);
    const dataDir = await seedFolder(0);
    app = await createApp({ dataDir, logLevel: 'silent' });
    await sellWith(
      app,
      {},
      { tax: { basisPoints: 1000, included: false, rates: { low: { name: 'Low', basisPoints: 800 } } } },
    );
    await app.db.run("UPDATE products SET tax_rate = 'low' WHERE slug = 'hoop-winder'");
    server = await serve(dataDir);
  });
  after(async () => {
    await app.db.close();
    await server.stop();
  });

  const read = async (path: string) => (await shopperAt(server.origin).get(path)).text();

  it('say so on every card, product page, order form, link and in what machines read', async () => {
    const listing = await read('/shop/all');
    const cards = count(listing, /class="price" data-pl="price"/g);
    expect(cards).to.be.at.least(10);
    expect(count(listing, /<small> plus tax<\/small>/g)).to.equal(cards);

    const product = await read('/shop/p/merlin');
    expect(product).to.match(/<small[^>]*>plus tax<\/small>/);
    expect(product).to.include('"valueAddedTaxIncluded":false').and.not.to.include('tax included');
    expect(await read('/shop/buy?sku=MER')).not.to.include('tax included');
    const merlin = (await app.catalogue.findProduct('merlin'))!.variants[0]!;
    expect(await read(`/shop/buy?sku=${merlin.sku}`)).to.match(/<small[^>]*>plus tax<\/small>/);
    expect((await linkFacts(app, { sku: merlin.sku, quantity: 1, code: '', answers: {} }))!.price).to.equal(
      '€169.00 plus tax',
    );
    const asked = await linkFacts(app, { sku: merlin.sku, quantity: 1, code: '', answers: {} }, { asks: true });
    for (const { label } of asked!.variants!) expect(label).to.match(/ plus tax$/);

    const { priceNote } = (await (await fetch(`${server.origin}/api/products/merlin`)).json()) as { priceNote: string };
    const near = await fetch(`${server.origin}/api/suggestions?near=merlin`);
    const typed = await fetch(`${server.origin}/api/search?q=merlin`);
    expect(priceNote).to.equal('plus tax');
    for (const card of (await near.json()) as { priceNote: string }[]) expect(card.priceNote).to.equal('plus tax');
    for (const hit of (await typed.json()) as { price: string }[]) expect(hit.price).to.match(/ plus tax$/);
    const manifest = (await (await fetch(`${server.origin}/api/manifest`)).json()) as {
      pieces: { kind: string; words: Record<string, string> }[];
    };
    const priced = manifest.pieces.filter(({ kind }) => kind === 'compare' || kind === 'line-editor');
    expect(priced.length).to.be.at.least(1);
    for (const { kind, words } of priced) expect(words['price'], kind).to.match(/, plus tax$/);
  });

  it('are refunded line by line at the rate each was taxed at, and to the cent in all', async () => {
    const variant = async (slug: string) => (await app.catalogue.findProduct(slug))!.variants[0]!;
    const [winder, merlin] = [await variant('hoop-winder'), await variant('merlin')];
    const token = await orderOver(shopperAt(server.origin), [winder.id, merlin.id]);
    const { id, totalMinor, deliveryMinor } = (await app.orders.find(token))!;
    const at = (amount: number, rate: number) => amount + Math.round((amount * rate) / 10_000);
    expect(totalMinor).to.equal(at(winder.priceMinor, 800) + at(merlin.priceMinor + deliveryMinor, 1000));

    const give = async (line: number) => {
      const wish = { action: 'refund', units: [{ line, quantity: 1 }], delivery: false, restock: true, reason: '' };
      await actOnOrder(app, id, wish as Parameters<typeof actOnOrder>[2], 1);
    };
    await give(0);
    const [first] = await app.orders.listRefunds(id);
    expect(first!.amountMinor).to.equal(at(winder.priceMinor, 800));
    await actOnOrder(app, id, { action: 'cancel', restock: true, reason: '' } as Parameters<typeof actOnOrder>[2], 1);
    const refunds = await app.orders.listRefunds(id);
    expect(refunds.reduce((sum, { amountMinor }) => sum + amountMinor, 0)).to.equal(totalMinor);
  });
});

describe('prices of a draft that puts the tax on top', () => {
  it('say so in the draft alone: no card of it is shown to shoppers', async function () {
    this.timeout(90_000);
    const dataDir = await seedFolder(0);
    const app = await createApp({ dataDir, logLevel: 'silent' });
    const draft = (await app.lanes.readDraft())!;
    const document = draft.document as { shop: { tax: { included: boolean } } };
    document.shop.tax.included = false;
    await app.lanes.writeDraft({ ...draft, document });
    await app.db.close();
    const server = await serve(dataDir);
    const read = async (path: string) => (await shopperAt(server.origin).get(path)).text();
    const inDraft = await read(`/shop/?draft=${draft.token}`);
    const live = await read('/shop/');
    await server.stop();
    expect(count(inDraft, /<small> plus tax<\/small>/g)).to.be.at.least(4);
    expect(live).not.to.include('plus tax');
  });
});

describe('a tax of nothing', () => {
  let server: TestServer;
  let app: App;
  before(async function () {
    this.timeout(90_000);
    const dataDir = await seedFolder(0);
    app = await createApp({ dataDir, logLevel: 'silent' });
    await sellWith(app, {}, { tax: { basisPoints: 0, included: true, rates: {} } });
    server = await serve(dataDir);
  });
  after(async () => {
    await app.db.close();
    await server.stop();
  });

  it('is named nowhere: on no page, in no cart, order or mail', async () => {
    const shopper = shopperAt(server.origin);
    const merlin = (await app.catalogue.findProduct('merlin'))!.variants[0]!;
    const token = await orderOver(shopper, [merlin.id]);
    await shopper.postJson('/api/cart', { kind: 'add', variantId: merlin.id });
    const pages = ['/shop/p/merlin', '/shop/all', '/shop/cart', '/shop/checkout', `/shop/thanks/${token}`];
    for (const page of pages) {
      const shown = textOf(await (await shopper.get(page)).text());
      expect(shown, page).to.include('169.00');
      expect(shown, page).not.to.match(/\btax\b/i);
    }
    const mails = await app.mailbox.listAbout(token);
    expect(mails).to.have.length(1);
    expect(mails[0]!.text).not.to.match(/\btax\b/i);
  });
});
