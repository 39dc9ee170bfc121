import { expect } from 'chai';
import type { Found } from '~/core/finder';
import { decidePairs, findPairs } from '~/services/catalogue/find-pairs';
import { findInFile, previewOrders } from '~/services/catalogue/orders-file';
import { suggestNear } from '~/services/catalogue/suggest';
import { streamWork } from '~/services/offers/slices';
import { MERELY_POPULAR, SEASONAL, TOGETHER } from '../../demo/planted';
import { openTestShop, type TestShop } from '../support/shop';

describe('what is bought together', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop(1);
  });
  after(() => shop.close());

  async function search(): Promise<Found> {
    const { work } = await findPairs(shop.app);
    for (;;) {
      const step = work.next();
      if (step.done) return step.value;
    }
  }
  const slugOf = async (name: string) => {
    const [row] = await shop.app.db.select<{ slug: string }>('SELECT slug FROM products WHERE name = $name', { name });
    return row!.slug;
  };
  const verdictOf = async (found: Found, [one, other]: readonly [string, string]) => {
    const slugs = [await slugOf(one), await slugOf(other)].sort().join();
    return found.pairs.find(({ a, b }) => [a, b].sort().join() === slugs);
  };

  it('is found as it was planted, and what is only of a season or only popular is told from it', async () => {
    const found = await search();
    for (const { also } of TOGETHER.filter((rule) => rule.also.length === 2))
      expect((await verdictOf(found, also as [string, string]))?.verdict, also.join()).to.equal('together');
    expect((await verdictOf(found, SEASONAL.pair))?.verdict).to.equal('seasonal');
    const popular = await verdictOf(found, MERELY_POPULAR);
    expect(popular?.verdict).to.equal('popular');
    // It is among the most frequent pairs all the same.
    expect(found.pairs.filter(({ both }) => both > popular!.both).length).to.be.lessThan(12);
    const triple = await Promise.all(TOGETHER[1]!.also.map(slugOf));
    expect(found.triples.some(({ products }) => triple.every((slug) => products.includes(slug)))).to.equal(true);
  });

  it('is suggested once it is accepted, with the reason for the shop’s own people, and not again once refused', async () => {
    const [gloves, stake] = [await slugOf('Line Gloves'), await slugOf('Ground Stake')];
    const pair = { a: stake, b: gloves, both: 37, baskets: 1500, lift: 7 };
    await decidePairs(shop.app, { state: 'accepted', pairs: [pair] }, 1);
    const near = (explains: boolean) =>
      suggestNear(shop.app, [gloves], { cartToken: null, most: 4, explains, language: 'en' });
    const told = (await near(true)).find(({ slug }) => slug === stake);
    expect(told?.why).to.equal(
      'Bought together in 37 of 1500 orders, 7.0 times as often as by chance; you took it over.',
    );
    expect((await near(false)).every((card) => card.why === undefined)).to.equal(true);
    expect((await near(true)).some(({ why }) => why?.startsWith('Related: it shares'))).to.equal(true);

    await decidePairs(shop.app, { state: 'refused', pairs: [pair] }, 1);
    expect(await shop.app.pairs.readPicks(gloves)).to.not.include(stake);
    expect((await shop.app.pairs.listDecided()).map(({ a, state }) => [a, state])).to.deep.equal([
      [[stake, gloves].sort()[0], 'refused'],
    ]);
  });

  it('is told with progress, and ends when nobody listens', async () => {
    function* slow(): Generator<number, string> {
      for (let i = 0; i < 50; i += 1) {
        const until = performance.now() + 4;
        while (performance.now() < until);
        yield i / 50;
      }
      return 'done';
    }
    const text = await streamWork(slow()).text();
    const lines = text
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { done?: number; answer?: string });
    expect(lines.length).to.be.greaterThan(3);
    expect(lines.at(-1)).to.deep.equal({ answer: 'done' });

    const work = slow();
    const reader = streamWork(work).body!.getReader();
    await reader.read();
    await reader.cancel();
    expect(work.next().done).to.equal(true);
  });

  it('is found in a file of orders as in the shop’s own, alone or with them', async () => {
    const own = await shop.app.pairs.listBaskets();
    const csv = [
      'Order;Item;Day',
      ...own.map(({ basket, product, week }) => {
        const day = new Date(week * 604_800_000).toISOString().slice(0, 10);
        return `${basket};${product.replaceAll('-', ' ')};${day}`;
      }),
      '1;A thing of another shop;2026-11-02',
      '2;;2026-11-02',
    ].join('\n');
    // Files name products, not addresses.
    const names = new Map(
      (await shop.app.pairs.listNames()).map(({ name, slug }) => [slug.replaceAll('-', ' '), name]),
    );
    const named = csv.replace(
      /^(\d+;)([^;]+)/gm,
      (_, order: string, product: string) => order + (names.get(product) ?? product),
    );
    const bytes = new TextEncoder().encode(named);

    const seen = await previewOrders(shop.app, bytes, { withOwn: false });
    expect(seen.ok && [seen.value.columns, seen.value.orders, seen.value.unknown]).to.deep.equal([
      ['order', 'product', 'date'],
      new Set(own.map(({ basket }) => basket)).size,
      [{ name: 'A thing of another shop', rows: 1 }],
    ]);
    expect(seen.ok && seen.value.problems.map(({ message }) => message)).to.deep.equal([
      'It names no order, or no product. Fill both in.',
    ]);
    const searched = async (withOwn: boolean) => {
      const found = await findInFile(shop.app, bytes, { withOwn });
      if (!found.ok) throw new Error('refused');
      for (;;) {
        const step = found.value.work.next();
        if (step.done) return step.value;
      }
    };
    const [alone, with_, ours] = [await searched(false), await searched(true), await search()];
    const said = (found: Found) => found.pairs.map(({ a, b, verdict }) => `${[a, b].sort().join()} ${verdict}`).sort();
    expect(said(alone)).to.deep.equal(said(ours));
    expect(with_.baskets).to.equal(2 * ours.baskets);

    const none = await findInFile(shop.app, new TextEncoder().encode('order;sku\n1;NO-SUCH'), { withOwn: true });
    expect(!none.ok && none.problems[0]!.code).to.equal('orders-none');
    const columns = await previewOrders(shop.app, new TextEncoder().encode('a;b\n1;2'), { withOwn: true });
    expect(columns.ok && columns.value.missing).to.have.length(2);
  });
});
