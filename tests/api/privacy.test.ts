import { cartRequestSchema, keptFormSchema } from '~/contract/shop/cart';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { changeCartOf } from '~/services/cart/change-cart';
import { showOrder } from '~/services/orders/place-order';
import { eraseShopper, findTraces, KEPT_DAYS, sweepPersonal } from '~/services/visits/privacy';
import { keepForm } from '~/services/cart/show-checkout';
import { keepUpload } from '~/services/files/uploads';
import { ORDER_FORM } from '../support/checkout';
import { orderNow } from '../support/order-now';
import { searchFolder } from '../support/search-folder';
import { startServer, type TestServer } from '../support/server';
import { openTestShop, type TestShop } from '../support/shop';

const DAY_MS = 86_400_000;
const EMAIL = 'Mira.Quill@example.com';
const SVG = '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h9v9z"/></svg>';

describe('what is kept of shoppers', () => {
  let shop: TestShop;
  let now = Date.now();
  before(async () => {
    shop = await openTestShop(0, () => now);
  });
  after(() => shop.close());
  const change = (token: string, request: object) => changeCartOf(shop.app, token, cartRequestSchema.parse(request));
  async function count(sql: string): Promise<number> {
    return (await shop.app.db.select<{ n: number }>(sql))[0]!.n;
  }

  it('goes when it has been kept long enough, and not before', async () => {
    const token = randomUUID();
    await change(token, { kind: 'add', product: 'hoop-winder' });
    await keepForm(shop.app, token, keptFormSchema.parse({ email: EMAIL }));
    await orderNow(shop.app, { cartToken: token, form: { ...ORDER_FORM, cardNumber: '5000000000000002' } });
    const event = {
      id: 'event-1',
      visitId: 'visit-1',
      at: now,
      kind: 'page',
      page: null,
      product: null,
      piece: 'x',
    } as const;
    await shop.app.visits.record(
      [event],
      [{ visitId: 'visit-1', day: '2026-01-01', device: 'phone', source: 'direct', excluded: null }],
    );
    await shop.app.accounts.insertSignIn('hash', 1, {
      key: 'k',
      beganAt: now,
      seenAt: now,
      agent: '',
      expiresAt: now + DAY_MS,
    });
    const kept = async () => ({
      typed: await count('SELECT count(*) n FROM carts WHERE checkout IS NOT NULL'),
      carts: await count('SELECT count(*) n FROM carts'),
      failed: await count(`SELECT count(*) n FROM orders WHERE status = 'failed'`),
      events: await count('SELECT count(*) n FROM events'),
      signIns: await count('SELECT count(*) n FROM sign_ins'),
    });
    const after = async (days: number) => {
      now += days * DAY_MS;
      await sweepPersonal(shop.app);
      return kept();
    };

    await sweepPersonal(shop.app);
    expect(await kept()).to.deep.equal({ typed: 1, carts: 1, failed: 1, events: 1, signIns: 1 });
    expect(await after(KEPT_DAYS.checkouts + 0.1)).to.include({ typed: 0, carts: 1, signIns: 0 });
    expect(await after(KEPT_DAYS.failedOrders)).to.include({ failed: 0, carts: 1 });
    expect(await after(KEPT_DAYS.carts)).to.include({ carts: 0, events: 1 });
    expect(await after(KEPT_DAYS.visits)).to.include({ events: 0 });
    expect(await count('SELECT count(*) n FROM visits')).to.equal(0);
  });

  it('is erased for one buyer by mail address, of which nothing is left in the folder, and sales stay', async () => {
    const token = randomUUID();
    const kept = await keepUpload(shop.app, {
      cartToken: token,
      product: 'sail-your-own',
      option: 'artwork',
      name: 'mira.svg',
      bytes: new TextEncoder().encode(SVG),
      from: 'here',
    });
    const artwork = kept.ok ? kept.value.id : '';
    const added = await change(token, {
      kind: 'add',
      product: 'sail-your-own',
      choices: { Size: 'Small' },
      answers: { name: 'Mira Quill', lettering: 'night', printing: 'own', artwork, tail: 'no' },
    });
    expect(added.ok, JSON.stringify(added)).to.equal(true);
    await change(token, { kind: 'note', note: 'Leave it with Mira Quill' });
    await keepForm(shop.app, token, keptFormSchema.parse({ email: EMAIL, name: 'Mira Quill' }));
    const placed = await orderNow(shop.app, {
      cartToken: token,
      form: { ...ORDER_FORM, email: EMAIL, name: 'Mira Quill' },
    });
    expect(placed.ok, JSON.stringify(placed)).to.equal(true);
    const other = randomUUID();
    await change(other, { kind: 'add', product: 'hoop-winder' });
    const stays = await orderNow(shop.app, { cartToken: other, form: { ...ORDER_FORM, email: 'ada@example.com' } });

    const found = await findTraces(shop.app, ` ${EMAIL.toUpperCase()} `);
    const erased = await eraseShopper(shop.app, EMAIL, 1);
    await shop.app.db.select('PRAGMA wal_checkpoint(TRUNCATE)');

    expect(found).to.include({ orders: 1, files: 1, mails: 1 });
    expect(erased.ok && erased.value).to.deep.equal(found);
    expect(await findTraces(shop.app, EMAIL)).to.deep.equal({ orders: 0, checkouts: 0, files: 0, mails: 0 });
    const order = await showOrder(shop.app, placed.ok ? placed.value.token : '');
    expect(order).to.include({ status: 'paid', email: '', name: '', note: '' });
    expect(order!.totalMinor).to.be.greaterThan(0);
    expect(order!.lines[0]!.sku).not.to.equal('');
    const { looked, holding } = searchFolder(shop.app.db.dataDir, /mira.?quill/i);
    expect(looked).to.be.greaterThan(5);
    expect(holding).to.deep.equal([]);
    expect((await showOrder(shop.app, stays.ok ? stays.value.token : ''))!.email).to.equal('ada@example.com');
  });

  it('is not erased while an order of theirs is being paid', async () => {
    const token = randomUUID();
    await change(token, { kind: 'add', product: 'hoop-winder' });
    const placed = await orderNow(shop.app, { cartToken: token });
    await shop.app.db.run(`UPDATE orders SET status = 'reserved' WHERE token = $token`, {
      token: placed.ok ? placed.value.token : '',
    });

    const refused = await eraseShopper(shop.app, ORDER_FORM.email, 1);

    expect(refused.ok || refused.problems[0]!.code).to.equal('erase-waits');
  });
});

describe('a browser that asks to be left out', () => {
  let server: TestServer;
  before(async function () {
    this.timeout(60_000);
    server = await startServer(0);
  });
  after(() => server.stop());

  for (const wish of ['sec-gpc', 'dnt'] as const)
    it(`is left out by the server too (${wish})`, async () => {
      const visit = randomUUID();
      const cookie = `pl_cart=${randomUUID()}; pl_visit=${visit}`;
      const headers = { 'content-type': 'application/json', cookie, origin: server.origin, [wish]: '1' };
      const post = (where: string, body: object) =>
        fetch(server.origin + where, { method: 'POST', headers, body: JSON.stringify(body) });
      const event = { id: randomUUID(), at: Date.now(), kind: 'page' };

      const recorded = await post('/api/events', { visit, device: 'phone', events: [event] });
      await post('/api/cart', { kind: 'add', product: 'hoop-winder' });
      const order = { key: randomUUID(), cartVersion: 1, form: ORDER_FORM };
      const placed = await post('/api/orders', order);

      expect(await recorded.json()).to.deep.equal({ fresh: 0 });
      expect(placed.status).to.equal(200);
      const { createApp } = await import('~/services/app');
      const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
      const { token } = (await placed.json()) as { token: string };
      expect((await showOrder(app, token))!.visitId).to.equal(null);
      await app.close();
    });
});
