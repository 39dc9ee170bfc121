import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { z } from 'zod';
import { contract, type AnswerOf, type Asking, type RouteName } from '~/contract';
import type { Route } from '~/contract/route';
import { createApp, type App } from '~/services/app';
import { addressOf } from '~/studio/data/api';
import { openApiOf } from '../../scripts/openapi-document';
import { ORDER_FORM } from '../support/checkout';
import { signInOwner, startServer, type TestServer } from '../support/server';
import { orderOver, shopperAt, type Shopper } from '../support/shopper';

/** A red point. */
const PICTURE = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8DwHwAFBQIAX8jx0gAAAABJRU5ErkJggg==';

const NAMES = Object.keys(contract) as RouteName[];
const problemsSchema = z.object({
  problems: z
    .array(
      z.strictObject({
        path: z.string(),
        code: z.string().min(1),
        facts: z.record(z.string(), z.union([z.string(), z.number()])).optional(),
        message: z.string().min(5),
      }),
    )
    .min(1),
});

type Good = { readonly [Name in RouteName]: () => Asking<Name> | Promise<Asking<Name>> };

/** What stays as it is while the others are asked, then what changes it, then what takes away. */
const rank = (name: RouteName) =>
  name.startsWith('GET') ? 0 : name.startsWith('DELETE') ? 3 : /publish|grounds|draft/.test(name) ? 2 : 1;

describe('the contract in docs/openapi.json', () => {
  it('is what `npm run openapi` writes of it today', async () => {
    const kept = JSON.parse(await readFile('docs/openapi.json', 'utf8')) as unknown;

    expect(kept).to.deep.equal(JSON.parse(JSON.stringify(openApiOf())));
  });
});

describe('every route', () => {
  let server: TestServer;
  let app: App;
  let owner: string;
  let shopper: Shopper;
  let good: Good;

  before(async function () {
    this.timeout(60_000);
    server = await startServer(0.02);
    app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
    owner = await signInOwner(server.origin);
    shopper = shopperAt(server.origin);
    await orderOver(shopper, [3]);
    await shopper.postJson('/api/cart', { kind: 'add', variantId: 3, quantity: 2 });
    good = goodRequests();
  });
  after(async () => {
    await app.db.close();
    await server.stop();
  });

  function read<Name extends RouteName>(name: Name, asking: Asking<Name>): Promise<AnswerOf<Name>> {
    return send(name, asking).then((response) => response.json() as Promise<AnswerOf<Name>>);
  }

  /** Sends it as the studio or the runtime does, with the cookies of the owner and of a shopper. */
  function send<Name extends RouteName>(name: Name, asking: Asking<Name>, instead?: string): Promise<Response> {
    const given: { body?: unknown; form?: Record<string, unknown>; bytes?: Blob } = asking;
    const headers: Record<string, string> = { origin: server.origin, cookie: `${owner}; ${shopper.cookies('/api/')}` };
    let body: RequestInit['body'];
    if (instead !== undefined) body = instead;
    else if (given.bytes) body = given.bytes;
    else if (given.form) {
      body = new FormData();
      for (const [key, value] of Object.entries(given.form))
        if (value instanceof File) body.set(key, value);
        else body.set(key, typeof value === 'string' ? value : JSON.stringify(value));
    } else if (given.body !== undefined) body = JSON.stringify(given.body);
    if (!given.form && !given.bytes) headers['content-type'] = 'application/json';
    if (instead !== undefined) headers['content-type'] = 'application/json';
    const [method, address] = [name.split(' ')[0]!, addressOf(name, asking)];
    return fetch(server.origin + address, { method, headers, ...(method !== 'GET' && body !== undefined && { body }) });
  }

  const product = 'ground-stake';
  const aCategory = async () => ({ slug: (await app.catalogue.listEdited())[0]!.slug });
  const edit = async () => (await read('GET /api/studio/draft', {})).edit;
  const file = (text: string, name = 'file.csv') => new File([text], name, { type: 'text/csv' });
  const configuration = async () => (await send('GET /api/studio/configuration', {})).text();
  const german = async () => (await send('GET /api/studio/texts', { query: { language: 'de' } })).text();
  const picture = () => Buffer.from(PICTURE, 'base64');
  const paid = async () => {
    const found = "SELECT id FROM orders WHERE status = 'paid' ORDER BY id DESC LIMIT 1";
    return (await app.db.select<{ id: number }>(found))[0]!.id;
  };

  function goodRequests(): Good {
    return {
      'GET /api/cart': () => ({}),
      'POST /api/cart': () => ({ body: { kind: 'add', variantId: 3, quantity: 1, changeId: 'change-1' } }),
      'POST /api/cart/many': () => ({ body: { items: [{ variantId: 3, quantity: 1 }] } }),
      'POST /api/carry': () => ({ body: { visit: '' } }),
      'POST /api/checkout': () => ({ body: { form: { email: 'ada@example.com' } } }),
      'POST /api/orders': async () => {
        const { version } = await read('GET /api/cart', {});
        return { body: { key: randomUUID(), cartVersion: version, form: ORDER_FORM } };
      },
      'POST /api/uploads': async () => ({
        query: { product: 'sail-your-own', option: 'artwork', name: 'lake.png' },
        bytes: new Blob([new Uint8Array(picture())]),
      }),
      'GET /api/uploads/[id]': async () => ({
        params: { id: (await read('POST /api/uploads', await good['POST /api/uploads']())).id },
      }),
      'GET /api/products/[slug]': () => ({ params: { slug: product } }),
      'GET /api/find-product': async () => ({ query: { sku: await aSku() } }),
      'GET /api/quote': () => ({ query: { variant: 3, quantity: 2 } }),
      'GET /api/search': () => ({ query: { q: 'kite' } }),
      'GET /api/suggestions': () => ({ query: { near: product, most: 3 } }),
      'POST /api/events': () => ({
        body: {
          visit: 'visit-123',
          device: 'phone',
          events: [{ id: 'event-123', at: Date.now(), kind: 'page' }],
        },
      }),
      'POST /api/seen': () => ({ body: { path: '/', links: [], errors: 0 } }),
      'GET /api/manifest': () => ({ query: { lang: 'de' } }),
      'GET /api/health': () => ({}),
      'GET /api/studio/draft': () => ({}),
      'PATCH /api/studio/draft': async () => ({
        body: { edit: await edit(), patch: [{ op: 'replace', path: '/shop/name', value: 'Hollowtarn Kites & Co' }] },
      }),
      'PUT /api/studio/draft': async () => ({ body: { edit: await edit(), revision: 'latest' } }),
      'POST /api/studio/publish': async () => ({ body: { edit: await edit(), note: 'From a test' } }),
      'GET /api/studio/configuration': () => ({ query: { of: 'live' } }),
      'GET /api/studio/configuration/schema': () => ({}),
      'POST /api/studio/configuration/check': async () => ({
        form: { file: file(await configuration(), 'shop.json') },
      }),
      'POST /api/studio/configuration': async () => ({
        form: { file: file(await configuration(), 'shop.json'), options: { edit: await edit() } },
      }),
      'GET /api/studio/texts': () => ({ query: { language: 'de' } }),
      'POST /api/studio/texts/check': async () => ({ form: { file: file(await german(), 'de.po') } }),
      'POST /api/studio/texts': async () => ({
        form: { file: file(await german(), 'de.po'), options: { edit: await edit() } },
      }),
      'GET /api/studio/plans': () => ({}),
      'POST /api/studio/plans': async () => {
        await send('PATCH /api/studio/draft', await good['PATCH /api/studio/draft']());
        return { body: { edit: await edit(), local: `${new Date().getUTCFullYear() + 1}-01-15T09:00` } };
      },
      'DELETE /api/studio/plans/[id]': async () => {
        const [plan] = await read('GET /api/studio/plans', {});
        return { params: { id: plan!.id } };
      },
      'GET /api/studio/revisions/compare': async () => {
        const { revision } = (await read('GET /api/studio/draft', {})).live;
        return { query: { from: revision, to: revision } };
      },
      'GET /api/studio/samples': () => ({}),
      'POST /api/studio/first-steps': () => ({ body: { step: 'shop', state: 'done' } }),
      'POST /api/studio/draft/tries': async () => ({
        body: { edit: await edit(), patch: [{ op: 'replace', path: '/shop/name', value: 'Hollowtarn' }] },
      }),
      'GET /api/studio/proofs': () => ({}),
      'PUT /api/studio/proofs/[piece]': async () => ({
        params: { piece: 'quick-view' },
        body: { of: 'draft', number: await edit(), situations: 18, problems: [] },
      }),
      'POST /api/studio/layouts': () => ({
        body: { kind: 'listing', name: 'Wide', layout: { look: { slots: {}, css: '' }, parts: [], settings: {} } },
      }),
      'DELETE /api/studio/layouts/[id]': async () => {
        const kept = await read('POST /api/studio/layouts', await good['POST /api/studio/layouts']());
        return { params: { id: kept[0]!.id } };
      },
      'GET /api/studio/bulk': () => ({}),
      'POST /api/studio/bulk': () => ({
        body: { list: { q: 'stake' }, change: { kind: 'tag', tag: 'Sturdy', on: true }, apply: true },
      }),
      'DELETE /api/studio/bulk/[id]': async () => {
        await read('POST /api/studio/bulk', {
          body: { list: { q: 'stake' }, change: { kind: 'tag', tag: 'Steady', on: true }, apply: true },
        });
        const kept = await read('GET /api/studio/bulk', {});
        return { params: { id: kept.find(({ undoneAt }) => undoneAt === null)!.id } };
      },
      'PUT /api/studio/categories': async () => {
        const categories = await app.catalogue.listEdited();
        return {
          body: {
            categories: categories.map(({ slug, name, text, picture: src, parent }) => ({
              slug,
              name,
              text,
              picture: src,
              parent,
            })),
          },
        };
      },
      'GET /api/studio/categories/[slug]': async () => ({ params: await aCategory() }),
      'PUT /api/studio/categories/[slug]': async () => ({ params: await aCategory(), body: { slugs: [product] } }),
      'POST /api/studio/suggestions/find': () => ({}),
      'PUT /api/studio/suggestions': () => ({
        body: { state: 'refused', pairs: [{ a: product, b: 'sail-your-own', both: 3, baskets: 30, lift: 2 }] },
      }),
      'POST /api/studio/suggestions/orders': () => ({ form: { file: file('Order;Product\n1;Ground Stake\n') } }),
      'GET /api/studio/grounds/currency': () => ({ query: { to: 'NOK', rate: 11.5 } }),
      'POST /api/studio/grounds/currency': async () => ({ body: { to: 'NOK', rate: 11.5, edit: await edit() } }),
      'GET /api/studio/grounds/zone': () => ({ query: { to: 'Asia/Tokyo' } }),
      'POST /api/studio/grounds/zone': async () => ({ body: { to: 'Asia/Tokyo', edit: await edit() } }),
      'POST /api/studio/imports': () => ({
        form: { file: file('SKU;Name;Price\nNEW-1;A new kite;19.90\n'), apply: '1' },
      }),
      'GET /api/studio/imports/[id]': async () => {
        const started = await read('POST /api/studio/imports', {
          form: { file: file('SKU;Name;Price\nNEW-2;A newer kite;29.90\n'), apply: '1' },
        });
        return { params: { id: 'id' in started ? started.id : '' } };
      },
      'GET /api/studio/lane-map': () => ({ query: { days: 7, device: 'phone' } }),
      'GET /api/studio/links': async () => ({ query: { sku: await aSku(), quantity: 2, answers: '{}' } }),
      'POST /api/studio/offers/backtest': async () => ({
        body: { offer: Object.keys((await read('GET /api/studio/draft', {})).lane.offers)[0]! },
      }),
      'POST /api/studio/offers/guard': () => ({}),
      'GET /api/studio/offers/codes': () => ({ query: { offer: 'any' } }),
      'POST /api/studio/offers/codes': async () => {
        const { offers } = (await read('GET /api/studio/draft', {})).lane;
        const id = Object.keys(offers).find((key) => offers[key]!.when.code !== null)!;
        const value = { ...offers[id]!, when: { ...offers[id]!.when, code: null, isOneTime: true } };
        await read('PATCH /api/studio/draft', {
          body: { edit: await edit(), patch: [{ op: 'replace', path: `/offers/${id}`, value }] },
        });
        return { body: { offer: id, count: 3 } };
      },
      'POST /api/studio/offers/free-from': () => ({ body: { share: 0.2, reach: 0.3 } }),
      'GET /api/studio/offers/goods': () => ({ query: { slugs: product } }),
      'GET /api/studio/orders': () => ({ query: { filter: 'open' } }),
      'POST /api/studio/orders': async () => ({ body: { ids: [await paid()], action: 'pack' } }),
      'POST /api/studio/orders/[id]': async () => ({
        params: { id: await paid() },
        body: { action: 'send', tracking: 'T-1' },
      }),
      'POST /api/studio/orders/dispatch': () => ({ bytes: file('Order;Tracking\n1001;T-2\n') }),
      'POST /api/studio/erase': () => ({ body: { email: 'ada@example.com', apply: false } }),
      'DELETE /api/studio/people': async () => {
        await app.accounts.insert({
          email: 'ed@hollowtarn.example',
          name: 'Ed',
          role: 'editor',
          passwordHash: 'x',
        });
        return { body: { email: 'ed@hollowtarn.example' } };
      },
      'POST /api/studio/people/invites': () => ({ body: { email: 'new@hollowtarn.example', role: 'viewer' } }),
      'DELETE /api/studio/people/invites': () => ({ body: { email: 'new@hollowtarn.example' } }),
      'POST /api/studio/people/password': () => ({ body: { old: 'windward', next: 'leeward-and-on' } }),
      'DELETE /api/studio/people/sessions': () => ({ body: { key: null } }),
      'GET /api/studio/people/audit': () => ({}),
      'GET /api/studio/products': () => ({ query: { q: 'kite' } }),
      'POST /api/studio/products': () => ({ body: { name: 'A kite of paper' } }),
      'GET /api/studio/products/names': () => ({ query: { slug: [product, 'sail-your-own'] } }),
      'GET /api/studio/products/of-sku': async () => ({ query: { sku: await aSku() } }),
      'GET /api/studio/products/[slug]': () => ({ params: { slug: product } }),
      'PUT /api/studio/products/[slug]': async () => {
        const { edit: of, record } = await read('GET /api/studio/products/[slug]', { params: { slug: product } });
        return { params: { slug: product }, body: { edit: of, record: { ...record, brand: 'Tarn' } } };
      },
      'DELETE /api/studio/products/[slug]': async () => {
        const { slug } = await read('POST /api/studio/products', { body: { name: 'A kite to lose' } });
        return { params: { slug } };
      },
      'GET /api/studio/products/[slug]/options': () => ({ params: { slug: 'sail-your-own' } }),
      'PUT /api/studio/products/[slug]/options': async () => {
        const { rules } = await read('GET /api/studio/products/[slug]/options', { params: { slug: 'sail-your-own' } });
        return { params: { slug: 'sail-your-own' }, body: { rules } };
      },
      'PUT /api/studio/products/[slug]/reviews': async () => {
        for (const { slug } of await read('GET /api/studio/products', {})) {
          const [review] = (await read('GET /api/studio/products/[slug]', { params: { slug } })).reviews;
          if (review) return { params: { slug }, body: { id: review.id, isHidden: true, answer: '' } };
        }
        throw new Error('No product of the demo has a review.');
      },
      'POST /api/studio/selection': () => ({
        body: {
          from: 'all',
          category: '',
          tag: '',
          search: '',
          picked: { slugs: [] },
          without: { slugs: [product] },
          order: 'name',
          inStockOnly: true,
          most: 5,
        },
      }),
      'POST /api/studio/icons': async () => ({
        form: { file: new File([new Uint8Array(picture())], 'icon.png', { type: 'image/png' }), use: 'icon' },
      }),
      'POST /api/studio/examples': () => ({}),
      'DELETE /api/studio/examples': () => ({}),
      'PUT /api/studio/searches': () => ({ body: { term: 'dragon', means: ['kite'] } }),
    };
  }
  const aSku = async () => (await read('GET /api/products/[slug]', { params: { slug: product } })).variants[0]!.sku;

  it('answers what the contract says to what it may be asked', async function () {
    this.timeout(60_000);
    const wrong: string[] = [];
    /** Example products go into an empty catalogue only. */
    const refused: Partial<Record<RouteName, number>> = { 'POST /api/studio/examples': 409 };
    for (const name of [...NAMES].sort((a, b) => rank(a) - rank(b))) {
      const route: Route = contract[name];
      const response = await send(name, (await good[name]()) as never);
      const text = await response.text();
      if (response.status !== (refused[name] ?? (response.status === 202 ? 202 : 200)))
        wrong.push(`${name}: ${response.status} ${text.slice(0, 300)}`);
      else if (response.ok) wrong.push(...misfits(name, route, response, text));
    }

    expect(wrong).to.deep.equal([]);
  });

  function misfits(name: string, route: Route, response: Response, text: string): string[] {
    for (const [header, value] of [
      ['cache-control', route.cache],
      ['vary', route.vary],
    ] as const)
      if (value && !response.headers.get(header)?.includes(value))
        return [`${name}: ${header} ${response.headers.get(header)}`];
    const type = response.headers.get('content-type')!.split(';')[0]!;
    if (type === 'application/x-ndjson') {
      const last = JSON.parse(text.trim().split('\n').at(-1)!) as { answer?: unknown };
      const told = route.lines?.safeParse(last.answer);
      return told?.success ? [] : [`${name}: ${JSON.stringify(told?.error.issues)}`];
    }
    if (route.file && !route.answer) return route.file.includes(type) ? [] : [`${name}: ${type}`];
    const told = route.answer?.safeParse(JSON.parse(text));
    return told?.success ? [] : [`${name}: ${JSON.stringify(told?.error.issues)}`];
  }

  it('refuses what it may not be asked, says where and what to do, and has no fault of its own', async function () {
    this.timeout(60_000);
    owner = await signInOwner(server.origin).catch(() => owner);
    const wrong: string[] = [];
    for (const name of NAMES) {
      const route: Route = contract[name];
      const asking = (route.params ? { params: { slug: 'nobody', id: '999999999' } } : {}) as never;
      const bad: (readonly [string, Promise<Response>])[] = [];
      if (route.body || route.form || route.mostBytes)
        for (const body of ['', '[]', '{', '{"nobody":1}', '"text"', 'null', '{"kind":{},"edit":-1,"email":[]}'])
          bad.push([body, send(name, asking, body)]);
      if (route.query)
        bad.push([
          '?nobody',
          send(name, { ...(asking as object), query: { nobody: 'x', to: '\u0000', days: 'x' } } as never),
        ]);
      if (route.params) bad.push(['no such thing', send(name, asking)]);
      for (const [what, sent] of bad) {
        const response = await sent;
        if (response.ok && (name.startsWith('GET') || name === 'POST /api/uploads')) continue;
        const told = problemsSchema.safeParse(await response.json().catch(() => null));
        if (response.status < 400 || response.status >= 500 || !told.success)
          wrong.push(`${name} ${what}: ${response.status} ${JSON.stringify(told.error?.issues ?? '')}`);
      }
    }

    expect(wrong).to.deep.equal([]);
  });
});
