import { importOptionsSchema } from '~/contract/studio/imports';
import { expect } from 'chai';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { randomUUID } from 'node:crypto';
import { readFile, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { lockFolder, openDatabase } from '~/data';
import { createApp } from '~/services/app';
import { changeCartOf } from '~/services/cart/change-cart';
import { importCatalogue } from '~/services/catalogue/import-catalogue';
import { stopLostImports } from '~/services/catalogue/running-imports';
import { checkHealth, lookForDamage } from '~/services/check-health';
import { orderNow } from '../support/order-now';
import { seedFolder, serve, signInOwner } from '../support/server';
import { openTestShop } from '../support/shop';

/** Numbers up to a hundred million, one after the other: seconds of work in one statement. */
const LONG =
  'WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 100000000) SELECT count(*) c FROM n';

function csv(products: number): Uint8Array {
  const rows = Array.from({ length: products }, (_, i) => `Bulk ${i},B-${i},${(i % 900) + 1}.50`);
  return new TextEncoder().encode(`Name,SKU,Price\n${rows.join('\n')}\n`);
}

describe('starting', () => {
  it('is said when the shop can be served, and not before', async function () {
    this.timeout(60_000);
    const dataDir = await seedFolder(0);
    const child = spawn(process.execPath, ['server.mjs'], {
      env: { ...process.env, PORT: '0', PAVED_LANE_DATA: dataDir, PAVED_LANE_LOG: 'info', NODE_OPTIONS: '' },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let status = 0;
    for await (const line of createInterface({ input: child.stdout })) {
      const said = JSON.parse(line) as { msg: string; port?: number };
      if (said.msg === 'listening') {
        const health = await fetch(`http://127.0.0.1:${said.port}/api/health`).catch(() => null);
        status = health?.status ?? -1;
        break;
      }
    }
    child.kill('SIGTERM');
    const [code] = (await once(child, 'exit')) as [number];
    await rm(dataDir, { recursive: true });

    expect([status, code]).to.deep.equal([200, 0]);
  });

  it('is refused for a folder that is served already, with the number of who does', async function () {
    this.timeout(60_000);
    const dataDir = await seedFolder(0);
    const first = await serve(dataDir);
    const second = spawn(process.execPath, ['server.mjs'], {
      env: { ...process.env, PORT: '0', PAVED_LANE_DATA: dataDir, PAVED_LANE_LOG: 'silent', NODE_OPTIONS: '' },
      stdio: ['ignore', 'ignore', 'pipe'],
    });
    let said = '';
    second.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
    const [code] = (await once(second, 'exit')) as [number];

    expect(code).to.equal(1);
    expect(said).to.match(new RegExp(`Another server \\(process ${first.pid}\\) serves from`));
    await first.stop();
  });

  it('says what is wrong with a folder and what to do, and begins nothing anew by itself', async function () {
    this.timeout(120_000);
    const dataDir = await seedFolder(0);
    const database = path.join(dataDir, 'paved-lane.sqlite');
    const start = async () => {
      const child = spawn(process.execPath, ['server.mjs'], {
        env: { ...process.env, PORT: '0', PAVED_LANE_DATA: dataDir, PAVED_LANE_LOG: 'silent', NODE_OPTIONS: '' },
        stdio: ['ignore', 'ignore', 'pipe'],
      });
      let said = '';
      child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
      const [code] = (await once(child, 'exit')) as [number];
      return `${code} ${said}`;
    };
    const whole = await readFile(database);
    await writeFile(database, Buffer.concat([Buffer.from('no database'), whole.subarray(11)]));
    expect(await start()).to.match(/^1 [^]*paved-lane.sqlite is damaged: SQLite cannot read it. Keep a copy/);
    await rm(database);
    expect(await start()).to.match(
      /^1 [^]*is gone or empty, but secret.* of a shop is beside it. Put the database back/,
    );
    await writeFile(database, '');
    expect(await start()).to.match(/^1 [^]*is gone or empty/);
    await writeFile(database, whole);
    await writeFile(path.join(dataDir, 'secret'), '');
    expect(await start()).to.match(/^1 [^]*secret is empty or cut. Put it back/);
    await rm(path.join(dataDir, 'secret'));
    await writeFile(path.join(dataDir, 'server.lock'), 'x'.repeat(5000));
    expect(await start()).to.match(/^1 [^]*server.lock is damaged .* Delete it/);
    await rm(path.join(dataDir, 'server.lock'));
    const server = await serve(dataDir);
    await server.stop();
  });

  it('is not healthy where nothing can be written, or the file is damaged inside', async () => {
    const shop = await openTestShop();
    expect(await checkHealth(shop.app, '1')).to.include({ healthy: true, writing: true, intact: null });
    await lookForDamage(shop.app);
    expect(await checkHealth(shop.app, '1')).to.include({ healthy: true, intact: true });
    await shop.app.db.run("CREATE TRIGGER full BEFORE UPDATE ON pulse BEGIN SELECT raise(FAIL, 'disk full'); END");
    await new Promise((resolve) => setTimeout(resolve, 3100));
    expect(await checkHealth(shop.app, '1')).to.include({ healthy: false, database: true, writing: false });
    await shop.close();
  });

  it('keeps what an order wrote through a power cut: its transactions are on the disk when they end', async () => {
    const shop = await openTestShop();
    const safety = async () =>
      (await shop.app.db.select<{ synchronous: number }>('PRAGMA synchronous'))[0]!.synchronous;
    expect(await shop.app.db.inTransaction(safety)).to.equal(1);
    expect(await shop.app.db.inDurableTransaction(safety)).to.equal(2);
    expect(await shop.app.db.inTransaction(safety)).to.equal(1);
    const asked: string[] = [];
    const { inDurableTransaction } = shop.app.db;
    Object.assign(shop.app.db, {
      inDurableTransaction: (work: () => Promise<unknown>) =>
        inDurableTransaction(async () => {
          const done = await work();
          asked.push((await shop.app.db.select<{ status: string }>('SELECT status FROM orders'))[0]?.status ?? 'none');
          return done;
        }),
    });
    const cartToken = randomUUID();
    const { variants } = (await shop.app.catalogue.findProduct('hoop-winder'))!;
    const add = { kind: 'add', variantId: variants[0]!.id, quantity: 1, choices: {}, answers: {} } as const;
    await changeCartOf(shop.app, cartToken, add);
    await orderNow(shop.app, { cartToken });
    await shop.close();
    expect(asked).to.deep.equal(['reserved', 'paid']);
  });

  it('lets a folder go when its server ends, however it ends', async () => {
    const shop = await openTestShop();
    const { dataDir } = shop.app.db;
    const held = await lockFolder(dataDir);
    const refused = await lockFolder(dataDir);

    if (held.isOurs) await held.release();
    const again = await lockFolder(dataDir);
    if (again.isOurs) await again.release();
    await shop.close();

    expect([held.isOurs, refused.isOurs, again.isOurs]).to.deep.equal([true, false, true]);
    expect(refused.isOurs || refused.pid).to.equal(process.pid);
  });
});

describe('stopping', () => {
  it('records an import that is under way as stopped; the same file again finishes it', async function () {
    this.timeout(90_000);
    const server = await serve(await seedFolder(0));
    const cookie = await signInOwner(server.origin);
    const form = new FormData();
    form.set('file', new File([csv(20_000) as BlobPart], 'bulk.csv'));
    form.set('apply', '1');
    const begun = await fetch(`${server.origin}/api/studio/imports`, {
      method: 'POST',
      body: form,
      headers: { cookie, origin: server.origin },
    });
    const { id } = (await begun.json()) as { id: string };
    for (let progress = { state: 'running', written: 0 }; progress.state === 'running' && progress.written === 0;) {
      const asked = await fetch(`${server.origin}/api/studio/imports/${id}`, { headers: { cookie } });
      progress = (await asked.json()) as typeof progress;
    }
    const code = await server.end('SIGTERM');

    const app = await createApp({ dataDir: server.dataDir, logLevel: 'silent' });
    const record = await app.imports.findRecord(id);
    const [half] = await app.db.select<{ n: number; empty: number }>(
      `SELECT count(*) n, sum(NOT EXISTS (SELECT 1 FROM variants v WHERE v.product_id = p.id)) empty FROM products p WHERE name LIKE 'Bulk %'`,
    );
    const again = await importCatalogue(app, csv(20_000), importOptionsSchema.parse({}));
    const [whole] = await app.db.select<{ n: number }>(`SELECT count(*) n FROM products WHERE name LIKE 'Bulk %'`);
    await app.close();
    await rm(server.dataDir, { recursive: true });

    expect(code).to.equal(0);
    expect(record).to.include({ state: 'stopped', total: 20_000, written: half!.n });
    expect(half!.n).to.be.within(1, 19_999);
    expect(half!.empty).to.equal(0);
    expect(again.ok && again.value.counts.productsChanged).to.equal(half!.n);
    expect(whole!.n).to.equal(20_000);
  });

  it('ends a statement that would run for long, and tells who waits for it', async () => {
    const shop = await openTestShop();

    const asked = shop.app.db.select(LONG).then(
      () => 'done',
      (error: Error) => error.message,
    );
    await new Promise((resolve) => setTimeout(resolve, 100));
    shop.app.db.interrupt();
    const told = await asked;
    await shop.close();

    expect(told).to.match(/interrupted/i);
  });
});

describe('a slow statement', () => {
  it('is told with its text and the time it took, and a quick one behind it is not', async function () {
    this.timeout(30_000);
    const shop = await openTestShop();
    const { dataDir } = shop.app.db;
    const slow: { sql: string; ms: number }[] = [];
    const db = await openDatabase(dataDir, (statement) => slow.push(statement));

    await Promise.all([db.select(LONG.replace('100000000', '4000000')), db.select('SELECT 1 AS one')]);
    const plan = await db.explain('SELECT * FROM products WHERE slug = $1');
    await db.close();
    await shop.close();

    expect(slow).to.have.length(1);
    expect(slow[0]!.sql).to.include('RECURSIVE');
    expect(slow[0]!.ms).to.be.greaterThan(250);
    expect(plan.join()).to.match(/SEARCH products USING INDEX/);
  });
});

describe('two imports at once', () => {
  it('are one: the other is refused with how far the first is, and leaves nothing behind', async function () {
    this.timeout(60_000);
    const shop = await openTestShop();
    const options = importOptionsSchema.parse({});

    const both = await Promise.all([
      importCatalogue(shop.app, csv(600), options),
      importCatalogue(shop.app, csv(600), options),
    ]);
    const after = await importCatalogue(shop.app, csv(600), options);
    const [found] = await shop.app.db.select<{ n: number; empty: number }>(
      `SELECT count(*) n, sum(from_minor = 0) empty FROM products WHERE name LIKE 'Bulk %'`,
    );
    await shop.close();

    expect(both.map((answer) => answer.ok || answer.problems[0]!.code)).to.have.members([true, 'import-running']);
    expect(after.ok && after.value.counts).to.include({ productsCreated: 0, productsChanged: 600 });
    expect(found).to.deep.equal({ n: 600, empty: 0 });
  });

  it('do not wait for one that died with its server', async () => {
    const shop = await openTestShop();
    await shop.app.imports.begin({ id: 'lost', at: shop.app.now(), accountId: null, deadBefore: 0 });
    const refused = await importCatalogue(shop.app, csv(3), importOptionsSchema.parse({}));

    await stopLostImports(shop.app);
    const taken = await importCatalogue(shop.app, csv(3), importOptionsSchema.parse({}));
    const record = await shop.app.imports.findRecord('lost');
    await shop.close();

    expect(refused.ok || refused.problems[0]!.code).to.equal('import-running');
    expect(taken.ok).to.equal(true);
    expect(record?.state).to.equal('stopped');
  });
});
