import { cartRequestSchema } from '~/contract/shop/cart';
import { eventBatchSchema, seenSchema } from '~/contract/shop/visits';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { changeCartOf } from '~/services/cart/change-cart';
import { viewCart } from '~/services/cart/show-cart';
import { keepUpload, openUpload } from '~/services/files/uploads';
import { ingestEvents } from '~/services/visits/ingest-events';
import { receiveCart, sendCart, showCarried } from '~/services/links/carry-cart';
import { judgeSite, noteSeen, showElsewhere } from '~/services/links/other-sites';
import { startServer, type TestServer } from '../support/server';
import { shopperAt } from '../support/shopper';
import { openTestShop, type TestShop } from '../support/shop';

const LISTED = 'http://127.0.0.1:4322';
const STRANGE = 'https://elsewhere.example';
const MINUTE = 60_000;
const HERE = '192.0.2.1';

describe('carts that come from other sites', () => {
  let shop: TestShop;
  let now = Date.parse('2026-11-27T10:00:00Z');
  before(async () => {
    shop = await openTestShop(0, () => now);
  });
  after(() => shop.close());
  const add = (token: string, product: string, quantity: number) =>
    changeCartOf(shop.app, token, cartRequestSchema.parse({ kind: 'add', product, quantity }));
  const linesOf = async (token: string) =>
    (await viewCart(shop.app, token)).lines.map(({ slug, quantity }) => `${quantity} ${slug}`).sort();

  it('are brought over once, and soon', async () => {
    const token = randomUUID();
    const code = await sendCart(shop.app, token, 'visit-1');
    const late = await sendCart(shop.app, token, 'visit-1');

    const received = (await receiveCart(shop.app, code, null))!;
    expect(received.visit).to.equal('visit-1');
    // Whoever made the code knows the secret of that cart: the shopper's is another.
    expect(received.cartToken)
      .to.match(/^[0-9a-f-]{36}$/)
      .and.not.equal(token);
    expect(await receiveCart(shop.app, code, null)).to.equal(null);
    expect(await showCarried(shop.app, late, 'en')).to.deep.include({ lines: [] });
    now += 11 * MINUTE;
    expect(await showCarried(shop.app, late, 'en')).to.equal(null);
    expect(await receiveCart(shop.app, late, null)).to.equal(null);
    expect(await receiveCart(shop.app, '', null)).to.equal(null);
  });

  it('are put with what was in the shop’s own cart, and leave nothing twice', async () => {
    const [own, brought] = [randomUUID(), randomUUID()];
    await add(own, 'ground-stake', 2);
    await add(brought, 'ground-stake', 1);

    const received = await receiveCart(shop.app, await sendCart(shop.app, brought, 'visit-2'), own);

    expect(received?.cartToken).to.equal(own);
    expect(await linesOf(own)).to.deep.equal(['3 ground-stake']);
    expect(await linesOf(brought)).to.deep.equal([]);
  });

  it('bring the files along that were given for an option, for their shopper alone', async () => {
    const [own, brought] = [randomUUID(), randomUUID()];
    const about = { product: 'sail-your-own', option: 'artwork', name: 'lake.png', from: 'here' };
    const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: 'teal' } })
      .png()
      .toBuffer();
    const kept = await keepUpload(shop.app, { ...about, cartToken: brought, bytes });
    const artwork = kept.ok ? kept.value.id : '';
    const answers = { printing: 'own', artwork, tail: 'no' };
    const wanted = { kind: 'add', product: 'sail-your-own', choices: { Size: 'Small' }, answers };
    const added = await changeCartOf(shop.app, brought, cartRequestSchema.parse(wanted));
    expect(added.ok).to.equal(true);

    await receiveCart(shop.app, await sendCart(shop.app, brought, 'visit-3'), own);

    const [line] = (await viewCart(shop.app, own)).lines;
    expect([line?.slug, line?.problem, line?.answers['artwork']]).to.deep.equal(['sail-your-own', null, artwork]);
    expect(await openUpload(shop.app, artwork, { cartToken: own, isShop: false })).not.to.equal(null);
    expect(await openUpload(shop.app, artwork, { cartToken: brought, isShop: false })).to.equal(null);
  });

  it('name what is bought by its article number, or say that it is none', async () => {
    const token = randomUUID();
    const { variants } = (await shop.app.catalogue.findProduct('ground-stake'))!;

    const added = await changeCartOf(shop.app, token, cartRequestSchema.parse({ kind: 'add', sku: variants[0]!.sku }));
    const gone = await changeCartOf(shop.app, token, cartRequestSchema.parse({ kind: 'add', sku: 'no-such' }));

    expect(added.ok).to.equal(true);
    expect(!gone.ok && gone.problems).to.deep.equal([{ path: 'sku', code: 'not-found' }]);
    expect(await linesOf(token)).to.deep.equal(['1 ground-stake']);
  });

  it('are told of by the sites that are listed; of the others only that they asked', async () => {
    const told = { path: '/post', links: ['buy-link', 'buy-link', ''], errors: 1 };
    await noteSeen(shop.app, LISTED, HERE, told);
    await noteSeen(shop.app, LISTED, HERE, { ...told, links: [] });
    await noteSeen(shop.app, STRANGE, HERE, told);
    const ask = { method: 'OPTIONS', from: STRANGE, origin: 'http://shop.example', address: HERE };
    await judgeSite(shop.app, { ...ask, route: '/api/manifest' });
    await judgeSite(shop.app, { ...ask, route: '/api/manifest' });
    await judgeSite(shop.app, { ...ask, route: '/api/cart' });
    await judgeSite(shop.app, { ...ask, route: '/api/manifest', from: 'javascript:alert(1)' });

    const { seen, refused } = await showElsewhere(shop.app, 28);

    expect(seen.map(({ site, path, link, times, errors }) => [site, path, link, times, errors])).to.have.deep.members([
      [LISTED, '/post', 'buy-link', 1, 1],
      [LISTED, '/post', '', 2, 2],
    ]);
    expect(refused.map(({ site, times }) => [site, times])).to.deep.equal([[STRANGE, 2]]);
    now += 40 * 24 * 60 * MINUTE;
    expect((await showElsewhere(shop.app, 28)).seen).to.deep.equal([]);
  });

  it('keep no more of a day than its share, whatever strangers send', async () => {
    for (const wild of [
      { path: 'javascript:x', links: [], errors: 0 },
      { path: `/${'x'.repeat(200)}`, links: [], errors: 0 },
      { path: '/', links: ['<script>'], errors: 0 },
      { path: '/', links: Array.from({ length: 101 }, () => 'a'), errors: 0 },
    ])
      expect(seenSchema.safeParse(wild).success, JSON.stringify(wild).slice(0, 60)).to.equal(false);
    const ask = { route: '/api/manifest', method: 'OPTIONS', origin: 'http://shop.example' };
    const forge = (i: number, address: string) =>
      judgeSite(shop.app, { ...ask, from: `https://site-${i}.example`, address });
    const told = async () => (await showElsewhere(shop.app, 1)).refused.length;
    const before = await told();
    // One address fills nothing, whatever it calls itself; and many no more than a day's share.
    for (let i = 0; i < 50; i += 1) await forge(i, '192.0.2.7');
    expect((await told()) - before).to.equal(5);
    for (let i = 50; i < 260; i += 1) await forge(i, `198.51.100.${i % 200}`);
    expect(await told()).to.equal(200);

    const links = Array.from({ length: 100 }, (_, i) => `link-${i}`);
    const rows = async () => (await shop.app.db.select<{ n: number }>('SELECT count(*) n FROM seen_elsewhere'))[0]!.n;
    const seenBefore = await rows();
    for (let i = 0; i < 20; i += 1) await noteSeen(shop.app, LISTED, '192.0.2.8', { path: `/${i}`, links, errors: 0 });
    expect((await rows()) - seenBefore).to.equal(300);
  });

  it('begin no more visits than people would, and type no more codes', async () => {
    const batch = (i: number) =>
      eventBatchSchema.parse({
        visit: `forged-visit-${i}`,
        device: 'phone',
        source: 'direct',
        events: [{ id: `forged-event-${i}`, at: now, kind: 'page', page: 'front', product: null, piece: null }],
      });
    const visitor = { userAgent: 'Mozilla/5.0 Chrome/140.0', isOwner: false };
    const answers = [];
    for (let i = 0; i < 320; i += 1)
      answers.push(await ingestEvents(shop.app, batch(i), { ...visitor, from: '192.0.2.9' }));
    expect(answers.filter((fresh) => fresh === null)).to.have.length(20);
    // A visit that began goes on, and others begin theirs.
    const more = eventBatchSchema.parse({ ...batch(1), events: [{ ...batch(1).events[0]!, id: 'forged-more' }] });
    expect(await ingestEvents(shop.app, more, { ...visitor, from: '192.0.2.9' })).to.equal(1);
    expect(await ingestEvents(shop.app, batch(999), { ...visitor, from: '192.0.2.10' })).to.equal(1);

    const codes = [];
    for (let i = 0; i < 32; i += 1) {
      const typed = await changeCartOf(
        shop.app,
        randomUUID(),
        { kind: 'coupon', code: `GUESS${i}` },
        { from: '192.0.2.9' },
      );
      codes.push(typed.ok ? '' : typed.problems[0]!.code);
    }
    expect(codes.filter((code) => code === 'too-many-tries')).to.have.length(2);
  });
});

describe('what other sites may ask', () => {
  let server: TestServer;
  before(async function () {
    this.timeout(60_000);
    server = await startServer(0.01);
  });
  after(() => server.stop());
  const ask = (path: string, from: string, init: RequestInit = {}) =>
    fetch(server.origin + path, { ...init, headers: { origin: from, ...init.headers } });
  const allowed = (response: Response) => response.headers.get('access-control-allow-origin');

  it('is what a cart needs, for the sites that are listed', async () => {
    for (const path of [
      '/api/cart',
      '/api/seen',
      '/api/carry',
      '/api/events',
      '/api/products/heron',
      '/api/quote',
      '/api/uploads',
    ]) {
      const listed = await ask(path, LISTED, { method: 'OPTIONS' });
      const strange = await ask(path, STRANGE, { method: 'OPTIONS' });
      expect([listed.status, allowed(listed)], path).to.deep.equal([204, LISTED]);
      expect([strange.status, allowed(strange)], path).to.deep.equal([403, null]);
    }
    expect(allowed(await ask('/api/cart', LISTED))).to.equal(LISTED);
    expect(allowed(await ask('/api/cart', STRANGE))).to.equal(null);
  });

  it('is nothing else: not the studio, orders, the checkout, anybody’s files or pages', async () => {
    for (const path of [
      '/api/studio/draft',
      '/api/orders',
      '/api/checkout',
      '/api/uploads/x',
      '/shop/cart',
      '/studio',
    ]) {
      const response = await ask(path, LISTED, { method: 'OPTIONS' });
      expect(allowed(response), path).to.equal(null);
      expect(allowed(await ask(path, LISTED, { redirect: 'manual' })), path).to.equal(null);
    }
  });

  it('goes by the cart in the header, and never by a cookie that came along', async () => {
    const token = 'a'.repeat(36);
    const json = { 'content-type': 'application/json', 'x-pl-cart': token };
    const body = JSON.stringify({ kind: 'add', product: 'ground-stake', changeId: '123456789' });

    const added = await ask('/api/cart', LISTED, { method: 'POST', headers: json, body });

    expect(added.status).to.equal(200);
    expect(added.headers.getSetCookie().filter((cookie) => cookie.startsWith('pl_cart='))).to.deep.equal([]);
    const seen = await ask('/api/cart', LISTED, { headers: { 'x-pl-cart': token } });
    expect(((await seen.json()) as { count: number }).count).to.equal(1);
    const other = await ask('/api/cart', LISTED, { headers: { 'x-pl-cart': 'wild', cookie: `pl_cart=${token}` } });
    expect(((await other.json()) as { count: number }).count).to.equal(0);
  });

  it('takes a file for an option under the cart in the header, and shows it to nobody else', async () => {
    const token = 'b'.repeat(36);
    const sent = await ask('/api/uploads?product=sail-your-own&option=artwork&name=a.svg', LISTED, {
      method: 'POST',
      headers: { 'x-pl-cart': token, 'content-type': 'application/octet-stream' },
      body: '<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4"/>',
    });
    const { id } = (await sent.json()) as { id: string };

    expect([sent.status, allowed(sent)]).to.deep.equal([200, LISTED]);
    expect(sent.headers.getSetCookie().filter((cookie) => cookie.startsWith('pl_cart='))).to.deep.equal([]);
    const own = await fetch(`${server.origin}/api/uploads/${id}`, { headers: { cookie: `pl_cart=${token}` } });
    const other = await fetch(`${server.origin}/api/uploads/${id}`);
    expect([own.status, other.status]).to.deep.equal([200, 404]);
  });

  it('ends on the shop’s own pages, wherever a code says it leads', async () => {
    for (const to of ['http://[', 'https://evil.example/', '//evil.example', '/studio', 'javascript:alert(1)', '']) {
      const answer = await ask(`/shop/carry?${new URLSearchParams({ code: 'none', to })}`, LISTED, {
        redirect: 'manual',
      });
      expect([answer.status, answer.headers.get('location')], to).to.deep.equal([303, '/shop/cart']);
    }
    const token = randomUUID();
    const headers = { 'x-pl-cart': token, 'content-type': 'application/json' };
    const added = await ask('/api/cart', LISTED, {
      method: 'POST',
      headers,
      body: JSON.stringify({ kind: 'add', product: 'ground-stake' }),
    });
    expect(added.status).to.equal(200);
    const sent = await ask('/api/carry', LISTED, { method: 'POST', headers, body: '{"visit":"visit-from-there"}' });
    const { code } = (await sent.json()) as { code: string };
    const address = `/shop/carry?${new URLSearchParams({ code, to: '/shop/checkout' })}`;
    const shopper = shopperAt(server.origin);
    for (let looked = 0; looked < 2; looked += 1) {
      const page = await (await shopper.get(address)).text();
      expect(page).to.include('1 × Ground Stake').and.to.include('Yes, take it over').and.not.to.include('/rt/lane.js');
    }
    expect(shopper.cookies('/shop')).to.equal('');
    const taken = await shopper.postForm('/shop/carry', { code, to: '/shop/checkout' });
    expect([taken.status, taken.headers.get('location')]).to.deep.equal([303, '/shop/checkout']);
    expect(shopper.cookies('/shop')).to.include('pl_cart=').and.to.include('pl_visit=visit-from-there');

    // A visit that began here is never replaced.
    const again = await ask('/api/carry', LISTED, { method: 'POST', headers, body: '{"visit":"forged-visit"}' });
    await shopper.postForm('/shop/carry', { code: ((await again.json()) as { code: string }).code, to: '/shop/cart' });
    expect(shopper.cookies('/shop')).to.include('pl_visit=visit-from-there').and.not.to.include('forged');

    const known = await ask('/shop/carry?code=none&to=%2Fshop%2Fcheckout%3Flang%3Dde', LISTED, { redirect: 'manual' });
    expect(known.headers.get('location')).to.equal('/shop/checkout?lang=de');
  });
});
