import { bulkSchema } from '~/contract/studio/bulk';
import { expect } from 'chai';
import { NOTHING_CHOSEN, type Chosen } from '~/core/catalogue';
import fc from 'fast-check';
import { changedPrice } from '~/core/catalogue';
import { findProduct, listProducts } from '~/services/catalogue/browse-shop';
import { listCategories } from '~/services/list-categories';
import { changeMany, listBulks, undoMany } from '~/services/catalogue/change-many';
import { listForEditing, saveCategories } from '~/services/catalogue/edit-categories';
import { openTestShop, type TestShop } from '../support/shop';

describe('changedPrice', () => {
  it('goes by per cent, to whole cents, and ends as it is told', () => {
    expect(changedPrice(4900, 10, null, 2)).to.equal(5390);
    expect(changedPrice(333, 50, null, 2)).to.equal(500);
    expect(changedPrice(4900, 10, 95, 2)).to.equal(5395);
    expect(changedPrice(4900, -12, 95, 2)).to.equal(4295);
    expect(changedPrice(20, -50, 95, 2)).to.equal(95);
    expect(changedPrice(500, 10, 95, 0)).to.equal(550);
  });

  it('is the nearest price that ends so', () => {
    fc.assert(
      fc.property(
        fc.nat(200_000),
        fc.integer({ min: -99, max: 300 }),
        fc.constantFrom(0, 50, 90, 95, 99),
        (price, percent, end) => {
          const exact = changedPrice(price, percent, null, 2);
          const ended = changedPrice(price, percent, end, 2);
          expect(ended % 100).to.equal(end);
          expect(ended).to.be.at.least(0);
          if (exact >= end) expect(Math.abs(ended - exact)).to.be.at.most(50);
        },
      ),
    );
  });
});

describe('many products at once', () => {
  let shop: TestShop;
  beforeEach(async () => {
    shop = await openTestShop(0);
  });
  afterEach(() => shop.close());
  const run = async (wish: object) => {
    const answer = await changeMany(shop.app, bulkSchema.parse({ list: { q: '', filter: 'all' }, ...wish }), 1);
    if (!answer.ok) throw new Error(answer.problems[0]!.code);
    return answer.value;
  };
  const prices = async () =>
    shop.app.db.select<{ id: number; price_minor: number }>('SELECT id, price_minor FROM variants ORDER BY id');

  it('are seen old and new before anything is written, and put back by one press', async () => {
    const before = await prices();
    const wish = { list: { q: 'heron', filter: 'all' }, change: { kind: 'price', percent: -20, endMinor: 95 } };

    const seen = await run({ ...wish, apply: false });
    expect(await prices()).to.deep.equal(before);
    expect(seen.rows[0]).to.include({ name: 'Heron' });
    expect(seen.rows.every(({ to }) => to % 100 === 95)).to.equal(true);

    const done = await run({ ...wish, apply: true });
    expect(done.count).to.equal(seen.count);
    const heron = (await findProduct(shop.app, 'heron'))!;
    expect(heron.variants.map(({ priceMinor }) => priceMinor)).to.include(seen.rows[0]!.to);
    const [history] = await shop.app.db.select<{ n: number }>(
      'SELECT count(*) n FROM price_changes WHERE price_minor = $to',
      { to: seen.rows[0]!.to },
    );
    expect(history!.n).to.be.greaterThan(0);

    // What somebody corrected meanwhile stays as it is.
    const [touched] = heron.variants;
    await shop.app.db.run('UPDATE variants SET price_minor = 1 WHERE id = $id', { id: touched!.id });
    expect((await undoMany(shop.app, done.id!, 1)).ok).to.equal(true);
    const after = new Map((await prices()).map((row) => [row.id, row.price_minor]));
    expect(after.get(touched!.id)).to.equal(1);
    for (const { id, price_minor } of before) if (id !== touched!.id) expect(after.get(id)).to.equal(price_minor);
    expect((await undoMany(shop.app, done.id!, 1)).ok).to.equal(false);
  });

  it('get a tag and lose it, and are hidden and shown, in the open shop at once', async () => {
    const total = async (over: Partial<Chosen>) =>
      (
        await listProducts(shop.app, { page: 1, stock: '', q: '' }, 2, {
          chosen: { ...NOTHING_CHOSEN, ...over },
        })
      ).total;
    const all = await total({});
    const tagged = await run({
      list: { q: 'kestrel', filter: 'all' },
      change: { kind: 'tag', tag: 'autumn', on: true },
      apply: true,
    });
    expect(await total({ tags: ['autumn'] })).to.equal(tagged.products);
    await undoMany(shop.app, tagged.id!, 1);
    expect(await total({ tags: ['autumn'] })).to.equal(0);

    const some = await run({ slugs: ['kestrel', 'heron'], change: { kind: 'tag', tag: 'two', on: true }, apply: true });
    expect([some.products, await total({ tags: ['two'] })]).to.deep.equal([2, 2]);

    // Hiding everything is asked about before; hiding some is not.
    const hide = { change: { kind: 'shown', on: false }, apply: false } as const;
    expect((await run(hide)).hidesAll).to.equal(true);
    expect((await run({ ...hide, slugs: ['kestrel'] })).hidesAll).to.equal(false);
    const hidden = await run({ change: { kind: 'shown', on: false }, apply: true });
    expect([hidden.products, await total({})]).to.deep.equal([all, 0]);
    await undoMany(shop.app, hidden.id!, 1);
    expect(await total({})).to.equal(all);
    expect((await run({ change: { kind: 'shown', on: true }, apply: false })).count).to.equal(0);
  });

  it('are listed when they are long done, and each is undone from there', async () => {
    const tag = (name: string) => run({ slugs: ['heron'], change: { kind: 'tag', tag: name, on: true }, apply: true });
    await tag('early');
    await tag('late');
    await run({ slugs: ['heron'], change: { kind: 'tag', tag: 'seen', on: true }, apply: false });
    const listed = await listBulks(shop.app);
    expect(listed.map(({ what, rows, undoneAt }) => [what.kind === 'tag' && what.tag, rows, undoneAt])).to.deep.equal([
      ['late', 1, null],
      ['early', 1, null],
    ]);
    expect((await undoMany(shop.app, listed[1]!.id, 1)).ok).to.equal(true);
    expect((await listBulks(shop.app))[1]!.undoneAt).to.be.a('number');
    const { tags } = (await shop.app.catalogue.readRecord('heron'))!.record;
    expect(tags).to.include('late').and.not.to.include('early');
  });

  it('do not come to cost nothing, nor are they shown while they do', async () => {
    await shop.app.db.run(
      `UPDATE variants SET price_minor = 0 WHERE product_id = (SELECT id FROM products WHERE slug = 'heron')`,
    );
    await shop.app.db.run(`UPDATE products SET is_shown = 0 WHERE slug IN ('heron', 'kestrel')`);
    const show = { slugs: ['heron', 'kestrel'], change: { kind: 'shown', on: true } };
    const shown = await run({ ...show, apply: true });
    expect([shown.products, shown.withoutPrice, shown.rows[0]!.name]).to.deep.equal([1, 1, 'Kestrel']);
    await shop.app.db.run(`UPDATE products SET is_free = 1 WHERE slug = 'heron'`);
    expect((await run({ ...show, apply: true })).rows[0]!.name).to.equal('Heron');
    const lowered = await run({
      slugs: ['end-cap'],
      change: { kind: 'price', percent: -99, endMinor: 0 },
      apply: false,
    });
    expect(lowered.count).to.equal(0);
    expect(lowered.withoutPrice).to.be.greaterThan(0);
  });
});

describe('categories in the studio', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop(0);
  });
  after(() => shop.close());
  const bare = async () =>
    (await listForEditing(shop.app)).map(({ slug, name, text, picture, parent }) => ({
      slug,
      name,
      text,
      picture,
      parent,
    }));

  it('are kept as they are, and shown in the order they are put', async () => {
    const before = await bare();
    expect(await saveCategories(shop.app, { categories: before }, 1)).to.deep.equal({
      ok: true,
      value: await listForEditing(shop.app),
    });
    const top = before.filter(({ parent }) => parent === null);
    const last = top.at(-1)!;
    await saveCategories(shop.app, { categories: [last, ...before.filter((one) => one !== last)] }, 1);
    const shown = (await listCategories(shop.app)).filter(({ parentSlug }) => parentSlug === null);
    expect(shown[0]!.slug).to.equal(last.slug);
  });

  it('are renamed and found by the new name, made and deleted; products stay', async () => {
    const before = await bare();
    const [products] = await shop.app.db.select<{ n: number }>('SELECT count(*) n FROM products');
    const renamed = before.map((one) => (one.slug === 'figures' ? { ...one, name: 'Zeppelins' } : one));
    const fresh = { slug: '', name: 'Odds and Ends', text: '', picture: null, parent: null };
    expect((await saveCategories(shop.app, { categories: [...renamed, fresh] }, 1)).ok).to.equal(true);
    const search = async () => (await listProducts(shop.app, { page: 1, stock: '', q: 'zeppelins' }, 2)).total;
    expect(await search()).to.be.greaterThan(0);
    expect((await bare()).at(-1)!.slug).to.equal('odds-and-ends');

    await saveCategories(shop.app, { categories: (await bare()).filter(({ slug }) => slug !== 'odds-and-ends') }, 1);
    expect((await bare()).map(({ slug }) => slug)).not.to.include('odds-and-ends');
    const [left] = await shop.app.db.select<{ n: number }>('SELECT count(*) n FROM products');
    expect(left!.n).to.equal(products!.n);
  });

  it('stand two deep at most, and none is taken for another', async () => {
    const before = await bare();
    const child = before.find(({ parent }) => parent !== null)!;
    const third = { slug: '', name: 'Third', text: '', picture: null, parent: child.slug };
    const deep = await saveCategories(shop.app, { categories: [...before, third] }, 1);
    expect(!deep.ok && deep.problems[0]!.code).to.equal('category-depth');
    const twice = await saveCategories(shop.app, { categories: [...before, before[0]!] }, 1);
    expect(!twice.ok && twice.problems[0]!.code).to.equal('not-found');
    expect(await bare()).to.deep.equal(before);
  });
});
