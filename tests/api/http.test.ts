import { request } from 'node:http';
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { sendBadInputs } from '../support/bad-inputs';
import { createApp } from '~/services/app';
import { signInOwner, startServer, type TestServer } from '../support/server';

describe('the server', () => {
  let server: TestServer;
  let owner: string;
  before(async function () {
    this.timeout(60_000);
    server = await startServer(0.01);
    owner = await signInOwner(server.origin);
  });
  after(() => server.stop());

  const send = (path: string, body: unknown, init: RequestInit = {}) =>
    fetch(`${server.origin}${path}`, {
      method: 'POST',
      ...init,
      headers: {
        'content-type': 'application/json',
        origin: server.origin,
        ...(init.headers as Record<string, string>),
      },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    });

  it('is healthy and tells its version', async () => {
    const health = (await (await fetch(`${server.origin}/api/health`)).json()) as object;

    expect(health).to.include({ healthy: true, database: true, migrationsPending: 0, version: '0.1.0' });
  });

  it('serves the manifest with an ETag, and 304 to those who have it', async () => {
    const first = await fetch(`${server.origin}/api/manifest`);
    const again = await fetch(`${server.origin}/api/manifest`, {
      headers: { 'if-none-match': first.headers.get('etag')! },
    });

    expect(first.headers.get('access-control-allow-origin')).to.equal('*');
    expect(again.status).to.equal(304);
    expect(JSON.stringify(await first.json())).not.to.match(/costMinor|cost_minor|WIND10/);
  });

  it('never shows costs, on any public answer about a product', async () => {
    const answers = await Promise.all(
      ['/api/products/heron', '/shop/p/heron', '/shop/all'].map((path) =>
        fetch(server.origin + path).then((response) => response.text()),
      ),
    );

    for (const text of answers) expect(text).not.to.match(/cost_?minor/i);
  });

  it('keeps the studio for those who signed in', async () => {
    const page = await fetch(`${server.origin}/studio`, { redirect: 'manual' });
    const api = await fetch(`${server.origin}/api/studio/draft`);
    const signedIn = await fetch(`${server.origin}/api/studio/draft`, { headers: { cookie: owner } });

    expect(page.status).to.equal(303);
    expect(page.headers.get('location')).to.match(/^\/studio\/sign-in/);
    expect(api.status).to.equal(401);
    expect(signedIn.status).to.equal(200);
  });

  it('refuses forms posted from another site, and takes those of pages that keep their address to themselves', async () => {
    const post = async (headers: Record<string, string>, body: URLSearchParams | string | null) => {
      const answer = await fetch(`${server.origin}/shop/cart`, { method: 'POST', body, redirect: 'manual', headers });
      return answer.status === 403;
    };
    const form = () => new URLSearchParams({ kind: 'note', note: '' });
    const own = server.origin;

    expect(await post({ origin: 'https://elsewhere.example' }, form())).to.equal(true);
    expect(await post({ origin: 'https://elsewhere.example', 'content-type': 'text/plain' }, 'a=b')).to.equal(true);
    expect(await post({ origin: 'null' }, form())).to.equal(true);
    expect(await post({ origin: 'null', 'sec-fetch-site': 'cross-site' }, form())).to.equal(true);
    expect(await post({}, form())).to.equal(true);
    expect(await post({ origin: 'https://elsewhere.example' }, null)).to.equal(true);
    expect(await post({ origin: 'null', 'sec-fetch-site': 'same-origin' }, form())).to.equal(false);
    expect(await post({ origin: own }, form())).to.equal(false);
  });

  /** What a body of so many bytes is answered; it is sent only as far as the server reads it. */
  function answerTo(path: string, bytes: number, length: 'said' | 'not said' = 'said'): Promise<number> {
    return new Promise((answered, failed) => {
      const headers = { origin: server.origin, 'content-type': 'application/json' };
      const post = request(`${server.origin}${path}`, {
        method: 'POST',
        headers: length === 'said' ? { ...headers, 'content-length': bytes } : headers,
      });
      post.on('response', (response) => {
        answered(response.statusCode!);
        post.destroy();
      });
      post.on('error', failed);
      if (length === 'said') post.flushHeaders();
      else for (let sent = 0; sent < bytes; sent += 100_000) post.write('x'.repeat(100_000));
    });
  }

  it('refuses bodies that are too large before reading them whole', async () => {
    expect(await answerTo('/api/cart', 1_200_000)).to.equal(413);
    expect(await answerTo('/api/cart', 1_200_000, 'not said'), 'without its length').to.equal(413);
  });

  it('sends nobody out of the studio after signing in', async () => {
    const form = new URLSearchParams({ email: 'owner@hollowtarn.example', password: 'windward' });

    const signed = await fetch(`${server.origin}/studio/sign-in?next=//evil.example/studio`, {
      method: 'POST',
      body: form,
      redirect: 'manual',
      headers: { origin: server.origin },
    });

    expect(signed.headers.get('location')).to.equal('/studio');
  });

  const wrong: [string, string, unknown, number][] = [
    ['a cart change of no kind', '/api/cart', { kind: 'steal' }, 422],
    ['a negative quantity', '/api/cart', { kind: 'add', variantId: 1, quantity: -1 }, 422],
    ['half a quantity', '/api/cart', { kind: 'add', variantId: 1, quantity: 1.5 }, 422],
    ['a variant nobody knows', '/api/cart', { kind: 'add', variantId: 999_999 }, 404],
    ['choices left open', '/api/cart', { kind: 'add', product: 'heron' }, 422],
    ['no JSON at all', '/api/cart', 'not json', 422],
    ['an order without a cart', '/api/orders', { key: randomUUID(), form: {} }, 422],
    ['an order with a field too many', '/api/orders', { key: randomUUID(), form: {}, total: 1 }, 422],
    [
      'events of an unknown kind',
      '/api/events',
      { visit: 'abcdefgh', device: 'phone', events: [{ id: 'abcdefgh', at: 1, kind: 'order' }] },
      422,
    ],
    ['a code that is none', '/api/cart', { kind: 'coupon', code: 'NOTHING' }, 422],
    ['a line put back under a name that is none', '/api/cart', { kind: 'add', variantId: 1, lineId: 'x' }, 422],
    ['an answer under a key that is none', '/api/cart', { kind: 'add', variantId: 1, answers: { 'A b': 'x' } }, 422],
    ['other choices for a line that is gone', '/api/cart', { kind: 'reshape', lineId: 'gone', variantId: 1 }, 422],
    ['a destination nobody serves', '/api/cart', { kind: 'destination', country: 'XX', postcode: '1' }, 422],
    ['a change under an id that is none', '/api/cart', { kind: 'note', note: 'x', changeId: 'again' }, 422],
    ['a checkout with a card in what is kept', '/api/checkout', { form: { cardNumber: '5' } }, 422],
    ['a checkout without a cart', '/api/checkout', { form: {} }, 422],
    ['an upload that is for nothing', '/api/uploads', { file: 'x' }, 422],
    ['events of an unknown device', '/api/events', { visit: 'abcdefgh', device: 'fridge', events: [] }, 422],
  ];
  for (const [what, path, body, status] of wrong) {
    it(`answers ${what} with ${status} and says why`, async () => {
      const response = await send(path, body);

      const answer = (await response.json()) as { problems: { message: string }[] };
      expect(response.status).to.equal(status);
      expect(answer.problems[0]!.message).to.be.a('string').with.length.greaterThan(8);
    });
  }

  it('takes a file for an option, gives it back to its owner alone, and refuses one too large unread', async () => {
    const give = (size: number) => {
      const svg = `<svg xmlns="http://www.w3.org/2000/svg"><script>1</script><path d="M0 0h9v9z"/>${' '.repeat(size)}</svg>`;
      const about = 'product=sail-your-own&option=artwork&name=lake.svg';
      const headers = { origin: server.origin, 'content-type': 'application/octet-stream' };
      return fetch(`${server.origin}/api/uploads?${about}`, { method: 'POST', body: svg, headers });
    };
    const kept = await give(10);
    const { id } = (await kept.json()) as { id: string };
    const cart = kept.headers
      .getSetCookie()
      .find((cookie) => cookie.startsWith('pl_cart'))!
      .split(';')[0]!;
    const open = (cookie: string) => fetch(`${server.origin}/api/uploads/${id}`, { headers: { cookie } });

    const [own, shop, other] = await Promise.all([open(cart), open(owner), open(`pl_cart=${randomUUID()}`)]);
    const large = await answerTo('/api/uploads', 6_500_000);

    expect([own.status, shop.status, other.status, large]).to.deep.equal([200, 200, 404, 413]);
    expect(own.headers.get('content-type')).to.equal('image/svg+xml');
    expect(own.headers.get('content-disposition')).to.match(/^attachment/);
    expect(own.headers.get('content-security-policy')).to.include('sandbox');
    expect(await own.text()).not.to.include('script');
  });

  it('lets nobody but accounts change options, and names the rule that is wrong', async () => {
    const put = (rules: unknown, cookie = owner) =>
      send('/api/studio/products/heron/options', { rules }, { method: 'PUT', headers: { cookie } });
    const rule = {
      kind: 'text',
      key: 'a',
      label: 'Motto',
      help: '',
      required: false,
      shownWhen: null,
      least: 9,
      most: 3,
    };
    const effect = { amountMinor: 0, per: 'unit', weightGrams: 0 };

    const stranger = await put([], 'pl_sign_in=nobody');
    const wrong = await put([{ ...rule, effect }]);
    const none = await put('none');

    expect([stranger.status, wrong.status, none.status]).to.deep.equal([401, 422, 422]);
    expect(((await wrong.json()) as { problems: { message: string }[] }).problems[0]!.message).to.equal(
      '“Motto”: the least is more than the most. Change one of the two.',
    );
    expect((await put([])).status).to.equal(200);
  });

  it('draws cart page and checkout into shadow roots that stand without script, with what they were drawn from', async () => {
    const added = await send('/api/cart', { kind: 'add', product: 'hoop-winder' });
    const cookie = added.headers.getSetCookie()[0]!.split(';')[0]!;
    for (const path of ['/shop/cart', '/shop/checkout']) {
      const html = await (await fetch(server.origin + path, { headers: { cookie } })).text();
      const given = /<\/template><script type="application\/json">(.*?)<\/script>/s.exec(html)![1]!;

      expect(html).to.include('<template shadowrootmode="open">').and.include('Hoop Winder');
      expect((JSON.parse(given) as { cart: { count: number } }).cart.count).to.equal(1);
      expect(given).not.to.match(/costMinor/);
    }
  });

  it('answers a stale draft with 409 and the newer draft, and an invalid patch with the place', async () => {
    const change = (edit: number, value: unknown) =>
      send(
        '/api/studio/draft',
        { edit, patch: [{ op: 'replace', path: '/pieces/quick-view/settings/width', value }] },
        { method: 'PATCH', headers: { cookie: owner } },
      );

    const stale = await change(999, 500);
    const invalid = await change(1, 'wide');

    expect(stale.status).to.equal(409);
    expect(((await stale.json()) as { draft: { edit: number } }).draft.edit).to.equal(1);
    expect(invalid.status).to.equal(422);
    expect(((await invalid.json()) as { problems: { path: string }[] }).problems[0]!.path).to.equal(
      'pieces/quick-view/settings/width',
    );
  });

  const odd: [string, string, string][] = [
    [
      'an answer under the name of what every object has',
      '/api/cart',
      '{"kind":"add","product":"sail-your-own","choices":{"Size":"Small"},"answers":{"constructor":"x"}}',
    ],
    [
      'choices of that name',
      '/api/cart',
      '{"kind":"add","product":"heron","choices":{"constructor":"x","__proto__":"y"}}',
    ],
    ['a country of that name', '/api/cart', '{"kind":"destination","country":"__proto__","postcode":"1"}'],
    ['a NUL in a text', '/api/cart', '{"kind":"note","note":"a\\u0000b"}'],
    ['3,000 brackets in each other', '/api/cart', `${'['.repeat(3000)}${']'.repeat(3000)}`],
    ['the same as a value', '/api/cart', `{"kind":"note","note":${'{"a":'.repeat(3000)}1${'}'.repeat(3000)}}`],
    ['a bracket that never closes', '/api/orders', '['.repeat(500_000)],
  ];
  for (const [what, path, body] of odd)
    it(`answers ${what} with what is wrong, and without a fault of its own`, async () => {
      const { status } = await send(path, body);

      expect(status).to.be.within(400, 499);
    });

  it('reads forms whose names and texts are odd without a fault', async () => {
    const post = (path: string, form: Record<string, string>) =>
      fetch(server.origin + path, {
        method: 'POST',
        body: new URLSearchParams(form),
        redirect: 'manual',
        headers: { origin: server.origin },
      }).then((response) => response.status);
    const product = { kind: 'add', product: 'sail-your-own' };

    const statuses = await Promise.all([
      post('/shop/cart', { ...product, 'option:constructor': 'x', 'choice:__proto__': 'y', __proto__x: 'z' }),
      post('/shop/cart', { ...product, 'option:__proto__': 'x' }),
      post('/shop/cart', { kind: 'note', note: 'a\0b' }),
      post('/shop/checkout', { intent: 'order', constructor: 'x' }),
      post('/studio/sign-in', { email: 'a\0b', password: 'x' }),
    ]);

    expect(statuses).to.deep.equal([303, 303, 400, 303, 200]);
  });

  it('says on every answer, refusals and faults among them, what a page may do', async () => {
    const paths = [
      '/shop/all',
      '/shop/p/nope',
      '/nope',
      '/api/nope',
      '/api/cart',
      '/studio',
      '/shop/%2e%2e',
      '/media/nope',
    ];
    for (const path of paths) {
      const { headers } = await fetch(server.origin + path, { redirect: 'manual' });

      expect(headers.get('content-security-policy'), path).to.match(/script-src 'self'(?! 'unsafe-inline')/);
      expect(headers.get('x-content-type-options'), path).to.equal('nosniff');
      expect(headers.get('x-frame-options'), path).to.equal('SAMEORIGIN');
    }
  });

  it('lets nobody store what is one shopper’s or the owner’s own', async () => {
    const draft = (await (await fetch(`${server.origin}/api/studio/draft`, { headers: { cookie: owner } })).json()) as {
      token: string;
    };
    const paths = [
      '/shop/cart',
      '/shop/checkout',
      '/shop/quick-pay',
      '/shop/thanks/nope',
      '/shop/change/nope',
      '/api/cart',
      '/studio',
      '/api/studio/draft',
    ];
    for (const path of [...paths, `/api/manifest?draft=${draft.token}`]) {
      const { headers } = await fetch(server.origin + path, { headers: { cookie: owner }, redirect: 'manual' });

      expect(headers.get('cache-control'), path).to.match(/^(private, )?no-store$/);
    }
  });

  it('takes 400 generated bad inputs without one answer of its own fault, and changes nothing', async function () {
    this.timeout(60_000);
    const stored = async () =>
      (await (await fetch(`${server.origin}/api/studio/draft`, { headers: { cookie: owner } })).json()) as {
        edit: number;
        lane: object;
      };
    const before = await stored();

    await sendBadInputs(server.origin, owner, 400);

    expect(await stored()).to.deep.equal(before);
  });

  it('leads the owner from a draft that cannot be read to where it is replaced', async () => {
    const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
    await app.db.run(`UPDATE lane_draft SET document = '{"version":1}'`);
    await app.close();
    const get = (path: string) => fetch(server.origin + path, { headers: { cookie: owner }, redirect: 'manual' });
    const led = await get('/studio');
    const page = await (await get('/studio/mend')).text();
    const mended = await fetch(`${server.origin}/studio/mend`, {
      method: 'POST',
      body: new URLSearchParams({ revision: '1' }),
      headers: { cookie: owner, origin: server.origin },
      redirect: 'manual',
    });

    expect([led.status, led.headers.get('location')]).to.deep.equal([303, '/studio/mend']);
    expect(page).to.include('Start over from this revision').and.include('Revision 1,');
    expect([mended.status, mended.headers.get('location')]).to.deep.equal([303, '/studio']);
    expect((await get('/studio')).status).to.equal(200);
    expect((await get('/studio/mend')).headers.get('location')).to.equal('/studio/revisions');
  });

  it('answers odd addresses of the shop without a fault', async () => {
    const paths = [
      '/shop/p/%00',
      '/shop/p/..%2f..',
      '/shop/c/nope',
      '/shop/all?page=-1&sort=evil&from=x',
      `/shop/search?q=${encodeURIComponent("'; DROP TABLE products;--%_")}`,
      '/shop/thanks/nope',
      '/shop/change/nope',
      '/shop/change/%00?return=//evil.example',
      '/shop/quick-pay',
      '/shop/checkout?draft=nope',
      '/api/uploads/nope',
      '/api/uploads/..%2f..%2fpaved-lane.sqlite',
      '/api/suggestions?near=%00%00&most=9999',
      '/uploads/x',
      '/media/../paved-lane.sqlite',
      '/media/..%2fpaved-lane.sqlite',
    ];

    const statuses = await Promise.all(
      paths.map((path) => fetch(server.origin + path).then((response) => response.status)),
    );

    expect(
      statuses.every((status) => status === 200 || (status >= 400 && status < 500)),
      statuses.join(),
    ).to.equal(true);
    expect(
      statuses.slice(-2).every((status) => status >= 400),
      statuses.join(),
    ).to.equal(true);
  });
});
