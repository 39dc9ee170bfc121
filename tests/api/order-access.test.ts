import { expect } from 'chai';
import type { Lane } from '~/core/lane';
import { newPiece, NO_GOODS } from '~/core/lane';
import { orderNumber, type Order } from '~/core/orders';
import { thanksPage } from '~/pieces/thanks-page/definition';
import { createApp, type App } from '~/services/app';
import { detailsKey } from '~/services/orders/order-access';
import { publishLane } from '~/services/draft/publish-lane';
import { liveLane } from '~/services/lane/live-lane';
import { listRoutes } from '../support/routes';
import { seedFolder, serve, type TestServer } from '../support/server';
import { orderOver, shopperAt, type Shopper } from '../support/shopper';

const BUYER = {
  name: 'Ottilie Feldspat',
  email: 'ottilie@feldspat.example',
  line1: 'Quarzgasse 7',
  city: 'Glimmerstadt',
  postcode: '54321',
};
const NOTE = 'Please leave it with the miller';
/** What nobody but the buyer may read; the postcode stands in what they type. */
const SECRETS = [BUYER.name, BUYER.email, BUYER.line1, BUYER.city, NOTE];

describe('an order’s page', () => {
  let server: TestServer;
  let app: App;
  let buyer: Shopper;
  let order: Order;
  before(async function () {
    this.timeout(90_000);
    const dataDir = await seedFolder(0);
    app = await createApp({ dataDir, logLevel: 'silent' });
    await offerStakeAfterwards();
    server = await serve(dataDir);
    buyer = shopperAt(server.origin);
    const heron = (await app.catalogue.findProduct('heron'))!.variants[0]!.id;
    const [plan] = await app.db.select<{ id: number }>(
      `SELECT v.id FROM variants v JOIN products p ON p.id = v.product_id WHERE p.fulfilment = 'download' LIMIT 1`,
    );
    const token = await orderOver(buyer, [heron, plan!.id], { note: NOTE, form: BUYER });
    order = (await app.orders.find(token))!;
  });
  after(async () => {
    await app.db.close();
    await server.stop();
  });

  /** A thank-you page with everything that asks for a press. */
  async function offerStakeAfterwards(): Promise<void> {
    const { lane } = await liveLane(app);
    const piece = newPiece(thanksPage, true);
    const stake = (await app.catalogue.findProduct('ground-stake'))!.variants[0]!.sku;
    Object.assign(piece.settings, { offerGoods: { ...NO_GOODS, sku: stake } });
    for (const part of piece.parts) part.on = true;
    const pieces = Object.entries(lane.pieces).filter(([, { kind }]) => kind !== thanksPage.kind);
    const document: Lane = { ...lane, pieces: { ...Object.fromEntries(pieces), thanks: piece } };
    const draft = (await app.lanes.readDraft())!;
    await app.lanes.writeDraft({ ...draft, document, edit: draft.edit + 1 });
    const published = await publishLane(app, { edit: draft.edit + 1, note: '', accountId: null });
    if (!published.ok) throw new Error(JSON.stringify(published.problems));
  }
  const page = () => `/shop/thanks/${order.token}`;
  const additions = async () => (await app.db.select<{ n: number }>('SELECT count(*) n FROM order_additions'))[0]!.n;
  const birthdays = async () => (await app.db.select<{ n: number }>('SELECT count(*) n FROM birthdays'))[0]!.n;
  async function offeredTotal(html: string): Promise<string> {
    return /name="total" value="(\d+)"/.exec(html)?.[1] ?? '';
  }

  it('belongs to the browser it was placed in, and is kept by none', async () => {
    const seen = await buyer.get(page());
    const html = await seen.text();

    for (const secret of SECRETS) expect(html, secret).to.include(secret);
    expect(await offeredTotal(html)).to.match(/^\d+$/);
    expect(html).to.include('intent" value="birthday');
    expect(seen.headers.get('cache-control')).to.include('no-store');
    expect(seen.headers.get('referrer-policy')).to.equal('no-referrer');
    expect(seen.headers.get('x-robots-tag')).to.equal('noindex');
    // What opens it is sent nowhere else, and no script reads it.
    expect(buyer.cookies('/shop/all')).not.to.include('pl_order');
  });

  it('tells others its number, its state and what was bought, and takes no press of theirs', async () => {
    const stranger = shopperAt(server.origin);
    const seen = await stranger.get(page());
    const html = await seen.text();
    const total = await offeredTotal(await (await buyer.get(page())).text());

    expect(seen.status).to.equal(200);
    expect(html).to.include(orderNumber(order)).and.to.include('Paid; we are preparing it.');
    for (const { name } of order.lines) expect(html, name).to.include(name);
    for (const secret of [...SECRETS, BUYER.postcode, '/files/']) expect(html, secret).not.to.include(secret);
    expect(seen.headers.get('referrer-policy')).to.equal('no-referrer');
    const presses: Record<string, string>[] = [
      { intent: 'add-after', total },
      { intent: 'birthday', day: '3', month: '4' },
      { intent: 'no-birthday' },
      { intent: 'reorder' },
    ];
    for (const fields of presses) {
      const answered = await stranger.postForm(page(), fields);
      expect(answered.status, fields['intent']).to.equal(303);
      expect(answered.headers.get('location'), fields['intent']).to.match(/^\/shop\/thanks\//);
    }
    expect([await additions(), await birthdays()]).to.deep.equal([0, 0]);
  });

  it('opens its details to whoever comes by its mail, who can charge nothing, take no code and answer nothing', async () => {
    const mailed = shopperAt(server.origin);
    const link = `${page()}?key=${detailsKey(app, order.token)}`;
    const arrived = await mailed.get(link);
    const html = await (await mailed.get(page())).text();

    // The key stands in no address that is passed on.
    expect(arrived.headers.get('location')).to.equal(page());
    for (const secret of SECRETS) expect(html, secret).to.include(secret);
    expect(html).to.include('/files/');
    expect(await offeredTotal(html)).to.equal('');
    expect(html).not.to.include('intent" value="birthday').and.not.to.include('thanks-code');
    const total = await offeredTotal(await (await buyer.get(page())).text());
    await mailed.postForm(page(), { intent: 'add-after', total });
    await mailed.postForm(page(), { intent: 'birthday', day: '3', month: '4' });
    expect(await (await mailed.get(page())).text()).to.include('This works in the browser you ordered with.');
    expect([await additions(), await birthdays()]).to.deep.equal([0, 0]);
    // Its link takes nothing from the browser that ordered.
    await buyer.get(link);
    expect(await offeredTotal(await (await buyer.get(page())).text())).to.equal(total);
    // A key of another order, and one that is made up, open nothing.
    for (const key of [detailsKey(app, 'another'), 'x', '']) {
      const stranger = shopperAt(server.origin);
      await stranger.get(`${page()}?key=${key}`);
      expect(await (await stranger.get(page())).text(), key).not.to.include(BUYER.email);
    }
  });

  it('opens its details to whoever knows e-mail and postcode, and tries are limited', async () => {
    const knows = shopperAt(server.origin);
    const wrong = await knows.postForm(page(), { intent: 'prove', email: BUYER.email, second: '99999' });
    expect(wrong.status).to.equal(303);
    expect(await (await knows.get(page())).text()).to.include('That does not belong to this order.');
    await knows.postForm(page(), { intent: 'prove', email: ` ${BUYER.email.toUpperCase()} `, second: '54 321' });
    const html = await (await knows.get(page())).text();
    expect(html).to.include(BUYER.line1);
    expect(await offeredTotal(html)).to.equal('');

    const guesser = shopperAt(server.origin);
    for (let i = 0; i < 12; i += 1)
      await guesser.postForm(page(), { intent: 'prove', email: BUYER.email, second: `${10_000 + i}` });
    expect(await (await guesser.get(page())).text()).to.include('Too many tries.');
    // Right or wrong: whoever tried too often learns nothing more.
    await guesser.postForm(page(), { intent: 'prove', email: BUYER.email, second: BUYER.postcode });
    expect(await (await guesser.get(page())).text()).not.to.include(BUYER.line1);
  });

  it('gives nothing away at any route, to a stranger with every address and code of the order', async function () {
    this.timeout(60_000);
    const [download] = await app.orders.listDownloads(order.token);
    const known = [order.token, String(order.id), orderNumber(order), download!.token, order.lines[0]!.sku];
    const before = (await app.orders.find(order.token))!;
    let asked = 0;
    for (const { pattern } of listRoutes())
      for (const value of /\[/.test(pattern) ? known : ['']) {
        const path = pattern.replace(/\[\w+\]/g, encodeURIComponent(value));
        // A download is had by its own link, which stands where the details do.
        const isFile = path === `/files/${download!.token}`;
        const queries = [
          '',
          `?token=${order.token}&key=${order.token}&order=${order.id}&q=${encodeURIComponent(BUYER.email)}`,
        ];
        for (const query of queries) {
          const stranger = shopperAt(server.origin);
          const answers = [await stranger.get(path + query)];
          if (!isFile) {
            const fields = { intent: 'add-after', total: '1', token: order.token, code: orderNumber(order) };
            answers.push(await stranger.postForm(path + query, fields), await stranger.postJson(path + query, fields));
          }
          for (const answer of answers) {
            const text = await answer.text();
            asked += 1;
            for (const secret of [BUYER.name, BUYER.line1, NOTE]) expect(text, path).not.to.include(secret);
            expect(answer.status, path).to.be.below(500);
          }
        }
      }
    expect(asked).to.be.above(300);
    expect((await app.orders.find(order.token))!.totalMinor).to.equal(before.totalMinor);
    expect([await additions(), await birthdays()]).to.deep.equal([0, 0]);
  });
});
