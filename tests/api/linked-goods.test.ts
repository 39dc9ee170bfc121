import { expect } from 'chai';
import sharp from 'sharp';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { changeCartOf } from '~/services/cart/change-cart';
import { linkFacts } from '~/services/links/linked-goods';
import { startServer } from '../support/server';
import { openTestShop, type TestShop } from '../support/shop';

describe('what a buy link says', () => {
  let shop: TestShop;
  before(async function () {
    this.timeout(60_000);
    shop = await openTestShop();
  });
  after(() => shop.close());

  const goods = async (slug: string, over: object = {}) => {
    const variant = (await shop.app.catalogue.findProduct(slug))!.variants[0]!;
    return { variant, goods: { sku: variant.sku, quantity: 1, code: '', answers: {}, ...over } };
  };

  it('says how many it sells', async () => {
    const one = await linkFacts(shop.app, (await goods('hoop-winder')).goods);
    const two = await linkFacts(shop.app, (await goods('hoop-winder', { quantity: 2 })).goods);
    expect(two!.name).to.equal(`2 × ${one!.name}`);
  });

  it('says what its goods cost with its code, which is what the cart then comes to', async () => {
    const { variant, goods: coded } = await goods('merlin', { code: 'WIND10' });
    const { price } = (await linkFacts(shop.app, coded))!;
    await changeCartOf(
      shop.app,
      'linked',
      { kind: 'add', variantId: variant.id, quantity: 1, choices: {}, answers: {} },
      { language: 'en' },
    );
    const typed = await changeCartOf(shop.app, 'linked', { kind: 'coupon', code: 'WIND10' }, { language: 'en' });
    const view = typed.ok ? typed.value.view : null;
    const charged = view!.subtotalMinor - view!.discountMinor;

    expect(charged).to.be.lessThan(variant.priceMinor);
    expect(price).to.equal(`€${(charged / 100).toFixed(2)} with the code WIND10`);
  });

  it('says the bare price where the code takes nothing off it, or is none', async () => {
    for (const code of ['WIND10', 'NOSUCH']) {
      const { price } = (await linkFacts(shop.app, (await goods('hoop-winder', { code })).goods))!;
      expect(price).to.match(/^€\d+\.\d\d$/);
    }
  });

  it('lists every variant at what so many of it cost with the code, and its own among however many', async () => {
    const merlin = (await shop.app.catalogue.findProduct('merlin'))!;
    const own = (await goods('merlin', { code: 'WIND10', quantity: 2 })).goods;
    expect((await linkFacts(shop.app, own))!.variants).to.deep.equal([]);
    const { variants } = (await linkFacts(shop.app, own, { asks: true }))!;
    expect(variants!.map(({ sku }) => sku)).to.deep.equal(merlin.variants.map(({ sku }) => sku));
    for (const { sku, label, totalMinor } of variants!) {
      const alone = (await linkFacts(shop.app, { ...own, sku }))!;
      expect(alone.price).to.include(`€${(totalMinor / 100).toFixed(2)} with the code`);
      expect(label).to.include(`€${(totalMinor / 100).toFixed(2)}`);
    }
    await shop.app.db.run('UPDATE stock_levels SET quantity = 1 WHERE variant_id = $id', {
      id: merlin.variants[0]!.id,
    });
    const fewer = (await linkFacts(shop.app, own, { asks: true }))!.variants!;
    expect([fewer[0]!.isGone, fewer[0]!.label.split(', ').length]).to.deep.equal([
      true,
      variants![0]!.label.split(', ').length + 1,
    ]);
    // The last of many is among those listed where it is the link's own.
    const foil = (await shop.app.catalogue.findProduct('fell-foil'))!;
    const last = foil.variants.at(-1)!.sku;
    const many = (await linkFacts(shop.app, { ...own, code: '', sku: last }, { asks: true }))!.variants!;
    expect(many.length).to.be.at.most(31);
    expect(many.map(({ sku }) => sku)).to.include(last);
  });

  it('has its picture as PNG for mails, made once, with its height', async () => {
    const { goods: winder } = await goods('hoop-winder');
    const shown = (await linkFacts(shop.app, winder))!;
    expect([shown.pictureRatio, shown.mailPicture]).to.deep.equal([1, undefined]);

    const [first, again] = [
      (await linkFacts(shop.app, winder, { forMail: true }))!.mailPicture!,
      (await linkFacts(shop.app, winder, { forMail: true }))!.mailPicture!,
    ];
    expect(first)
      .to.match(/^\/media\/mail\/[0-9a-f]{20}\.png$/)
      .and.equal(again);
    const file = await readFile(path.join(shop.app.db.dataDir, first));
    expect((await sharp(file).metadata()).format).to.equal('png');
  });
});

describe('the page of a buy link', () => {
  it('tells nobody by looking whether a code works', async function () {
    this.timeout(60_000);
    const server = await startServer(0);
    try {
      const read = async (query: string) => (await fetch(`${server.origin}/shop/buy?${query}`)).text();
      const product = (await (await fetch(`${server.origin}/api/products/merlin`)).json()) as {
        variants: { sku: string }[];
      };
      const sku = encodeURIComponent(product.variants[0]!.sku);
      const priceIn = (html: string) => /class="price big"[^>]*>\s*([^<]+)/.exec(html)?.[1]?.trim();
      const bare = priceIn(await read(`sku=${sku}`));

      expect(bare).to.match(/^€\d/);
      for (const query of ['code=WIND10', 'code=NOSUCH', 'code=WIND10&link=blog-card'])
        expect(priceIn(await read(`sku=${sku}&${query}`)), query).to.equal(bare);
    } finally {
      await server.stop();
    }
  });
});
