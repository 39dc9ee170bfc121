import { expect } from 'chai';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { listingParamsSchema, listProducts } from '~/services/catalogue/browse-shop';
import { listCategories } from '~/services/list-categories';
import sqlite3 from 'sqlite3';
import { EMPTY_CART } from '~/core/cart';
import { cartRepository, NEW_CART, openDatabase, orderRepository } from '~/data';
import { migrations } from '~/data/migrations';
import { openTestShop, type TestShop } from '../support/shop';

describe('listings', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());

  const list = (params: object, category: string | null = null) =>
    listProducts(shop.app, listingParamsSchema.parse(params), 2, { category });
  const names = async (params: object, category: string | null = null) =>
    (await list(params, category)).cards.map((card) => card.name);

  it('hold the products of a category and of those under it', async () => {
    const all = await names({}, 'single-line');
    const figures = await names({}, 'figures');

    expect(all).to.include.members(figures);
    expect(all.length).to.be.greaterThan(figures.length);
  });

  it('sort by price both ways, by name and by rating, with unrated products last', async () => {
    const up = (await list({ sort: 'price-up' })).cards.map((card) => card.fromMinor);
    const byName = await names({ sort: 'name' });
    const rated = (await list({ sort: 'rating', page: 2 })).cards;

    expect(up).to.deep.equal([...up].sort((a, b) => a - b));
    expect((await list({ sort: 'price-down' })).cards[0]!.fromMinor).to.equal(48_900);
    expect(byName).to.deep.equal([...byName].sort((a, b) => a.localeCompare(b, 'en')));
    expect(rated.at(-1)!.rating).to.equal(null);
  });

  it('keep to a span of prices that any variant reaches, and to what is in stock', async () => {
    expect(await names({ from: '300' })).to.have.members(['Peregrine Pro', 'Scarp Foil', 'Scarp Buggy Foil Set']);
    expect(await names({ stock: '1' }, 'indoor')).not.to.include('Moth');
    expect(await names({}, 'indoor')).to.include('Moth');
  });

  it('find by name and SKU, and read nothing into marks', async () => {
    const heron = await shop.app.catalogue.findProduct('heron');

    expect(await names({ q: 'heron' })).to.deep.equal(['Heron']);
    expect(await names({ q: heron!.variants[0]!.sku })).to.deep.equal(['Heron']);
    expect(await names({ q: '_' })).to.deep.equal([]);
    expect(await names({ q: "'; DROP TABLE products; --" })).to.deep.equal([]);
  });

  it('come in pages that hold every product once, and end with the last one', async () => {
    const pages = await Promise.all([1, 2].map((page) => names({ page, sort: 'name' })));

    expect(new Set(pages.flat()).size).to.equal(48);
    expect(await list({ page: 99 })).to.deep.equal(await list({ page: 2 }));
    expect((await list({})).pages).to.equal(2);
  });

  it('fall back on wrong filters instead of failing a shopper', async () => {
    expect((await list({ sort: 'evil', page: '-3', from: 'x', stock: '7' })).total).to.equal(48);
  });

  it('show the lowest price with the price before of what is lowered', async () => {
    const card = (await list({ q: 'Lapwing' })).cards.find((candidate) => candidate.slug === 'lapwing-delta')!;

    expect(card).to.include({ fromMinor: 6400, toMinor: 9000, wasMinor: 7900, onlyVariantId: null });
  });

  it('count the products of a category with those under it', async () => {
    const categories = await listCategories(shop.app);

    expect(categories.find((category) => category.slug === 'single-line')!.productCount).to.equal(9);
    expect(categories.find((category) => category.slug === 'figures')!.parentSlug).to.equal('single-line');
  });
});

describe('the demo’s catalogue', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());

  it('has the hard cases that are asked of it', async () => {
    const [row] = await shop.app.db.select<Record<string, number>>(
      `SELECT (SELECT count(*) FROM products) products, (SELECT count(*) FROM variants) variants, (SELECT max(length(name)) FROM products) longest,
        (SELECT count(*) FROM products WHERE in_stock = 0) sold_out, (SELECT count(*) FROM variants WHERE cost_minor IS NULL) uncosted,
        (SELECT min(price_minor) FROM variants) cheapest, (SELECT max(price_minor) FROM variants) dearest,
        (SELECT max(n) FROM (SELECT count(*) n FROM variants GROUP BY product_id)) most`,
    );

    expect(row).to.include({
      products: 48,
      sold_out: 2,
      uncosted: 0,
      cheapest: 90,
      dearest: 48_900,
      most: 28,
      longest: 96,
    });
    expect(row!['variants']).to.be.greaterThan(140);
  });
});

describe('openDatabase', () => {
  it('brings a database of the first version up to date and keeps what is in it', async () => {
    const dataDir = await mkdtemp(path.join(tmpdir(), 'paved-lane-'));
    const run = (statement: string) =>
      new Promise<void>((resolve, reject) => {
        const old = new sqlite3.Database(path.join(dataDir, 'paved-lane.sqlite'));
        old.exec(statement, (error) => old.close(() => (error ? reject(error) : resolve())));
      });
    const [first] = migrations;
    await first!.up({ context: { run } });
    await run(`CREATE TABLE migrations (name VARCHAR(255) PRIMARY KEY); INSERT INTO migrations VALUES ('${first!.name}');
      INSERT INTO products (id, slug, name, created_day) VALUES (1, 'kite', 'Kite', '2026-01-01');
      INSERT INTO variants (id, product_id, sku, price_minor) VALUES (1, 1, 'K', 1000);
      INSERT INTO carts (id, token, updated_at) VALUES (1, 'cart', 5);
      INSERT INTO cart_lines (id, cart_id, variant_id, quantity, position) VALUES ('line', 1, 1, 3, 0);
      INSERT INTO orders (id, token, idempotency_key, request_hash, status, email, name, address, delivery, currency, subtotal_minor,
        discount_minor, delivery_minor, tax_minor, total_minor, steps, lane_revision, placed_at, day)
        VALUES (1, 'order', 'key', '', 'paid', 'a@b.example', 'A', '{}', 'standard', 'EUR', 1000, 0, 0, 0, 1000, '[]', 1, 7, '2026-01-01');
      INSERT INTO order_lines (order_id, variant_id, sku, name, choices, quantity, unit_minor, total_minor, steps)
        VALUES (1, 1, 'K', 'Kite', '', 1, 1000, 1000, '[]');`);

    const db = await openDatabase(dataDir);

    const cart = await cartRepository(db).read('cart');
    const order = await orderRepository(db).find('order');
    expect(cart).to.deep.equal({
      version: 0,
      source: null,
      changeIds: [],
      judgedFor: null,
      codes: [],
      destination: null,
      note: '',
      removed: [],
      lines: [{ id: 'line', variantId: 1, quantity: 3, answers: {} }],
    });
    expect(order).to.include({ totalMinor: 1000, coupon: null, note: '' });
    expect(order!.lines[0]).to.deep.include({ sku: 'K', answers: [], addOns: [] });
    expect(await orderRepository(db).listUnmailed(9)).to.deep.equal([]);
    await db.close();
    await rm(dataDir, { recursive: true });
  });

  it('can be opened again and by two at once without migrating twice', async () => {
    const dataDir = await mkdtemp(path.join(tmpdir(), 'paved-lane-'));
    const first = await openDatabase(dataDir);
    const second = await openDatabase(dataDir);

    expect(await second.pendingMigrations()).to.equal(0);
    const [mode] = await first.select<{ journal_mode: string }>('PRAGMA journal_mode');
    expect(mode!.journal_mode).to.equal('wal');
    await Promise.all([first.close(), second.close()]);
    await rm(dataDir, { recursive: true });
  });

  it('rolls a failed transaction back, and joins one that is under way', async () => {
    const shop = await openTestShop();
    const count = async () => (await shop.app.db.select<{ n: number }>('SELECT count(*) n FROM carts'))[0]!.n;

    const failed = shop.app.db.inTransaction(async () => {
      await shop.app.carts.write('token-a', NEW_CART, EMPTY_CART, { now: 1 });
      await shop.app.db.inTransaction(() => shop.app.carts.write('token-b', NEW_CART, EMPTY_CART, { now: 1 }));
      throw new Error('stop');
    });

    const message = await failed.then(
      () => '',
      (error: Error) => error.message,
    );
    expect(message).to.equal('stop');
    expect(await count()).to.equal(0);
    await shop.close();
  });

  it('lets writes from everywhere take turns, also while a transaction waits', async () => {
    const shop = await openTestShop();
    const { db } = shop.app;
    const order: string[] = [];

    const slow = db.inTransaction(async () => {
      await db.run(`UPDATE products SET name = 'Inside' WHERE slug = 'heron'`);
      await new Promise((resolve) => setTimeout(resolve, 50));
      order.push('transaction');
    });
    const plain = db
      .run(`UPDATE products SET name = name || ' and after' WHERE slug = 'heron'`)
      .then(() => order.push('plain'));
    const modelled = db.models.AuditEntryRow.update({ action: 'x' }, { where: {} }).then(() => order.push('modelled'));
    const failing = db.inTransaction(() => Promise.reject(new Error('stop'))).catch(() => order.push('failing'));
    const last = db.run(`UPDATE products SET brand = 'Last' WHERE slug = 'heron'`).then(() => order.push('last'));
    await Promise.all([slow, plain, modelled, failing, last]);

    // What goes through a model is asked for a little later; it must not be before the transaction either.
    expect(order.filter((name) => name !== 'modelled')).to.deep.equal(['transaction', 'plain', 'failing', 'last']);
    expect(order.indexOf('modelled')).to.be.greaterThan(0);
    expect(await db.select(`SELECT name, brand FROM products WHERE slug = 'heron'`)).to.deep.equal([
      { name: 'Inside and after', brand: 'Last' },
    ]);
    await shop.close();
  });

  it('tells everyone whose statement cannot be read, and answers the next', async () => {
    const shop = await openTestShop();
    const { db } = shop.app;
    const said = (sql: string) => db.select(sql).then(String, (error: Error) => error.message);

    const messages = await Promise.all([said('SELECT * FROM nowhere'), said('SELECT * FROM nowhere')]);
    const wrongValue = await db
      .run('INSERT INTO tags (product_id, name) VALUES ($id, $name)', { id: 999_999, name: 'x' })
      .catch((error: Error) => error.message);

    expect(messages).to.deep.equal(Array(2).fill('SQLITE_ERROR: no such table: nowhere in: SELECT * FROM nowhere'));
    expect(wrongValue).to.include('FOREIGN KEY');
    const forgotten = await db.select('SELECT $n AS n', { n: undefined }).catch((error: Error) => error.message);
    expect(forgotten).to.equal('The statement was given nothing for $n');
    expect(await db.select('SELECT $n + 1 AS n', { n: 1 })).to.deep.equal([{ n: 2 }]);
    expect(await db.select('SELECT $n + 1 AS n', { n: 5 })).to.deep.equal([{ n: 6 }]);
    await shop.close();
  });

  it('holds many different statements, and knows a schema that changed since', async () => {
    const shop = await openTestShop();
    const { db } = shop.app;
    const columns = async () => Object.keys((await db.select('SELECT * FROM tags LIMIT 1'))[0]!).length;
    const before = await columns();

    for (let i = 0; i < 300; i += 1) expect(await db.select(`SELECT ${i} AS i`)).to.deep.equal([{ i }]);
    await db.run('ALTER TABLE tags ADD COLUMN more TEXT');

    expect(await columns()).to.equal(before + 1);
    await shop.close();
  });

  it('keeps stock from going below zero and variants with their product', async () => {
    const shop = await openTestShop();
    const refused = await shop.app.db.run('UPDATE stock_levels SET quantity = -1').then(
      () => '',
      (error: Error) => String(error),
    );

    await shop.app.db.run(`DELETE FROM products WHERE slug = 'heron'`);

    const [left] = await shop.app.db.select<{ n: number }>(
      'SELECT count(*) n FROM stock_levels WHERE variant_id NOT IN (SELECT id FROM variants)',
    );
    expect(refused).to.include('Error');
    expect(left!.n).to.equal(0);
    await shop.close();
  });
});
