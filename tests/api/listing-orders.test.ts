import { expect } from 'chai';
import type { App } from '~/services/app';
import { BEST_SELLING_DAYS } from '~/core/catalogue';
import { arrangeCategory, listArranged } from '~/services/catalogue/arrange-category';
import { listProducts } from '~/services/catalogue/browse-shop';
import { countRecentSales } from '~/services/catalogue/count-recent-sales';
import { saveProduct, showProduct } from '~/services/catalogue/edit-product';
import { keepSynonym, noteLostSearch, showSearches, sweepSearches } from '~/services/catalogue/mend-searches';
import { openTestShop, type TestShop } from '../support/shop';

const PARAMS = { page: 1, stock: '' as const, q: '', from: undefined, to: undefined };

describe('orders of listings', () => {
  let shop: TestShop;
  let app: App;
  let now = Date.now();
  before(async function () {
    this.timeout(60_000);
    shop = await openTestShop(0.05, () => now);
    app = shop.app;
  });
  after(() => shop.close());

  const listed = async (sort: 'best-selling' | 'by-hand' | 'featured', category: string | null = null) => {
    const { cards } = await listProducts(app, { ...PARAMS, sort }, 2, { category, pageSize: 200 });
    return cards.map(({ slug }) => slug);
  };

  for (const later of [0, 40, 85]) {
    it(`best selling is what a recount of paid orders says, ${later} days on`, async () => {
      now = Date.now() + later * 86_400_000;
      await countRecentSales(app);

      const orders = await app.db.select<{ slug: string; quantity: number; at: number; status: string }>(
        `SELECT p.slug, l.quantity, o.placed_at at, o.status FROM order_lines l JOIN orders o ON o.id = l.order_id
         JOIN variants v ON v.id = l.variant_id JOIN products p ON p.id = v.product_id`,
      );
      const sold = new Map<string, number>();
      for (const { slug, quantity, at, status } of orders)
        if (status === 'paid' && at >= now - BEST_SELLING_DAYS * 86_400_000)
          sold.set(slug, (sold.get(slug) ?? 0) + quantity);
      const shown = await listed('best-selling');
      const counts = shown.map((slug) => sold.get(slug) ?? 0);

      expect(shown.length).to.be.greaterThan(40);
      expect(counts).to.deep.equal([...counts].sort((a, b) => b - a));
      expect(counts.reduce((sum, n) => sum + n, 0)).to.equal([...sold.values()].reduce((sum, n) => sum + n, 0));
    });
  }

  it('a category stands as its owner arranged it, through edits of its products, until that is taken back', async () => {
    const usual = await listed('by-hand', 'spares');
    const wanted = [...usual].reverse();

    const arranged = await arrangeCategory(app, 'spares', wanted, 1);

    expect(arranged.ok && arranged.value.isArranged).to.equal(true);
    expect(await listed('by-hand', 'spares')).to.deep.equal(wanted);
    const edited = (await showProduct(app, wanted[0]!))!;
    const saved = await saveProduct(
      app,
      wanted[0]!,
      { edit: edited.edit, record: { ...edited.record, tags: ['other'] } },
      1,
    );
    expect(saved.ok).to.equal(true);
    expect(await listed('by-hand', 'spares')).to.deep.equal(wanted);
    await arrangeCategory(app, 'spares', wanted.slice(0, 1), 1);
    expect((await listed('by-hand', 'spares'))[0]).to.equal(wanted[0]);
    await arrangeCategory(app, 'spares', [], 1);
    expect(await listed('by-hand', 'spares')).to.deep.equal(usual);
    expect((await listArranged(app, 'nowhere')).ok).to.equal(false);
  });

  it('by hand means the usual order where there is no category', async () => {
    expect(await listed('by-hand')).to.deep.equal(await listed('featured'));
  });
});

describe('searches that found nothing', () => {
  let shop: TestShop;
  let app: App;
  let now = Date.now();
  before(async function () {
    this.timeout(60_000);
    shop = await openTestShop(0, () => now);
    app = shop.app;
  });
  after(() => shop.close());

  it('are told by how often, mended by a synonym, and forgotten in time', async () => {
    for (const typed of ['Zeppelin!', 'zeppelin', 'blimp', '  ', 'x'.repeat(3)]) await noteLostSearch(app, typed);
    expect((await showSearches(app)).lost.map(({ term, times }) => [term, times])).to.deep.equal([
      ['zeppelin', 2],
      ['blimp', 1],
      ['xxx', 1],
    ]);

    const kept = await keepSynonym(app, { term: 'Zeppelin', means: ['foil, delta', 'zeppelin'] }, 1);

    expect(kept.ok && kept.value.synonyms.find(({ term }) => term === 'zeppelin')?.means).to.deep.equal([
      'foil',
      'delta',
    ]);
    expect(kept.ok && kept.value.lost.map(({ term }) => term)).to.deep.equal(['blimp', 'xxx']);
    expect((await app.catalogue.resolveSearch('zeppelin')).match).to.not.equal(null);
    const gone = await keepSynonym(app, { term: 'zeppelin', means: [] }, 1);
    expect(gone.ok && gone.value.synonyms.some(({ term }) => term === 'zeppelin')).to.equal(false);
    now += 91 * 86_400_000;
    await sweepSearches(app);
    expect((await showSearches(app)).lost).to.deep.equal([]);
  });

  it('keep no more terms than there is room for, and say what is no synonym', async () => {
    for (const [term, means] of [
      ['two words', ['kite']],
      ['one', ['one']],
    ] as const)
      expect((await keepSynonym(app, { term, means: [...means] }, 1)).ok).to.equal(false);
    await app.db.run('DELETE FROM lost_searches');
    await app.db.run(
      `INSERT INTO lost_searches (term, times, last_at) WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5000)
       SELECT 't' || i, 1, 1 FROM n`,
    );

    await noteLostSearch(app, 'onemore');
    await noteLostSearch(app, 't7');

    const [{ n, more, seven }] = (await app.db.select<{ n: number; more: number; seven: number }>(
      `SELECT count(*) n, sum(term = 'onemore') more, max(iif(term = 't7', times, 0)) seven FROM lost_searches`,
    )) as [{ n: number; more: number; seven: number }];
    expect([n, more, seven]).to.deep.equal([5000, 1, 2]);
  });
});
