import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { readEnvironment } from '../../src/server/environment';
import { sendRaw } from '../support/spellings';
import { seedFolder, serve, type TestServer } from '../support/server';
import { askTls, startTlsProxy } from '../support/tls-proxy';

const FORM = { 'content-type': 'application/x-www-form-urlencoded' };
const JSON_TYPE = { 'content-type': 'application/json' };
/** What a browser calls itself; a program's own name would be a robot's. */
const BROWSER = { 'user-agent': 'Mozilla/5.0 (X11; Linux x86_64) Chrome/140.0.0.0 Safari/537.36' };

describe('behind a reverse proxy with TLS', () => {
  let proxy: Awaited<ReturnType<typeof startTlsProxy>>;
  let server: TestServer;
  before(async function () {
    this.timeout(60_000);
    // Tests say by a header who they come from, as different shoppers would by their address.
    proxy = await startTlsProxy((headers) => headers['x-test-from'] as string | undefined);
    server = await serve(await seedFolder(0.01), {
      PAVED_LANE_ORIGIN: proxy.origin,
      PAVED_LANE_TRUSTED_PROXIES: '127.0.0.1',
    });
    proxy.leadTo(Number(new URL(server.origin).port));
  });
  after(async () => {
    await proxy.close();
    await server.stop();
  });
  const cookiesOf = (headers: Awaited<ReturnType<typeof askTls>>['headers']) => [headers['set-cookie'] ?? []].flat();
  const ask = (path: string, init: Parameters<typeof askTls>[2] = {}) =>
    askTls(proxy, path, { ...init, headers: { origin: proxy.origin, ...init.headers } });
  const signIn = (password: string, from: string) =>
    ask('/studio/sign-in', {
      method: 'POST',
      headers: { ...FORM, 'x-test-from': from },
      body: new URLSearchParams({ email: 'owner@hollowtarn.example', password }).toString(),
    });

  it('signs in, with cookies that travel over TLS only', async () => {
    const signed = await signIn('windward', '192.0.2.1');

    expect(signed.status).to.equal(303);
    expect(cookiesOf(signed.headers)).to.have.length(2);
    expect(cookiesOf(signed.headers).every((cookie) => /; Secure/.test(cookie))).to.equal(true);
    expect(signed.headers['strict-transport-security']).to.match(/max-age=\d{8}/);
  });

  it('takes forms, files and events', async () => {
    const form = await ask('/shop/cart', {
      method: 'POST',
      headers: FORM,
      body: new URLSearchParams({ kind: 'add', product: 'hoop-winder' }).toString(),
    });
    const upload = await ask('/api/uploads?product=sail-your-own&option=artwork&name=a.svg', {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h9"/></svg>',
    });
    const events = await ask('/api/events', {
      method: 'POST',
      headers: { ...JSON_TYPE, ...BROWSER },
      body: JSON.stringify({
        visit: randomUUID(),
        device: 'phone',
        events: [{ id: randomUUID(), at: Date.now(), kind: 'page' }],
      }),
    });

    expect([form.status, upload.status, events.status, events.text]).to.deep.equal([303, 200, 200, '{"fresh":1}']);
    expect(cookiesOf(form.headers)[0]).to.match(/^pl_cart=.*; Secure/);
  });

  it('refuses forms from another site', async () => {
    const posted = await ask('/shop/cart', {
      method: 'POST',
      headers: { ...FORM, origin: 'https://elsewhere.example' },
      body: 'kind=add&product=hoop-winder',
    });

    expect(posted.status).to.equal(403);
  });

  it('counts tries by the address they come from, so that one guesser does not lock out the owner', async () => {
    const guesses = [];
    for (let i = 0; i < 12; i += 1) guesses.push((await signIn('guess', '198.51.100.7')).text);
    const own = await signIn('windward', '192.0.2.9');

    expect(guesses.at(-1)).to.include('Too many tries');
    expect(own.status).to.equal(303);
  });

  it('writes its public address into what search engines read, whatever a request calls it', async () => {
    const page = await ask('/shop/p/heron');
    const evil = await ask('/shop/p/heron', { headers: { host: 'evil.example' } });
    const direct = await sendRaw(server.origin, '/shop/p/heron', { headers: { host: 'evil.example' } });

    expect(page.text).to.include(`"url":"${proxy.origin}/shop/p/heron"`);
    expect([evil.status, direct.status]).to.deep.equal([421, 421]);
    expect(direct.text).not.to.include('evil.example');
  });

  it('leads from http to the same address over TLS', async () => {
    const { host } = new URL(proxy.origin);

    const asked = await sendRaw(server.origin, '/shop/all?sort=name', {
      headers: { host, 'x-forwarded-host': host, 'x-forwarded-proto': 'http' },
    });

    expect([asked.status, asked.headers['location']]).to.deep.equal([308, `${proxy.origin}/shop/all?sort=name`]);
  });

  it('is healthy for those who ask by number', async () => {
    expect((await sendRaw(server.origin, '/api/health')).status).to.equal(200);
  });
});

describe('without a proxy', () => {
  let server: TestServer;
  before(async () => {
    server = await serve(await seedFolder(0.01));
  });
  after(() => server.stop());

  it('believes nobody who says where a request comes from, and answers to no other name', async () => {
    const forwarded = {
      'x-forwarded-host': 'evil.example',
      'x-forwarded-proto': 'https',
      'x-forwarded-for': '10.0.0.1',
    };

    const page = await sendRaw(server.origin, '/shop/p/heron', { headers: forwarded });
    const named = await sendRaw(server.origin, '/shop/p/heron', { headers: { host: 'evil.example' } });

    expect(page.status).to.equal(200);
    expect(page.text).to.include(`"url":"${server.origin}/shop/p/heron"`);
    expect(page.headers['strict-transport-security']).to.equal(undefined);
    expect(named.status).to.equal(421);
  });
});

describe('the environment', () => {
  it('has a default for everything', () => {
    expect(readEnvironment({}, '/srv')).to.include({ port: 4321, host: '127.0.0.1', origin: null, isDemo: false });
  });

  it('is refused with the name of what is wrong', () => {
    const read = (variables: Record<string, string>) => () => readEnvironment(variables, '/srv');

    expect(read({ PORT: 'http' })).to.throw(/PORT/);
    expect(read({ PAVED_LANE_ORIGIN: 'shop.example' })).to.throw(/PAVED_LANE_ORIGIN must be the public address/);
    expect(read({ PAVED_LANE_ORIGIN: 'https://shop.example/shop' })).to.throw(/without a path/);
    expect(read({ PAVED_LANE_TRUSTED_PROXIES: 'the proxy' })).to.throw(/PAVED_LANE_TRUSTED_PROXIES/);
    expect(readEnvironment({ PAVED_LANE_TRUSTED_PROXIES: '10.0.0.0/8, loopback' }, '/').trustedProxies).to.have.length(
      2,
    );
  });
});
