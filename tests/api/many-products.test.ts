import { expect } from 'chai';
import { NOTHING_CHOSEN } from '~/core/catalogue';
import { findProduct, findWhileTyping, listFrontPage, listProducts } from '~/services/catalogue/browse-shop';
import { listCategories } from '~/services/list-categories';
import { showDraft } from '~/services/draft/edit-draft';
import { findSamples } from '~/services/draft/sample-situations';
import { suggestNear } from '~/services/catalogue/suggest';
import { viewCart } from '~/services/cart/show-cart';
import { openTestShop, type TestShop } from '../support/shop';

/** Tables that grow with the catalogue, the carts and the visits, and the names queries give them. */
const LARGE =
  'products|p|pr|variants|v|images|i|stock_levels|product_categories|pc|tags|t|attributes|a|reviews|carts|c0|orders|visits|events';
/** Read in an index's own order and left with the page, or counted from an index that holds all that is asked. */
const IN_ORDER = /^SCAN (products|p) USING (COVERING )?INDEX products_by_\w+$/;

describe('a shop of many products', () => {
  let shop: TestShop;
  before(async function () {
    this.timeout(60_000);
    shop = await openTestShop(0, Date.now, 2000);
  });
  after(() => shop.close());

  const params = { page: 2, stock: '', q: '' } as const;
  const inShop: readonly (readonly [string, () => Promise<unknown>])[] = [
    ['the front page', () => listFrontPage(shop.app)],
    ['a category', () => listProducts(shop.app, { ...params, page: 1 }, 2, { category: 'more-deltas' })],
    ['a search', () => listProducts(shop.app, { ...params, q: 'harbour line' }, 2)],
    ['a tag', () => listProducts(shop.app, params, 2, { chosen: { ...NOTHING_CHOSEN, tags: ['gift'] } })],
    ['a price range', () => listProducts(shop.app, { ...params, from: '10', to: '20', stock: '1' }, 2)],
    ['what is suggested while typing', () => findWhileTyping(shop.app, 'har')],
    ['a product', () => findProduct(shop.app, 'heron')],
    [
      'what goes with a product',
      () => suggestNear(shop.app, ['heron', 'hoop-winder'], { cartToken: 'nobody', most: 4, language: 'en' }),
    ],
    ['a cart', () => viewCart(shop.app, 'nobody')],
    ['what one visit did', () => shop.app.visits.listEvents('nobody', 9)],
    ['the number at the cart', () => shop.app.carts.count('nobody')],
    ...(['featured', 'newest', 'name', 'price-up', 'price-down', 'rating'] as const).map(
      (sort) => [`a listing by ${sort}`, () => listProducts(shop.app, { ...params, sort }, 2)] as const,
    ),
  ];

  // Categories are not among them: their products are counted once until something of the catalogue changes.
  for (const [what, show] of inShop) {
    it(`reads ${what} without looking through a large table`, async () => {
      const asked: string[] = [];
      const { select } = shop.app.db;
      Object.assign(shop.app.db, {
        select: (sql: string, bind?: Record<string, unknown>) => {
          asked.push(sql);
          return select(sql, bind);
        },
      });
      await show().finally(() => Object.assign(shop.app.db, { select }));

      expect(asked).not.to.deep.equal([]);
      for (const sql of asked) {
        const plan = (await shop.app.db.explain(sql)).map((step) => step.trim());
        const through = new RegExp(`^SCAN (${LARGE})( |$)|AUTOMATIC`);
        const wrong = plan.filter((step) => through.test(step) && !IN_ORDER.test(step));
        expect(wrong, sql).to.deep.equal([]);
      }
    });
  }

  it('counts each product once in its categories and in those above them', async () => {
    const categories = await listCategories(shop.app);
    const of = (slug: string) => categories.find((category) => category.slug === slug)!.productCount;
    const shelves = categories.filter((category) => category.parentSlug === 'more-deltas');

    expect(shelves).to.have.length(36);
    expect(of('more-deltas')).to.equal(shelves.reduce((sum, shelf) => sum + shelf.productCount, 0));
    const [row] = await shop.app.db.select<{ n: number }>(
      `SELECT count(*) n FROM product_categories pc JOIN categories c ON c.id = pc.category_id WHERE c.slug = 'deltas-shelf-1'`,
    );
    expect(of('deltas-shelf-1')).to.equal(row!.n).and.greaterThan(3);
  });

  it('is drawn the same, whatever the page: all of it, once', async () => {
    const seen = new Set<string>();
    const { pages, total } = await listProducts(shop.app, { ...params, page: 1, sort: 'name' }, 2);
    for (let page = 1; page <= pages; page += 1)
      for (const { slug } of (await listProducts(shop.app, { ...params, page, sort: 'name' }, 2)).cards) seen.add(slug);

    expect(seen.size).to.equal(total).and.greaterThan(1990);
    const beyond = await listProducts(shop.app, { ...params, page: 9999, sort: 'name' }, 2);
    expect(beyond.page).to.equal(pages);
  });

  it('opens the bench on a few of them', async () => {
    const samples = await findSamples(shop.app);
    const draft = await showDraft(shop.app);

    expect(samples.carts.full?.lines).to.have.length(8);
    expect(draft.edit).to.equal(1);
  });
});
