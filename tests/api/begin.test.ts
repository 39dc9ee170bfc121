import { expect } from 'chai';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { firstSteps } from '~/core/first-steps';
import { serve, type TestServer } from '../support/server';

describe('first steps', () => {
  const facts = { isNamed: false, products: 0, isPublished: false, said: {} };

  it('are what is to be seen, else what the owner says, in order', () => {
    expect(firstSteps(facts)).to.deep.include({ current: 'shop' });
    expect(firstSteps({ ...facts, isNamed: true, said: { pieces: 'skipped' } })!.steps).to.deep.equal([
      { key: 'shop', state: 'done' },
      { key: 'catalogue', state: 'open' },
      { key: 'pieces', state: 'skipped' },
      { key: 'publish', state: 'open' },
    ]);
    expect(firstSteps({ ...facts, products: 3, said: { shop: 'skipped', pieces: 'done' } })!.current).to.equal(
      'publish',
    );
  });

  it('are over when the shop is open, and not before', () => {
    expect(firstSteps({ ...facts, said: { publish: 'done' } })!.current).to.equal('shop');
    expect(firstSteps({ ...facts, isPublished: true })).to.equal(null);
  });
});

describe('a new data folder', () => {
  let server: TestServer;
  let dataDir: string;
  before(async function () {
    this.timeout(60_000);
    dataDir = await mkdtemp(path.join(tmpdir(), 'paved-lane-new-'));
    server = await serve(path.join(dataDir, 'shop'), { PAVED_LANE_DEMO: '0' });
  });
  after(async () => {
    await server.stop();
    await rm(dataDir, { recursive: true, force: true });
  });

  const get = (pathname: string, cookie = '') =>
    fetch(server.origin + pathname, { headers: { cookie }, redirect: 'manual' });
  const keyOf = (said: string) => /\/studio\/begin\?key=([\w-]+)/.exec(said)![1]!;
  const begin = (key: string, fields: Record<string, string>) =>
    fetch(`${server.origin}/studio/begin?key=${key}`, {
      method: 'POST',
      body: new URLSearchParams(fields),
      redirect: 'manual',
      headers: { origin: server.origin },
    });
  const RUNA = { name: 'Runa', email: 'Runa@Shop.example', password: 'wind enough' };
  let cookie = '';

  it('says that its shop opens soon, and nothing answers 500', async () => {
    const pages = [
      '/shop/',
      '/shop/all',
      '/shop/cart',
      '/shop/checkout',
      '/shop/p/x',
      '/shop/thanks/x',
      '/shop/search?q=a',
    ];
    for (const page of pages) {
      const response = await get(page);
      expect([page, response.status]).to.deep.equal([page, 503]);
      expect(await response.text()).to.include('My shop opens soon');
    }
    expect((await get('/api/manifest')).status).to.equal(503);
    expect((await get('/api/cart')).status).to.equal(503);
    expect((await get('/api/health')).status).to.equal(200);
    expect((await get('/studio')).headers.get('location')).to.include('/studio/sign-in');
    expect(await (await get('/studio/sign-in')).text()).to.include('Nobody has an account yet');
  });

  it('gives its first account to whoever reads the console, once, and to no stranger', async () => {
    const key = keyOf(server.said());
    expect((await get('/studio/begin')).status).to.equal(404);
    expect((await begin('guessed', RUNA)).status).to.equal(404);
    const refused = await begin(key, { ...RUNA, password: 'short' });
    expect(refused.status).to.equal(422);
    const again = await refused.text();
    expect(again)
      .to.include('at least 10 characters')
      .and.to.include('value="Runa"')
      .and.not.to.include('value="short"');

    const begun = await Promise.all([begin(key, RUNA), begin(key, { ...RUNA, email: 'other@shop.example' })]);

    const statuses = begun.map(({ status }) => status).sort();
    expect(statuses[0]).to.equal(303);
    expect(statuses[1]).to.be.oneOf([404, 422]);
    const first = begun.find(({ status }) => status === 303)!;
    expect(first.headers.get('location')).to.equal('/studio/shop');
    cookie = first.headers
      .getSetCookie()
      .find((one) => one.startsWith('pl_sign_in'))!
      .split(';')[0]!;
    expect((await begin(key, { ...RUNA, email: 'late@shop.example' })).status).to.equal(404);
  });

  it('shows its owner the shop that others do not see, and takes no order', async () => {
    const own = await get('/shop/', cookie);
    expect(own.status).to.equal(200);
    const text = await own.text();
    expect(text).to.include('Welcome').and.not.to.include('opens soon');
    // What the owner saw is not remembered for anybody.
    expect((await get('/shop/')).status).to.equal(503);
    for (const room of [
      '/studio',
      '/studio/catalogue',
      '/studio/catalogue/import',
      '/studio/orders',
      '/studio/revisions',
    ])
      expect([room, (await get(room, cookie)).status]).to.deep.equal([room, 200]);
    // The bare address leads to work while there is some, and shoppers to the shop.
    expect((await get('/', cookie)).headers.get('location')).to.equal('/studio');
    expect((await get('/')).status).to.equal(503);
  });

  it('opens when it is published, and its bare address leads everybody to it', async () => {
    const headers = { cookie, origin: server.origin, 'content-type': 'application/json' };
    const draft = (await (await fetch(`${server.origin}/api/studio/draft`, { headers })).json()) as {
      edit: number;
      cautions: { text: string }[];
    };
    expect(draft.cautions.map(({ text }) => text)).to.include('No product is shown: shoppers would see an empty shop.');
    expect(draft.cautions.map(({ text }) => text).join(' ')).to.include('Payment is a stand-in');
    const patch = [{ op: 'replace', path: '/shop/name', value: 'Reed & Loft' }];
    const patched = await fetch(`${server.origin}/api/studio/draft`, {
      method: 'PATCH',
      headers,
      body: JSON.stringify({ edit: draft.edit, patch }),
    });
    const { edit } = (await patched.json()) as { edit: number };
    expect(await (await get('/shop/')).text()).to.include('Reed &amp; Loft opens soon');

    const published = await fetch(`${server.origin}/api/studio/publish`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ edit, note: '' }),
    });

    expect(published.status).to.equal(200);
    await new Promise((resolve) => setTimeout(resolve, 300));
    const open = await get('/shop/');
    expect([open.status, (await open.text()).includes('Reed &amp; Loft')]).to.deep.equal([200, true]);
    for (const who of ['', cookie]) expect((await get('/', who)).headers.get('location')).to.equal('/shop/');
  });
});
