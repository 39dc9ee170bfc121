import { importOptionsSchema } from '~/contract/studio/imports';
import { expect } from 'chai';
import { listingParamsSchema, listProducts } from '~/services/catalogue/browse-shop';
import { importCatalogue } from '~/services/catalogue/import-catalogue';
import { SEARCHES } from '../support/searches';
import { openTestShop, type TestShop } from '../support/shop';

describe('search', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop(0.02);
  });
  after(() => shop.close());
  const search = (q: string, more: object = {}) => listProducts(shop.app, listingParamsSchema.parse({ q, ...more }), 2);
  const slugs = async (q: string, more: object = {}) => (await search(q, more)).cards.map((card) => card.slug);

  it('finds what a shopper means among the first five, of 40 searches at least 38', async () => {
    const missed: string[] = [];

    for (const [typed, ...wanted] of SEARCHES) {
      const first = (await slugs(typed)).slice(0, 5);
      if (!wanted.some((slug) => first.includes(slug))) missed.push(`${typed}: ${first.join(', ') || 'nothing'}`);
    }

    expect(SEARCHES).to.have.length(40);
    expect(missed.length, missed.join('\n')).to.be.at.most(2);
  });

  it('puts names before texts, and the whole phrase before its words', async () => {
    expect((await slugs('kite bags'))[0]).to.equal('kite-bag');
    expect((await slugs('line 40kg'))[0]).to.equal('single-line-40-kg');
    const spars = await search('spar');
    expect(spars.cards.slice(0, 2).map(({ slug }) => slug)).to.have.members(['carbon-spar', 'fibreglass-spar']);
    // Every kite has a fact called “Spar”: what it says counts, not what it is called.
    expect(spars.total).to.be.below(20);
    const names = (await search('kite bag')).cards.map(({ name }) => name);
    const inName = names.map((name) => /kite/i.test(name) && /bag/i.test(name));
    expect(inName).to.deep.equal([...inName].sort((a, b) => Number(b) - Number(a)));
  });

  it('reads prices as they are typed, whichever stands first, and leaves an empty end open', async () => {
    const prices = async (from: string, to: string) =>
      (await search('kite', { from, to, sort: 'price-up' })).cards.map(({ fromMinor }) => fromMinor);
    const all = await prices('', '');
    const between = await prices('10,50', '49.00');

    expect(between.length).to.be.within(1, all.length - 1);
    expect(await prices('49', '10.50')).to.deep.equal(between);
    expect(await prices('€ 10.50', '49 €')).to.deep.equal(between);
    expect(await prices('cheap', 'dear')).to.deep.equal(all);
    expect(await prices('10,50', '')).to.include.members(between);
  });

  it('says which word it took for which', async () => {
    expect((await search('kestral')).mended).to.deep.equal([{ typed: 'kestral', taken: 'kestrel' }]);
    expect((await search('kestrel')).mended).to.deep.equal([]);
  });

  it('finds nothing for what is nowhere, and does not fall over what is no word', async () => {
    for (const typed of [
      'zzzzqqqq',
      '!!!',
      '"',
      "'; DROP TABLE products; --",
      'NEAR(a b)',
      '*',
      'a"b',
      '^x -y',
      '((',
      'x'.repeat(100),
    ])
      expect((await search(typed)).total, typed).to.be.within(0, 48);
    expect((await search('zzzzqqqq')).total).to.equal(0);
  });

  it('keeps to filters and sorts like any listing', async () => {
    const cheap = await search('delta', { to: '50', sort: 'price-up' });

    expect(cheap.cards.length).to.be.greaterThan(0);
    expect(cheap.cards.every((card) => card.fromMinor <= 5000)).to.equal(true);
    expect(cheap.cards.map((card) => card.fromMinor)).to.deep.equal(
      [...cheap.cards.map((card) => card.fromMinor)].sort((a, b) => a - b),
    );
  });

  it('knows a product as soon as it is imported, by SKU too, and under its new name when it changes', async () => {
    const bring = (csv: string) =>
      importCatalogue(shop.app, new TextEncoder().encode(csv), importOptionsSchema.parse({}));
    await bring('Name,SKU,Price\nGossamer Windsock,GW-77,9.00\n');
    const [byName, bySku] = [await slugs('gossamer'), await slugs('GW-77')];
    await bring('Name,SKU,Price\nSilken Windsock,GW-77,9.00\n');

    expect([byName, bySku]).to.deep.equal([['gossamer-windsock'], ['gossamer-windsock']]);
    expect(await slugs('gossamer')).to.deep.equal([]);
    expect(await slugs('silken')).to.deep.equal(['gossamer-windsock']);
  });
});
