import { chromium, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { spawn } from 'node:child_process';
import { Agent, request } from 'node:http';
import { createApp } from '~/services/app';
import { changeCartOf } from '~/services/cart/change-cart';
import { showLaneMap } from '~/services/draft/show-lane-map';
import { addPiece, selectionOf } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import { orderNow } from '../support/order-now';
import { signInOwner as publisher } from '../support/owner';
import { seedFolder, serve, signInOwner, startServer } from '../support/server';
import { openTestShop } from '../support/shop';
import { line, ms, quantile } from './tell';

// Figures are of a server as it sells.
process.env['PAVED_LANE_CHECK_ANSWERS'] = '0';

interface Asked {
  readonly headers?: Record<string, string>;
  /** Sent as JSON. */
  readonly body?: object;
}

/**
 * Requests a second for some seconds at some connections; counted only when answered well. What is asked is told which
 * connection it is on, and how many went before on it.
 */
async function load(
  url: string,
  seconds: number,
  asked: (connection: number, round: number) => Asked = () => ({}),
  connections = 20,
): Promise<{ perSecond: number; p50: number; p99: number }> {
  const agent = new Agent({ keepAlive: true, maxSockets: connections });
  const until = performance.now() + seconds * 1000;
  const times: number[] = [];
  const once = ({ headers, body }: Asked) =>
    new Promise<void>((resolve, reject) => {
      const started = performance.now();
      const type = body && { 'content-type': 'application/json' };
      request(url, { agent, method: body ? 'POST' : 'GET', headers: { ...headers, ...type } }, (response) => {
        response.resume();
        response.on('end', () => {
          if (response.statusCode! >= 400) return reject(new Error(`${url} answered ${response.statusCode}`));
          times.push(performance.now() - started);
          resolve();
        });
      })
        .on('error', reject)
        .end(body && JSON.stringify(body));
    });
  await Promise.all(
    Array.from({ length: connections }, async (_, connection) => {
      for (let round = 0; performance.now() < until; round += 1) await once(asked(connection, round));
    }),
  );
  agent.destroy();
  return { perSecond: times.length / seconds, p50: quantile(times, 0.5), p99: quantile(times, 0.99) };
}

/** Answers “ok”, in a process of its own as the shop is. */
async function bareServer(): Promise<{ url: string; close: () => void }> {
  const source = `const server = require('node:http').createServer((_, response) => response.end('ok'));
    server.listen(0, '127.0.0.1', () => process.stdout.write(String(server.address().port)));`;
  const child = spawn(process.execPath, ['-e', source], { stdio: ['ignore', 'pipe', 'inherit'] });
  const port = await new Promise<string>((resolve) =>
    child.stdout.once('data', (data: Buffer) => resolve(String(data))),
  );
  return { url: `http://127.0.0.1:${port}/`, close: () => child.kill() };
}

const changeOf = (cart: { readonly cookie: string; readonly lineId: string }, round: number): Asked => ({
  headers: { cookie: cart.cookie },
  body: { kind: 'set', lineId: cart.lineId, quantity: 1 + (round % 2), changeId: randomUUID() },
});

/** Carts with a line in them, and who holds them. */
function makeCarts(origin: string, count: number): Promise<{ cookie: string; lineId: string }[]> {
  return Promise.all(
    Array.from({ length: count }, async () => {
      const body = JSON.stringify({ kind: 'add', product: 'hoop-winder', quantity: 1 });
      const headers = { 'content-type': 'application/json' };
      const answer = await fetch(`${origin}/api/cart`, { method: 'POST', headers, body });
      const { lineId } = (await answer.json()) as { lineId: string };
      return { cookie: answer.headers.get('set-cookie')!.split(';')[0]!, lineId };
    }),
  );
}

async function benchServer(origin: string): Promise<void> {
  const bare = await bareServer();
  const ok = await load(bare.url, 3);
  bare.close();
  const etag = (await fetch(`${origin}/api/manifest`)).headers.get('etag')!;
  await load(`${origin}/shop/all`, 1);
  const manifest = await load(`${origin}/api/manifest`, 4, () => ({ headers: { 'if-none-match': etag } }));
  const listing = await load(`${origin}/shop/all`, 6);
  const carts = await makeCarts(origin, 50);
  const withCart = await load(`${origin}/shop/all`, 6, (connection) => ({
    headers: { cookie: carts[connection]!.cookie },
  }));
  const changes = await load(
    `${origin}/api/cart`,
    6,
    (connection, round) => changeOf(carts[connection]!, round),
    carts.length,
  );
  line('bare node:http “ok”', `${ok.perSecond.toFixed(0)}/s`);
  line(
    'manifest with ETag',
    `${manifest.perSecond.toFixed(0)}/s`,
    `${(manifest.perSecond / ok.perSecond).toFixed(2)} × bare (bar 0.5)`,
  );
  line(
    'listing page, 24 cards, without a cart',
    `${listing.perSecond.toFixed(0)}/s`,
    `${(listing.perSecond / ok.perSecond).toFixed(2)} × bare (bar 0.3), p50 ${ms(listing.p50)}, p99 ${ms(listing.p99)}`,
  );
  line(
    'listing page, 24 cards, with a cart',
    `${withCart.perSecond.toFixed(0)}/s`,
    `p50 ${ms(withCart.p50)}, p99 ${ms(withCart.p99)} (bar 250/s, p99 ≤ 5 × p50)`,
  );
  line(
    'cart change, 50 shoppers at once',
    `${changes.perSecond.toFixed(0)}/s`,
    `p50 ${ms(changes.p50)}, p99 ${ms(changes.p99)} (bar 300/s, p99 ≤ 250 ms)`,
  );
}

const MANY = 10_000;

/** How long single answers take in a shop with many products, one after the other. */
async function benchMany(): Promise<void> {
  const dataDir = await seedFolder(0.05, MANY);
  const app = await createApp({ dataDir, logLevel: 'silent' });
  const rows = await app.db.select<{ slug: string; category: string }>(
    `SELECT p.slug, c.slug category FROM products p JOIN product_categories pc ON pc.product_id = p.id
     JOIN categories c ON c.id = pc.category_id WHERE p.in_stock = 1 AND p.options = '[]' ORDER BY p.id * 7919 % 10007 LIMIT 40`,
  );
  await app.close();
  const server = await serve(dataDir);
  const { origin } = server;
  const owner = await signInOwner(origin);
  const added = await fetch(`${origin}/api/cart`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ kind: 'add', product: 'hoop-winder', quantity: 1 }),
  });
  const cart = added.headers.get('set-cookie')!.split(';')[0]!;
  const one = async (pathname: string, cookie = cart): Promise<number> => {
    const started = performance.now();
    const response = await fetch(origin + pathname, { headers: { cookie } });
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`${pathname} was answered with ${response.status}`);
    return performance.now() - started;
  };
  const many = async (name: string, pathOf: (row: (typeof rows)[number], i: number) => string, bar: string) => {
    await one(pathOf(rows[0]!, 0));
    const times: number[] = [];
    for (const [i, row] of rows.entries()) times.push(await one(pathOf(row, i)));
    line(`${name}, ${MANY} products`, ms(quantile(times, 0.95)), `p50 ${ms(quantile(times, 0.5))} (bar p95 ${bar})`);
  };
  const words = ['kite', 'harbour line', 'blue delta', 'winder', 'kyte'];
  await many('front page', () => '/shop/', '50');
  await many('listing of all', (_, i) => `/shop/all?page=${1 + i * 7}&sort=${i % 2 ? 'name' : 'price-up'}`, '50');
  await many('category', (row) => `/shop/c/${row.category}`, '50');
  await many('product page', (row) => `/shop/p/${row.slug}`, '50');
  await many('search', (_, i) => `/shop/search?q=${encodeURIComponent(words[i % words.length]!)}`, '50');
  await many('cart page', () => '/shop/cart', '50');
  await many('checkout', () => '/shop/checkout', '50');
  await many('suggestions at an add', (row) => `/api/suggestions?near=${row.slug}`, '20');
  await many('search while typing', (_, i) => `/api/search?q=${words[i % words.length]!.slice(0, 3)}`, '20');
  const studio = async (name: string, pathname: string, bar: string) => {
    await one(pathname, owner);
    const times = [];
    for (let i = 0; i < 12; i += 1) times.push(await one(pathname, owner));
    line(`${name}, ${MANY} products`, ms(quantile(times, 0.95)), `p50 ${ms(quantile(times, 0.5))} (bar ${bar})`);
  };
  await studio('studio catalogue', '/studio/catalogue', '100');
  await studio('bench opening', '/studio/bench/quick-view', '1000');
  const published = [];
  for (let i = 0; i < 5; i += 1) published.push(await publishOnce(origin, owner, `Note ${i}`));
  line(`publishing, ${MANY} products`, ms(quantile(published, 0.95)), '(bar 1000)');
  await server.stop();
}

/** Milliseconds that publishing a changed draft takes. */
async function publishOnce(origin: string, owner: string, tagline: string): Promise<number> {
  const headers = { cookie: owner, origin, 'content-type': 'application/json' };
  const send = async (pathname: string, method: string, body: object) => {
    const response = await fetch(origin + pathname, { method, headers, body: JSON.stringify(body) });
    if (!response.ok) throw new Error(`${pathname} was answered with ${response.status}: ${await response.text()}`);
    return (await response.json()) as { edit: number };
  };
  const draft = (await (await fetch(`${origin}/api/studio/draft`, { headers })).json()) as { edit: number };
  const patch = [{ op: 'replace', path: '/shop/name', value: tagline }];
  const { edit } = await send('/api/studio/draft', 'PATCH', { edit: draft.edit, patch });
  const started = performance.now();
  await send('/api/studio/publish', 'POST', { edit, note: tagline });
  return performance.now() - started;
}

const ROWS = 20_000;

/** How long cart changes take while a large file goes into the catalogue. */
async function benchImport(): Promise<void> {
  const server = await startServer(0.05);
  const { origin } = server;
  const owner = await signInOwner(origin);
  const carts = await makeCarts(origin, 10);
  const form = new FormData();
  form.set('apply', '1');
  const rows = Array.from({ length: ROWS }, (_, i) => `Bulk ${i},B-${i},${(i % 900) + 1}.50`);
  form.set('file', new File([`Name,SKU,Price\n${rows.join('\n')}\n`], 'bulk.csv'));
  const headers = { origin, cookie: owner };
  const started = performance.now();
  const sent = await fetch(`${origin}/api/studio/imports`, { method: 'POST', body: form, headers });
  const { id } = (await sent.json()) as { id: string };
  let state = 'running';
  const times: number[] = [];
  const shoppers = carts.map(async (cart) => {
    for (let round = 0; state === 'running'; round += 1) {
      const { headers: more, body } = changeOf(cart, round);
      const from = performance.now();
      const answer = await fetch(`${origin}/api/cart`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', ...more },
        body: JSON.stringify(body),
      });
      if (!answer.ok) throw new Error(`A cart change was answered with ${answer.status}`);
      times.push(performance.now() - from);
      // A shopper thinks between two presses.
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
  });
  while (state === 'running' && performance.now() - started < 120_000) {
    await new Promise((resolve) => setTimeout(resolve, 200));
    const answer = await fetch(`${origin}/api/studio/imports/${id}`, { headers });
    ({ state } = (await answer.json()) as { state: string });
  }
  const seconds = (performance.now() - started) / 1000;
  const ended = state;
  state = 'over';
  await Promise.all(shoppers);
  await server.stop();
  line(
    `cart changes while ${ROWS} rows go in`,
    ms(quantile(times, 0.95)),
    `p50 ${ms(quantile(times, 0.5))}, ${times.length} changes in ${seconds.toFixed(1)} s, import ended “${ended}” (bar p95 250)`,
  );
}

async function benchShop(): Promise<void> {
  const shop = await openTestShop(1);
  const query = { fromDay: '2000-01-01', toDay: '2999-12-31' };
  const times = [];
  const references = [];
  for (let i = 0; i < 12; i += 1) {
    let started = performance.now();
    await shop.app.visits.countDepths(query, 'EUR');
    times.push(performance.now() - started);
    started = performance.now();
    await shop.app.db.select('SELECT sum(at) FROM events');
    references.push(performance.now() - started);
  }
  line(
    'funnel over 120 days, from the summary',
    ms(quantile(times, 0.5)),
    `${(quantile(times, 0.5) / quantile(references, 0.5)).toFixed(2)} × one pass over the event log`,
  );
  const started = performance.now();
  for (let i = 0; i < 10; i += 1) await showLaneMap(shop.app, { days: 28 });
  line('whole lane map, 28 days', ms((performance.now() - started) / 10));

  const product = (await shop.app.catalogue.findProduct('heron'))!;
  await shop.app.db.run('UPDATE stock_levels SET quantity = 100000');
  const add = { kind: 'add', variantId: product.variants[0]!.id, quantity: 1, choices: {}, answers: {} } as const;
  const tokens = Array.from({ length: 300 }, () => randomUUID());
  await Promise.all(tokens.map((token) => changeCartOf(shop.app, token, add)));
  const from = performance.now();
  await Promise.all(tokens.map((cartToken) => orderNow(shop.app, { cartToken })));
  line('orders with payment, 300 at once', `${(300_000 / (performance.now() - from)).toFixed(0)}/s`);
  await shop.close();
}

/** Milliseconds from a press to the frame after the wanted thing is on the page, measured inside the page. */
async function pressUntil(page: Page, press: string, wanted: string): Promise<number> {
  const inside = (selector: string) => {
    const [host, inner] = selector.split(' >> ');
    const found = `document.querySelector(${JSON.stringify(host)})`;
    return inner ? `${found}?.shadowRoot?.querySelector(${JSON.stringify(inner)})` : found;
  };
  // As text: a compiled function would carry helpers along that the page does not have.
  return page.evaluate<number>(`new Promise((resolve, reject) => {
    const started = performance.now();
    setTimeout(() => reject(new Error('Not seen within 10 s: ' + ${JSON.stringify(wanted)})), 10000);
    const look = () => ((${inside(wanted)}) ? requestAnimationFrame(() => resolve(performance.now() - started)) : requestAnimationFrame(look));
    (${inside(press)}).click();
    look();
  })`);
}

const launch = () =>
  chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });

/** An order form of 2,000 variants: each letter of a search until its rows are painted, and frames while it scrolls. */
async function benchOrderForm(): Promise<void> {
  const server = await serve(await seedFolder(0.02, 1000));
  const owner = await publisher(server);
  await owner.publish((lane) => {
    const id = addPiece(lane, definitionOf('order-form')!);
    lane.pieces[id]!.on = true;
    lane.pieces[id]!.where.spot = 'home.above';
    lane.pieces[id]!.settings['shows'] = selectionOf({ from: 'all', order: 'name', most: 2000 });
  });
  const browser = await launch();
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  const session = await page.context().newCDPSession(page);
  await page.goto(`${server.origin}/shop/`);
  // The hundredth row was drawn by the server; it goes when the rows in sight are all that is drawn.
  await page.locator('.order-form tr[data-variant]').nth(99).waitFor({ state: 'detached' });
  const search = (): Promise<number[]> =>
    page.evaluate(`(async () => {
      const field = document.querySelector('[data-find]');
      const times = [];
      for (let round = 0; round < 4; round += 1)
        for (const typed of ['w', 'wi', 'win', 'winter', 'winter h', 'h', 'harbour', 'harbour foil', '1', '12', 'zzz', '']) {
          const started = performance.now();
          field.value = typed;
          field.dispatchEvent(new Event('input', { bubbles: true }));
          await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
          times.push(performance.now() - started);
        }
      return times;
    })()`);
  const usual = await search();
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const slow = await search();
  // What stands in the middle of the window at each frame of the page: a row, or room whose row is not drawn yet.
  await page.evaluate(`(() => {
    document.querySelector('.order-form table').scrollIntoView();
    const told = (window.told = { frames: 0, empty: 0 });
    const next = () => {
      told.frames += 1;
      if (!document.elementFromPoint(innerWidth / 2, innerHeight / 2)?.closest('tr')) told.empty += 1;
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  })()`);
  await browser.startTracing(page, {
    categories: ['disabled-by-default-devtools.timeline.frame', 'devtools.timeline.frame'],
  });
  const gesture = { x: 640, y: 400, yDistance: -4000, speed: 1600, gestureSourceType: 'mouse' as const };
  await session.send('Input.synthesizeScrollGesture', gesture);
  const trace = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: { name: string; ts: number }[] };
  const drawn = trace.traceEvents.filter(({ name }) => name === 'DrawFrame').map(({ ts }) => ts / 1000);
  const gaps = drawn.slice(1).map((at, i) => at - drawn[i]!);
  const late = gaps.filter((gap) => gap > 25).length / gaps.length;
  const told = await page.evaluate<{ frames: number; empty: number }>('window.told');
  line(
    'order form of 2,000 rows, search → painted',
    ms(quantile(usual, 0.95)),
    `p50 ${ms(quantile(usual, 0.5))} (bar p95 100)`,
  );
  line('the same, 4× slower CPU', ms(quantile(slow, 0.95)), `p50 ${ms(quantile(slow, 0.5))}`);
  line('the same, frames drawn late while scrolling', `${(100 * late).toFixed(0)} %`, `of ${gaps.length} (bar 5 %)`);
  line(
    'the same, with no row in the middle of the window',
    `${(100 * told.empty) / told.frames} %`,
    `of ${told.frames}`,
  );
  await browser.close();
  await server.stop();
}

async function benchBrowser(origin: string): Promise<void> {
  const browser = await launch();
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const cold: number[] = [];
  const warm: number[] = [];
  const added: number[] = [];
  const changed: number[] = [];
  const opened: number[] = [];
  for (let i = 0; i < 21; i += 1) {
    // A new shopper each time: one alone would buy the shelf empty.
    await page.context().clearCookies();
    await page.goto(`${origin}/shop/c/lines-and-winders`);
    await page.locator('pl-look').first().waitFor({ state: 'attached' });
    cold.push(await pressUntil(page, 'pl-look >> button', 'pl-quick-view >> dialog[open] .details'));
    await page.keyboard.press('Escape');
    warm.push(await pressUntil(page, 'pl-look >> button', 'pl-quick-view >> dialog[open] .details'));
    await page.keyboard.press('Escape');
    await page.waitForTimeout(150);
    // Whoever presses has moved there first: that is when what may open is fetched.
    await page.mouse.move(20 + i, 300);
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(600);
    added.push(await pressUntil(page, '[data-pl-product=hoop-winder] [data-pl=add]', 'pl-added >> dialog[open] h2'));
    await page.keyboard.press('Escape');
    opened.push(await pressUntil(page, 'pl-cart-opener >> a', 'pl-cart >> dialog[open] .lines li'));
    changed.push(
      await pressUntil(
        page,
        'pl-cart >> .steps button[value="1"]',
        'pl-cart >> .steps button[value="-1"]:not([disabled])',
      ),
    );
    // The first shopper warms the server up, and is not counted.
    if (i === 0) for (const times of [cold, warm, added, opened, changed]) times.length = 0;
  }
  const both = (times: readonly number[]) => `median ${ms(quantile(times, 0.5))}, p95 ${ms(quantile(times, 0.95))}`;
  line('quick view, press → painted, cold, 4× slower CPU', ms(quantile(cold, 0.95)), `${both(cold)} (bar p95 200)`);
  line('quick view, press → painted, prefetched', ms(quantile(warm, 0.95)), `${both(warm)} (bar p95 100)`);
  line('add to cart, press → added popup painted', ms(quantile(added, 0.95)), `${both(added)} (bar p95 150)`);
  line('cart opener, press → cart painted', ms(quantile(opened, 0.95)), both(opened));
  line('cart line, press → new quantity painted', ms(quantile(changed, 0.95)), `${both(changed)} (bar p95 150)`);
  await browser.close();
}

// What runs here is to be measured as it is served, without looking every place of an error up in its source.
process.setSourceMapsEnabled(false);

/** `npm run bench -- browser` measures one part; without a name, all. */
const [only] = process.argv.slice(2);
const isWanted = (part: string) => only === undefined || only === part;
if (isWanted('shop')) await benchShop();
if (isWanted('many')) await benchMany();
if (isWanted('import')) await benchImport();
if (isWanted('order-form')) await benchOrderForm();
if (isWanted('server') || isWanted('browser')) {
  const server = await startServer(1);
  try {
    if (isWanted('server')) await benchServer(server.origin);
    if (isWanted('browser')) await benchBrowser(server.origin);
  } finally {
    await server.stop();
  }
}
