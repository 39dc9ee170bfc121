import { randomInt, randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import type { Lane } from '~/core/lane';
import { createApp } from '~/services/app';
import { liveLane } from '~/services/lane/live-lane';
import { publishLane } from '~/services/draft/publish-lane';
import { standInPayment } from '~/standins';
import { sendBadInputs } from '../support/bad-inputs';
import { COSTLY_TEXTS, costlyRequests, type CostlyRequest } from '../support/costly-bodies';
import { COSTLY_FILES } from '../support/costly-files';
import { ORDER_FORM } from '../support/checkout';
import { ledgerOf, pressOrders, raceOrder } from '../support/order-races';
import { listRoutes } from '../support/routes';
import { seedFolder, serve, signInOwner, startServer } from '../support/server';
import { sendRaw, spellingsOf } from '../support/spellings';
import { askTls, startTlsProxy } from '../support/tls-proxy';

let faults = 0;
function line(name: string, isRight: boolean, figure: string): void {
  faults += isRight ? 0 : 1;
  console.log(`${isRight ? 'ok    ' : 'FAILED'} ${name.padEnd(58)} ${figure}`);
}

/** null when the connection broke: then nobody knows whether it was done. */
async function post(
  origin: string,
  path: string,
  cookie: string,
  body: object,
): Promise<{ status: number; json: unknown } | null> {
  try {
    const response = await fetch(origin + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin, cookie },
      body: JSON.stringify(body),
    });
    return { status: response.status, json: await response.json() };
  } catch {
    return null;
  }
}

async function variantOf(dataDir: string, quantity: number): Promise<number> {
  const app = await createApp({ dataDir, logLevel: 'silent' });
  const variant = (await app.catalogue.findProduct('hoop-winder'))!.variants[0]!;
  await app.db.run('UPDATE stock_levels SET quantity = $quantity WHERE variant_id = $id', { quantity, id: variant.id });
  await app.db.close();
  return variant.id;
}

/** What one shopper was told, and what was on its way when the power went. */
interface Shopper {
  cart: string;
  confirmed: number;
  open: string | null;
  readonly orders: string[];
}

const ADDS_AN_ORDER = 4;

/** Shops until the connection breaks: four adds, then an order, then a new cart. */
async function shop(origin: string, shopper: Shopper, variantId: number): Promise<void> {
  for (;;) {
    const cookie = `pl_cart=${shopper.cart}`;
    if (shopper.confirmed >= ADDS_AN_ORDER) {
      const order = { key: randomUUID(), cartVersion: shopper.confirmed, form: ORDER_FORM, seenTotalMinor: null };
      const answer = await post(origin, '/api/orders', cookie, order);
      if (answer?.status === 200) shopper.orders.push((answer.json as { token: string }).token);
      Object.assign(shopper, { cart: randomUUID(), confirmed: 0, open: null });
      if (!answer) return;
      continue;
    }
    shopper.open ??= randomUUID();
    const change = { kind: 'add', variantId, quantity: 1, changeId: shopper.open };
    const answer = await post(origin, '/api/cart', cookie, change);
    if (!answer) return;
    if (answer.status !== 200) throw new Error(`The cart answered ${answer.status}: ${JSON.stringify(answer.json)}`);
    shopper.confirmed += 1;
    shopper.open = null;
  }
}

async function countOf(origin: string, cart: string): Promise<number> {
  const response = await fetch(`${origin}/api/cart`, { headers: { cookie: `pl_cart=${cart}` } });
  return ((await response.json()) as { count: number }).count;
}

/**
 * Ends the server with signal 9 while shoppers change carts and order, starts it again, and looks for everything it had
 * answered. What it had not answered is sent again, and must have been made once.
 */
async function killRounds(rounds: number): Promise<void> {
  const dataDir = await seedFolder(0.01);
  const START = 1_000_000;
  const variantId = await variantOf(dataDir, START);
  const shoppers = Array.from({ length: 8 }, (): Shopper => ({
    cart: randomUUID(),
    confirmed: 0,
    open: null,
    orders: [],
  }));
  let [lost, twice, checked] = [0, 0, 0];
  for (let round = 0; round < rounds; round += 1) {
    const server = await serve(dataDir);
    for (const { cart, confirmed, open } of shoppers) {
      const there = await countOf(server.origin, cart);
      checked += confirmed;
      if (there < confirmed) lost += confirmed - there;
      if (there > confirmed + (open ? 1 : 0)) twice += 1;
    }
    const shopping = Promise.all(shoppers.map((shopper) => shop(server.origin, shopper, variantId)));
    await new Promise((resolve) => setTimeout(resolve, randomInt(400, 1600)));
    await server.kill();
    await shopping;
  }
  const orders = shoppers.flatMap((shopper) => shopper.orders);
  const app = await createApp({ dataDir, logLevel: 'silent' });
  const [integrity] = await app.db.select<{ integrity_check: string }>('PRAGMA integrity_check');
  const known = new Set((await app.db.select<{ token: string }>('SELECT token FROM orders')).map(({ token }) => token));
  const [{ held } = { held: 0 }] = await app.db.select<{ held: number }>(
    `SELECT sum(quantity) AS held FROM order_lines JOIN orders ON orders.id = order_lines.order_id
     WHERE variant_id = $variantId AND status <> 'failed' AND placed_at > $since`,
    { variantId, since: Date.now() - 86_400_000 },
  );
  const [{ left } = { left: 0 }] = await app.db.select<{ left: number }>(
    'SELECT quantity AS left FROM stock_levels WHERE variant_id = $variantId',
    { variantId },
  );
  await app.db.close();
  await rm(dataDir, { recursive: true, force: true });
  const gone = orders.filter((token) => !known.has(token)).length;
  line(`${rounds} × kill −9: answered cart changes still there`, lost === 0, `${checked} looked at, ${lost} lost`);
  line('  changes sent again are made once', twice === 0, `${twice} made twice`);
  line('  answered orders still there', gone === 0, `${orders.length} looked at, ${gone} lost`);
  line('  stock is what was there less what was ordered', left + held === START, `${left} + ${held} of ${START}`);
  line('  the database is whole', integrity?.integrity_check === 'ok', integrity?.integrity_check ?? 'no answer');
}

/** More shoppers than there are things, ordering at once over HTTP. */
async function raceForTheLast(shoppers: number, units: number): Promise<void> {
  const dataDir = await seedFolder(0.01);
  const variantId = await variantOf(dataDir, units);
  const server = await serve(dataDir);
  const carts = Array.from({ length: shoppers }, () => `pl_cart=${randomUUID()}`);
  const inTurns = async (work: (cookie: string) => Promise<unknown>) => {
    const open = [...carts];
    const one = async () => {
      for (let cookie = open.pop(); cookie; cookie = open.pop()) await work(cookie);
    };
    await Promise.all(Array.from({ length: 50 }, one));
  };
  await inTurns((cookie) => post(server.origin, '/api/cart', cookie, { kind: 'add', variantId, quantity: 1 }));
  const statuses: number[] = [];
  await inTurns(async (cookie) => {
    const order = { key: randomUUID(), cartVersion: 1, form: ORDER_FORM, seenTotalMinor: null };
    statuses.push((await post(server.origin, '/api/orders', cookie, order))?.status ?? 0);
  });
  await server.stop();
  const sold = statuses.filter((status) => status === 200).length;
  const faulty = statuses.filter((status) => status === 0 || status >= 500).length;
  line(
    `${shoppers} racing orders for ${units} units`,
    sold === units && faulty === 0,
    `${sold} sold, ${faulty} faults`,
  );
}

/** An order that is cancelled, refunded and added to at once, by providers that answer after so long. */
async function raceOnOrders(): Promise<void> {
  const dataDir = await seedFolder(0);
  for (const answerMs of [0, 30, 300]) {
    const ledger = ledgerOf(standInPayment({ answerMs, timeoutMs: 1500 }));
    const app = await createApp({ dataDir, logLevel: 'silent', payment: ledger.payment });
    await app.db.run('UPDATE stock_levels SET quantity = 100000');
    const presses = pressOrders([Math.ceil(answerMs / 2) + 1, answerMs + 5]);
    const wrong: string[] = [];
    for (const press of presses) {
      const story = await raceOrder(app, ledger, press);
      if (story !== null) wrong.push(story);
    }
    await app.db.close();
    line(
      `${presses.length} orders cancelled, refunded and added to at once, ${answerMs} ms`,
      wrong.length === 0,
      wrong[0] ?? 'the card stands where the order does',
    );
  }
  await rm(dataDir, { recursive: true, force: true });
}

async function badInputs(runs: number): Promise<void> {
  const server = await startServer(0.01);
  const owner = await signInOwner(server.origin);
  const stored = async () => (await fetch(`${server.origin}/api/studio/draft`, { headers: { cookie: owner } })).text();
  const before = await stored();
  const problem = await sendBadInputs(server.origin, owner, runs).then(
    () => null,
    (error: unknown) => (error as Error).message,
  );
  const isSame = (await stored()) === before;
  await server.stop();
  line(`${runs} generated bad inputs: refused, without a fault`, problem === null, problem ?? 'none taken');
  line('  nothing changed', isSame, isSame ? 'the draft is as before' : 'the draft has changed');
}

/** Every route in every spelling, by a stranger: nothing opens that the plain path keeps shut, and nothing breaks. */
async function spellings(): Promise<void> {
  const server = await startServer(0.01);
  const owner = await signInOwner(server.origin);
  const stored = async () => (await fetch(`${server.origin}/api/studio/draft`, { headers: { cookie: owner } })).text();
  const before = await stored();
  let [asked, broken, opened] = [0, 0, 0];
  for (const { pattern, path } of listRoutes())
    for (const spelt of spellingsOf(path))
      for (const method of ['GET', 'POST']) {
        const { status } = await sendRaw(server.origin, spelt, { method });
        asked += 1;
        if (status >= 500) broken += 1;
        const isShut = /^\/(api\/)?studio/.test(pattern) && !pattern.includes('sign-in');
        if (isShut && status >= 200 && status < 300) opened += 1;
      }
  const isSame = (await stored()) === before;
  await server.stop();
  line(`${asked} spellings of paths, by a stranger`, broken === 0, `${broken} faults`);
  line(
    '  the studio stays shut',
    opened === 0 && isSame,
    `${opened} opened, the draft ${isSame ? 'as' : 'not as'} before`,
  );
}

/** Somebody who shops until told to stop, and then says how long the slowest answer took, in milliseconds. */
function shopMeanwhile(origin: string): () => Promise<number> {
  let isDone = false;
  let slowest = 0;
  const shopper = (async () => {
    await fetch(`${origin}/shop/all`);
    while (!isDone) {
      const started = performance.now();
      await fetch(`${origin}/api/products/heron`).then((response) => response.arrayBuffer());
      slowest = Math.max(slowest, performance.now() - started);
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
  })();
  return async () => {
    isDone = true;
    await shopper;
    return slowest;
  };
}

/** Bodies, tables, addresses and texts that cost their reader much, while somebody shops. */
async function costlyBodies(): Promise<void> {
  const dataDir = await seedFolder(0.01);
  const app = await createApp({ dataDir, logLevel: 'silent' });
  const { lane } = await liveLane(app);
  const texts = { ...COSTLY_TEXTS, plain: 'Words as people write them. '.repeat(100) };
  const pages = Object.entries(texts).map(([i, text]) => [
    `costly-${i}`,
    { on: true, inFooter: false, title: { en: `Costly ${i}` }, text: { en: text } },
  ]);
  const draft = (await app.lanes.readDraft())!;
  const document = { ...lane, pages: Object.fromEntries(pages) as Lane['pages'] };
  await app.lanes.writeDraft({ ...draft, document, edit: draft.edit + 1 });
  const published = await publishLane(app, { edit: draft.edit + 1, note: '', accountId: null });
  await app.close();
  if (!published.ok) throw new Error(JSON.stringify(published.problems));
  const server = await serve(dataDir);
  const { origin } = server;
  const cookie = await signInOwner(origin);
  const send = async ({ path, body, type, isOwners }: CostlyRequest) => {
    const headers = { origin, ...(type && { 'content-type': type }), ...(isOwners && { cookie }) };
    const sent = { headers, redirect: 'manual' as const, ...(body !== undefined && { method: 'POST', body }) };
    const started = performance.now();
    // A body that is refused while it is sent breaks the connection.
    const status = await fetch(origin + path, sent).then(
      (response) => response.arrayBuffer().then(() => response.status),
      () => 413,
    );
    return { status, ms: performance.now() - started };
  };
  // Its threads are there already, as they are an hour after the start.
  await send({ name: 'a text', path: '/shop/pages/costly-plain' });
  for (const request of costlyRequests([]))
    if (request.name === 'trailing commas of a spreadsheet') await send(request);
  const slow: string[] = [];
  let [count, longest, longestMeanwhile, faulty] = [0, 0, 0, 0];
  for (const request of costlyRequests(pages.map(([slug]) => `/shop/pages/${slug as string}`))) {
    const stop = shopMeanwhile(origin);
    const { status, ms } = await send(request);
    const meanwhile = await stop();
    count += 1;
    longest = Math.max(longest, ms);
    longestMeanwhile = Math.max(longestMeanwhile, meanwhile);
    if (status >= 500) faulty += 1;
    if (ms > 1000 || meanwhile > 300 || status >= 500)
      slow.push(`    ${request.name}: ${status} after ${ms.toFixed(0)} ms, the shop ${meanwhile.toFixed(0)} ms`);
  }
  // The last thing it hears while it reads something large.
  const [large] = costlyRequests([]);
  void send(large!).catch(() => undefined);
  await new Promise((resolve) => setTimeout(resolve, 50));
  const started = performance.now();
  await server.end('SIGTERM');
  const stopMs = performance.now() - started;
  await rm(dataDir, { recursive: true, force: true });
  line(
    `${count} costly bodies, pages, tables and texts: answered within 1 s`,
    longest <= 1000 && faulty === 0,
    `${longest.toFixed(0)} ms, ${faulty} faults`,
  );
  line('  meanwhile the shop answers within 300 ms', longestMeanwhile <= 300, `${longestMeanwhile.toFixed(0)} ms`);
  for (const told of slow) console.log(told);
  line('  and ends within 2 s when it is told to', stopMs <= 2000, `${stopMs.toFixed(0)} ms`);
}

/** Files that cost their reader much, while somebody shops. */
async function costlyFiles(): Promise<void> {
  const server = await startServer(0.01);
  const { origin } = server;
  const stop = shopMeanwhile(origin);
  let [longest, faulty] = [0, 0];
  for (const [name, content] of Object.entries(COSTLY_FILES)) {
    const form = new FormData();
    form.set('product', 'sail-your-own');
    form.set('option', 'artwork');
    form.set('file', new File([typeof content === 'string' ? content : new Uint8Array(content)], `${name}.svg`));
    const started = performance.now();
    // Another address and cart each time: nobody is allowed so many.
    const { status } = await fetch(`${origin}/api/uploads`, { method: 'POST', body: form, headers: { origin } });
    longest = Math.max(longest, performance.now() - started);
    if (status >= 500) faulty += 1;
  }
  const slowest = await stop();
  await server.stop();
  const count = Object.keys(COSTLY_FILES).length;
  line(
    `${count} costly files: answered within 2 s`,
    longest <= 2000 && faulty === 0,
    `${longest.toFixed(0)} ms, ${faulty} faults`,
  );
  line('  meanwhile the shop answers within 300 ms', slowest <= 300, `${slowest.toFixed(0)} ms`);
}

/** The same file twice at once: one goes in whole, the other is told why it does not. */
async function twoImports(): Promise<void> {
  const server = await startServer(0.01);
  const { origin } = server;
  const owner = await signInOwner(origin);
  const rows = Array.from({ length: 2000 }, (_, i) => `Bulk ${i},B-${i},${(i % 900) + 1}.50`);
  const send = async () => {
    const form = new FormData();
    form.set('apply', '1');
    form.set('file', new File([`Name,SKU,Price\n${rows.join('\n')}\n`], 'bulk.csv'));
    const headers = { origin, cookie: owner };
    const response = await fetch(`${origin}/api/studio/imports`, { method: 'POST', body: form, headers });
    return { status: response.status, ...((await response.json()) as { id?: string }) };
  };
  const both = await Promise.all([send(), send()]);
  const taken = both.filter(({ status }) => status === 202);
  const stateOf = async () => {
    const response = await fetch(`${origin}/api/studio/imports/${taken[0]!.id}`, { headers: { cookie: owner } });
    return ((await response.json()) as { state: string }).state;
  };
  let state = 'none';
  for (let tries = 0; taken.length === 1 && tries < 200; tries += 1) {
    state = await stateOf();
    if (state !== 'running') break;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  await server.end('SIGTERM');
  const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
  const [found] = await app.db.select<{ n: number; empty: number }>(
    `SELECT count(*) n, sum(from_minor = 0) empty FROM products WHERE name LIKE 'Bulk %'`,
  );
  await app.close();
  await rm(server.dataDir, { recursive: true, force: true });
  const isRight = taken.length === 1 && found!.n === rows.length && found!.empty === 0;
  line(
    'two imports at once: one is taken',
    isRight,
    `${both.map(({ status }) => status).join(' and ')}, ended “${state}”`,
  );
  line('  no product is half there', found!.empty === 0, `${found!.n} products, ${found!.empty} without a price`);
}

/** Eight orders of one cart at once, each under a key of its own. */
async function eightOrders(): Promise<void> {
  const dataDir = await seedFolder(0.01);
  const variantId = await variantOf(dataDir, 100);
  const server = await serve(dataDir);
  const cookie = `pl_cart=${randomUUID()}`;
  await post(server.origin, '/api/cart', cookie, { kind: 'add', variantId, quantity: 1 });
  const answers = await Promise.all(
    Array.from({ length: 8 }, () =>
      post(server.origin, '/api/orders', cookie, {
        key: randomUUID(),
        cartVersion: 1,
        form: ORDER_FORM,
        seenTotalMinor: null,
      }),
    ),
  );
  await server.end('SIGTERM');
  const app = await createApp({ dataDir, logLevel: 'silent' });
  const [{ left } = { left: 0 }] = await app.db.select<{ left: number }>(
    'SELECT quantity AS left FROM stock_levels WHERE variant_id = $variantId',
    { variantId },
  );
  await app.close();
  await rm(dataDir, { recursive: true, force: true });
  const paid = answers.filter((answer) => answer?.status === 200).length;
  const faulty = answers.filter((answer) => !answer || answer.status >= 500).length;
  line(
    'eight orders of one cart at once',
    paid === 1 && faulty === 0 && left === 99,
    `${paid} paid, ${left} of 100 left`,
  );
}

/** Behind a proxy that ends TLS: shoppers buy there, each held to limits of their own. */
async function behindTls(): Promise<void> {
  const proxy = await startTlsProxy((headers) => headers['x-test-from'] as string | undefined);
  const dataDir = await seedFolder(0.01);
  const variantId = await variantOf(dataDir, 100);
  const server = await serve(dataDir, {
    PAVED_LANE_ORIGIN: proxy.origin,
    PAVED_LANE_TRUSTED_PROXIES: '127.0.0.1',
  });
  proxy.leadTo(Number(new URL(server.origin).port));
  const ask = (path: string, cookie: string, from: string, body: object) =>
    askTls(proxy, path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: proxy.origin, cookie, 'x-test-from': from },
      body: JSON.stringify(body),
    });
  const statuses = await Promise.all(
    Array.from({ length: 40 }, async (_, i) => {
      const [cookie, from] = [`pl_cart=${randomUUID()}`, `192.0.2.${i + 1}`];
      const added = await ask('/api/cart', cookie, from, { kind: 'add', variantId, quantity: 1 });
      if (added.status !== 200) return added.status;
      const order = { key: randomUUID(), cartVersion: 1, form: ORDER_FORM, seenTotalMinor: null };
      return (await ask('/api/orders', cookie, from, order)).status;
    }),
  );
  const { status: stranger } = await sendRaw(server.origin, '/shop/', { headers: { host: 'elsewhere.example' } });
  await proxy.close();
  await server.stop();
  const bought = statuses.filter((status) => status === 200).length;
  line('40 orders behind a proxy with TLS', bought === 40, `${bought} paid`);
  line('  the server under a name that is not the shop’s', stranger === 421, `${stranger}`);
}

/** `npm run faults -- kill 200` runs one part so often; without a name, all of them a little. */
const [part, times] = process.argv.slice(2);
const often = (usual: number) => Math.min(100_000, Math.max(1, Math.round(Number(times ?? usual)) || usual));
if (part === undefined || part === 'kill') await killRounds(Math.min(500, often(20)));
if (part === undefined || part === 'race') {
  await raceForTheLast(Math.min(2000, often(1000)), 10);
  await raceOnOrders();
}
if (part === undefined || part === 'inputs') await badInputs(often(5000));
if (part === undefined || part === 'spellings') await spellings();
if (part === undefined || part === 'files') await costlyFiles();
if (part === undefined || part === 'costly') await costlyBodies();
if (part === undefined || part === 'imports') await twoImports();
if (part === undefined || part === 'eight') await eightOrders();
if (part === undefined || part === 'tls') await behindTls();
process.exitCode = faults === 0 ? 0 : 1;
