import { randomInt, randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { createApp } from '~/services/app';
import { sendBadInputs } from '../support/bad-inputs';
import { ORDER_FORM } from '../support/checkout';
import { seedFolder, serve, signInOwner, startServer } from '../support/server';

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

/** `npm run faults -- kill 200` runs one part so often; without a name, all of them a little. */
const [part, times] = process.argv.slice(2);
const often = (usual: number) => Math.min(100_000, Math.max(1, Math.round(Number(times ?? usual)) || usual));
if (part === undefined || part === 'kill') await killRounds(Math.min(500, often(20)));
if (part === undefined || part === 'race') await raceForTheLast(Math.min(2000, often(1000)), 10);
if (part === undefined || part === 'inputs') await badInputs(often(5000));
process.exitCode = faults === 0 ? 0 : 1;
