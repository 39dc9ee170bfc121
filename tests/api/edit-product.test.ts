import { requestContext } from '~/services/request-context';
import { expect } from 'chai';
import { NEW_CART } from '~/data';
import { goodsOf } from '~/services/cart/cart-goods';
import { liveLane } from '~/services/lane/live-lane';
import { quoteDelivery } from '~/services/cart/quote-delivery';
import { suggestNear } from '~/services/catalogue/suggest';
import { circumstancesOf, UNKNOWN_BUYER } from '~/services/offers/circumstances';
import { priceCartGoods } from '~/services/cart/view-cart';
import { createProduct, keepReview, removeProduct, saveProduct, showProduct } from '~/services/catalogue/edit-product';
import { addExamples, removeExamples } from '~/services/catalogue/example-catalogue';
import { listForOwner, ownerListSchema } from '~/services/catalogue/list-products';
import { findProduct, listFrontPage, listProducts } from '~/services/catalogue/browse-shop';
import { wordProblem } from '~/core/problems';
import { openTestShop, type TestShop } from '../support/shop';

describe('a product in the studio', () => {
  let shop: TestShop;
  before(async () => {
    shop = await openTestShop(0);
  });
  after(() => shop.close());

  const read = async (slug: string) => (await showProduct(shop.app, slug))!;
  const list = (over: object = {}) => listForOwner(shop.app, ownerListSchema.parse(over));

  it('is read whole: kept as it was read, nothing changes', async () => {
    const before = await read('heron');
    const shopper = await findProduct(shop.app, 'heron');

    const saved = await saveProduct(shop.app, 'heron', before, 1);

    expect(saved).to.deep.equal({ ok: true, value: before });
    expect(await findProduct(shop.app, 'heron')).to.deep.equal(shopper);
  });

  it('has a corrected price in the open shop at once, in its history and in the audit trail', async () => {
    const { edit, record } = await read('heron');
    const [first, ...others] = record.variants;
    const next = { ...record, variants: [{ ...first!, priceMinor: 12_345, stock: 2 }, ...others] };

    const saved = await saveProduct(shop.app, 'heron', { edit, record: next }, 1);

    expect(saved.ok && saved.value.edit).to.equal(edit + 1);
    const shown = (await findProduct(shop.app, 'heron'))!;
    expect(shown.variants[0]).to.include({ priceMinor: 12_345, stock: 2 });
    expect((await read('heron')).prices[0]).to.include({ sku: first!.sku, priceMinor: 12_345 });
    const [audit] = await shop.app.db.select<{ facts: string }>(
      `SELECT facts FROM audit_entries WHERE action = 'edit-product' ORDER BY id DESC`,
    );
    expect(JSON.parse(audit!.facts)).to.deep.equal({
      slug: 'heron',
      changes: [
        { what: `${first!.sku} priceMinor`, from: first!.priceMinor, to: 12_345 },
        { what: `${first!.sku} stock`, from: first!.stock, to: 2 },
      ],
    });
  });

  it('comes first, suggests what was picked, and costs delivery and tax of its own', async () => {
    const { edit, record } = await read('heron');
    const next = { ...record, isFeatured: true, taxRate: 'low', itemDeliveryMinor: 250, suggestions: ['kestrel'] };
    await saveProduct(shop.app, 'heron', { edit, record: next }, 1);

    const front = await listFrontPage(shop.app);
    expect(front.featured[0]!.slug).to.equal('heron');
    expect((await suggestNear(shop.app, ['heron'], { cartToken: null, most: 3, language: 'en' }))[0]!.slug).to.equal(
      'kestrel',
    );

    const variantId = (await findProduct(shop.app, 'heron'))!.variants[0]!.id;
    const facts = await shop.app.catalogue.variantFacts([variantId]);
    expect(facts.get(variantId)).to.include({ taxRate: 'low', itemDeliveryMinor: 250 });
    const cart = { ...NEW_CART, lines: [{ id: 'a', variantId, quantity: 3, answers: {} }] };
    const place = { country: 'DE', postcode: '10115' };
    const ways = async (own: number) => {
      const known = new Map([[variantId, { ...facts.get(variantId)!, itemDeliveryMinor: own }]]);
      const context = await requestContext(shop.app);
      return quoteDelivery(context, place, await goodsOf(context, cart, known));
    };
    const [without, added] = [await ways(0), await ways(250)];
    expect(without).not.to.have.length(0);
    expect(added.map((way) => way.amountMinor)).to.deep.equal(without.map((way) => way.amountMinor + 750));

    const live = await liveLane(shop.app);
    const tax = { ...live.lane.shop.tax, rates: { low: { name: 'Low', basisPoints: 700 } } };
    const lane = { ...live.lane, offers: {}, shop: { ...live.lane.shop, tax } };
    const goods = await goodsOf(await requestContext(shop.app), cart);
    const circumstances = await circumstancesOf(shop.app, live, UNKNOWN_BUYER);
    const delivery = { amountMinor: null, method: null };
    const priced = priceCartGoods({ ...live, lane }, cart.codes, goods, { circumstances, delivery });
    expect(priced.taxMinor).to.equal(Math.round((priced.totalMinor * 700) / 10_700));
  });

  it('hides and answers a review; what is hidden does not count', async () => {
    const { reviews } = await read('kestrel');
    const [one] = reviews;
    expect(await keepReview(shop.app, 'kestrel', { id: one!.id, isHidden: true, answer: '' }, 1)).to.include({
      ok: true,
    });
    const [two] = reviews.slice(1);
    await keepReview(shop.app, 'kestrel', { id: two!.id, isHidden: false, answer: 'Thank you.' }, 1);

    const shown = (await findProduct(shop.app, 'kestrel'))!;
    expect(shown.rating!.count).to.equal(reviews.length - 1);
    const stars = reviews.slice(1).reduce((sum, review) => sum + review.stars, 0) / (reviews.length - 1);
    expect(shown.rating!.stars).to.be.closeTo(stars, 0.05);
    expect(shown.reviews.find((review) => review.text === two!.text)!.answer).to.equal('Thank you.');
    expect(shown.reviews.map((review) => review.text)).not.to.include(one!.text);
    const lost = await keepReview(shop.app, 'heron', { id: one!.id, isHidden: true, answer: '' }, 1);
    expect(lost).to.deep.include({ ok: false, problems: [{ path: '', code: 'not-found' }] });
  });

  it('refuses what was made of an older one, and keeps the newer', async () => {
    const { edit, record } = await read('kestrel');
    await saveProduct(shop.app, 'kestrel', { edit, record: { ...record, shortText: 'Theirs' } }, 1);

    const late = await saveProduct(shop.app, 'kestrel', { edit, record: { ...record, shortText: 'Mine' } }, 1);

    expect(late).to.deep.include({ ok: false, problems: [{ path: 'edit', code: 'stale-product' }] });
    expect((await read('kestrel')).record.shortText).to.equal('Theirs');
  });

  it('keeps stock when an axis is renamed, and exchanges SKUs', async () => {
    const { edit, record } = await read('kestrel');
    const [axis] = record.axes;
    const [a, b] = record.variants;
    const renamed = {
      ...record,
      axes: ['Span', ...record.axes.slice(1)],
      variants: record.variants.map(({ choices: { [axis!]: value, ...rest }, ...variant }) => ({
        ...variant,
        sku: variant === record.variants[0] ? b!.sku : variant.sku,
        choices: { Span: value!, ...rest },
      })),
    };
    renamed.variants[0]!.sku = b!.sku;
    renamed.variants[1]!.sku = a!.sku;

    const saved = await saveProduct(shop.app, 'kestrel', { edit, record: renamed }, 1);

    expect(saved.ok).to.equal(true);
    const after = (await read('kestrel')).record;
    expect(after.axes[0]).to.equal('Span');
    expect(after.variants.map(({ stock }) => stock)).to.deep.equal(record.variants.map(({ stock }) => stock));
    expect([after.variants[0]!.sku, after.variants[1]!.sku]).to.deep.equal([b!.sku, a!.sku]);
    expect((await findProduct(shop.app, 'kestrel'))!.axes[0]).to.equal('Span');
  });

  it('names the row of a SKU that another product has, and changes nothing', async () => {
    const [heron, kestrel] = [await read('heron'), await read('kestrel')];
    const variants = heron.record.variants.map((variant, i) =>
      i === 1 ? { ...variant, sku: kestrel.record.variants[0]!.sku } : variant,
    );

    const saved = await saveProduct(shop.app, 'heron', { edit: heron.edit, record: { ...heron.record, variants } }, 1);

    expect(saved).to.deep.include({ ok: false });
    expect(!saved.ok && saved.problems[0]).to.deep.include({ path: 'variants.1.sku', code: 'sku-taken' });
    expect(await read('heron')).to.deep.equal(heron);
  });

  it('is made by hand, hidden at first, found by its owner alone, then shown, then deleted', async () => {
    const made = await createProduct(shop.app, 'Reed Whistle', 1);
    const { slug } = (made as { value: { slug: string } }).value;
    const found = async () => ({
      shopper: (await listProducts(shop.app, { page: 1, stock: '', q: 'reed whistle' }, 2)).total,
      owner: (await list({ q: 'reed whis' })).products.flatMap((one) => (one.slug === slug ? [one.isShown] : [])),
    });
    expect(await found()).to.deep.equal({ shopper: 0, owner: [false] });
    expect((await list({ filter: 'hidden' })).total).to.equal(1);

    const { edit, record } = await read(slug);
    // What costs nothing is shown once that is said to be meant, or once it has a price.
    const shown = { ...record, isShown: true, categories: ['figures'] };
    const refused = await saveProduct(shop.app, slug, { edit, record: shown }, 1);
    expect(refused.ok ? '' : wordProblem(refused.problems[0]!)).to.match(/^Row 1 costs nothing\. Give it a price/);
    expect(await found()).to.deep.equal({ shopper: 0, owner: [false] });
    expect((await saveProduct(shop.app, slug, { edit, record: { ...shown, isFree: true } }, 1)).ok).to.equal(true);
    expect(await found()).to.deep.equal({ shopper: 1, owner: [true] });
    expect((await findProduct(shop.app, slug))!.categories.map((category) => category.slug)).to.include('figures');

    await removeProduct(shop.app, slug, 1);
    expect(await found()).to.deep.equal({ shopper: 0, owner: [] });
    expect(await removeProduct(shop.app, slug, 1)).to.deep.include({ ok: false });
  });

  it('is listed by name, and by what is left of it', async () => {
    const all = await list();
    expect(all.products).to.have.length(40);
    expect(all.total).to.be.greaterThan(40);
    const soldOut = await list({ filter: 'sold-out', page: 'nonsense' });
    expect(soldOut.page).to.equal(1);
    expect(soldOut.products.length).to.be.greaterThan(0);
    for (const product of soldOut.products) expect(product.stock).to.equal(0);
    expect((await list({ q: 'zzzzqq' })).total).to.equal(0);
    // By words of the name and by SKU; texts only when asked.
    const named = async (over: object) => (await list(over)).products.map(({ slug }) => slug);
    expect(await named({ q: 'delta lapw' })).to.include('lapwing-delta');
    expect(await named({ q: 'RIP136-EMB' })).to.deep.equal(['ripstop-patch']);
    expect(await named({ q: 'beginner' })).to.deep.equal([]);
    expect(await named({ q: 'beginner', texts: '1' })).to.include('lapwing-delta');
    const spares = await named({ category: 'spares' });
    expect(spares).to.include('end-cap').and.not.to.include('heron');
    expect(await named({ category: 'single-line' }), 'with those under it').to.include('lapwing-delta');
    expect((await list({ filter: 'shown' })).total + (await list({ filter: 'hidden' })).total).to.equal(all.total);
  });
});

describe('example products', () => {
  it('go into an empty catalogue only, and go again with their categories', async () => {
    const shop = await openTestShop(0);
    expect(await addExamples(shop.app, 1)).to.deep.include({ ok: false });
    await shop.app.db.run('DELETE FROM products');
    await shop.app.db.run('DELETE FROM product_search');
    await shop.app.db.run('DELETE FROM categories');

    expect(await addExamples(shop.app, 1)).to.deep.equal({ ok: true, value: { products: 6 } });
    const shown = await listProducts(shop.app, { page: 1, stock: '', q: '' }, 2);
    expect(shown.total).to.equal(6);
    expect(shown.cards.filter((card) => !card.inStock).map((card) => card.name)).to.deep.equal(['Example Diamond']);

    expect(await removeExamples(shop.app, 1)).to.deep.equal({ products: 6 });
    const [left] = await shop.app.db.select<{ n: number }>(
      'SELECT (SELECT count(*) FROM products) + (SELECT count(*) FROM categories) + (SELECT count(*) FROM product_search) n',
    );
    expect(left!.n).to.equal(0);
    await shop.close();
  });
});
