import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { listCategories, listingParamsSchema, listProducts } from '~/services/browse-shop';
import { changeCartOf } from '~/services/change-cart';
import { quoteDelivery } from '~/services/quote-delivery';
import { viewCart } from '~/services/view-cart';
import { openDatabase } from '~/data';
import { openTestShop, type TestShop } from '../support/shop';

describe('listings', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());

  const list = (params: object, category: string | null = null) =>
    listProducts(shop.app, listingParamsSchema.parse(params), category, 2);
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

  it('find by name, tag and SKU, and take marks of the pattern literally', async () => {
    const heron = await shop.app.catalogue.findProduct('heron');

    expect(await names({ q: 'heron' })).to.deep.equal(['Heron']);
    expect(await names({ q: heron!.variants[0]!.sku })).to.deep.equal(['Heron']);
    expect(await names({ q: '100%' })).to.deep.equal([]);
    expect(await names({ q: '_' })).to.deep.equal([]);
    expect(await names({ q: "'; DROP TABLE products; --" })).to.deep.equal([]);
  });

  it('come in pages that hold every product once', async () => {
    const pages = await Promise.all([1, 2].map((page) => names({ page, sort: 'name' })));

    expect(new Set(pages.flat()).size).to.equal(48);
    expect((await list({ page: 99 })).cards).to.deep.equal([]);
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

describe('carts', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop();
  });
  after(() => shop.close());

  it('take a product with its choices, and refuse one that is not made', async () => {
    const token = randomUUID();

    const added = await changeCartOf(shop.app, token, {
      kind: 'add',
      product: 'wagtail',
      choices: { Sail: 'Lagoon' },
      quantity: 2,
    });
    const unmade = await changeCartOf(shop.app, token, {
      kind: 'add',
      product: 'wagtail',
      choices: { Sail: 'Slate' },
      quantity: 1,
    });

    expect(added.ok && added.value).to.include({ count: 2, subtotalMinor: 7800, missingForFreeDeliveryMinor: 0 });
    expect(unmade.ok || unmade.problems[0]?.code).to.equal('no-such-variant');
    expect((await viewCart(shop.app, token)).count).to.equal(2);
  });

  it('stay right when two tabs change them at once', async () => {
    const token = randomUUID();
    const add = () =>
      changeCartOf(shop.app, token, { kind: 'add', product: 'wagtail', choices: { Sail: 'Poppy' }, quantity: 1 });

    await Promise.all(Array.from({ length: 8 }, add));

    const cart = await viewCart(shop.app, token);
    expect(cart.lines).to.have.length(1);
    expect(cart.count).to.equal(8);
  });

  it('mark a line that can no longer be had', async () => {
    const token = randomUUID();
    const added = await changeCartOf(shop.app, token, {
      kind: 'add',
      product: 'heron',
      choices: { Sail: 'Slate' },
      quantity: 2,
    });
    await shop.app.db.run('UPDATE stock_levels SET quantity = 1 WHERE variant_id = $id', {
      id: added.ok ? added.value.lines[0]!.variantId : 0,
    });

    const cart = await viewCart(shop.app, token);

    expect(cart.lines[0]!.problem).to.equal('Only 1 of Heron left. Choose 1 or fewer.');
  });

  it('are delivered by zone and weight, and not at all when nothing is sent', async () => {
    const goods = async (slug: string, quantity: number) => {
      const product = await shop.app.catalogue.findProduct(slug);
      const facts = await shop.app.catalogue.variantFacts([product!.variants[0]!.id]);
      return [{ quantity, facts: [...facts.values()][0]! }];
    };
    const amounts = async (country: string, slug: string, quantity: number) =>
      (await quoteDelivery(shop.app, country, await goods(slug, quantity))).map((rate) => rate.amountMinor);

    expect(await amounts('DE', 'heron', 1)).to.deep.equal([490, 1290]);
    expect(await amounts('DE', 'heron', 9)).to.deep.equal([690, 1490]);
    expect(await amounts('NO', 'heron', 1)).to.deep.equal([1690, 2490]);
    expect(await amounts('DE', 'plan-lapwing-delta', 1)).to.deep.equal([]);
    expect(await amounts('XX', 'heron', 1)).to.deep.equal([]);
  });
});

describe('openDatabase', () => {
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
      await shop.app.carts.writeLines('token-a', [], 1);
      await shop.app.db.inTransaction(() => shop.app.carts.writeLines('token-b', [], 1));
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
