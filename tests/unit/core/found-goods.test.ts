import { expect } from 'chai';
import fc from 'fast-check';
import { JSDOM } from 'jsdom';
import { matchColumns, missingColumns } from '~/core/formats';
import { feedGoods, goodsRows, pageGoods, type FoundGoods } from '~/core/site-pages';

const pageOf = (html: string) => new JSDOM(html).window.document;
const ld = (data: unknown) => `<script type="application/ld+json">${JSON.stringify(data)}</script>`;
const rowsOf = (goods: readonly FoundGoods[], currency = 'EUR') => {
  const { rows, leftOut } = goodsRows(goods, currency);
  const [headings, ...rest] = rows;
  return {
    rows: rest.map((row) => Object.fromEntries(row.flatMap((cell, i) => (cell ? [[headings![i]!, cell]] : [])))),
    leftOut,
  };
};
const offer = { '@type': 'Offer', price: '74.00', priceCurrency: 'EUR' };

describe('products of pages of another shop', () => {
  it('are read from every JSON-LD block, lists and graphs included, each once', () => {
    const kestrel = {
      '@type': 'Product',
      name: 'Kestrel',
      sku: 'KES',
      brand: { name: 'Fell' },
      category: 'Kites/Dual',
      offers: offer,
    };
    const list = {
      '@type': 'ItemList',
      itemListElement: [
        { '@type': 'ListItem', item: kestrel },
        {
          '@type': 'ListItem',
          item: {
            '@type': 'Product',
            name: 'Heron',
            sku: 'HER',
            image: ['/a.png', { url: '/b.png' }],
            offers: { ...offer, availability: 'https://schema.org/OutOfStock' },
          },
        },
      ],
    };
    const canonical = '<link rel="canonical" href="https://fell.example/p/1">';
    const two = `<html><head>${canonical}${ld({ '@graph': [{ '@type': 'WebPage' }, kestrel] })}</head></html><html><body>${ld(list)}</body></html>`;

    expect(rowsOf(pageGoods(pageOf(two)))).to.deep.equal({
      rows: [
        { Name: 'Kestrel', SKU: 'KES', Price: '74.00', Brand: 'Fell', Category: 'Kites > Dual' },
        {
          Name: 'Heron',
          SKU: 'HER',
          Price: '74.00',
          Stock: '0',
          Pictures: 'https://fell.example/a.png https://fell.example/b.png',
        },
      ],
      leftOut: [],
    });
  });

  it('have their variants, told apart by what differs', () => {
    const variant = (sku: string, size: string, color: string) => ({
      '@type': 'Product',
      name: `Tarn ${size} ${color}`,
      sku,
      size,
      color,
      offers: offer,
    });
    const group = {
      '@type': 'ProductGroup',
      name: 'Tarn',
      productGroupID: 'T',
      description: 'Flies.',
      hasVariant: [variant('T1', 'S', 'Red'), variant('T2', 'L', 'Red')],
    };
    const loose = { ...variant('T3', 'M', 'Red'), inProductGroupWithID: 'T' };

    expect(rowsOf(pageGoods(pageOf(ld(group) + ld(loose)))).rows).to.deep.equal([
      { Name: 'Tarn', SKU: 'T1', Price: '74.00', 'Full text': 'Flies.', 'choice: Size': 'S' },
      { SKU: 'T2', Price: '74.00', 'choice: Size': 'L' },
      { SKU: 'T3', Price: '74.00', 'choice: Size': 'M' },
    ]);
    const offers = {
      '@type': 'AggregateOffer',
      offers: [
        { ...offer, sku: 'A', name: 'Short' },
        { ...offer, sku: 'B', name: 'Long' },
      ],
    };
    expect(rowsOf(pageGoods(pageOf(ld({ '@type': 'Product', name: 'Line', offers })))).rows).to.deep.equal([
      { Name: 'Line', SKU: 'A', Price: '74.00', 'choice: Variant': 'Short' },
      { SKU: 'B', Price: '74.00', 'choice: Variant': 'Long' },
    ]);
  });

  it('say what they cost before, and are left out without a number, a price or in other money', () => {
    const specification = [
      { price: '1,299.50', priceCurrency: 'EUR' },
      { priceType: 'https://schema.org/StrikethroughPrice', price: 1499 },
    ];
    const page = pageOf(
      ld([
        { '@type': 'Product', name: 'Was more', sku: 'W', offers: { priceSpecification: specification } },
        { '@type': 'Product', name: 'No number', offers: offer },
        { '@type': 'Product', name: 'No price', sku: 'N' },
        { '@type': 'Product', name: 'Dollars', sku: 'D', offers: { ...offer, priceCurrency: 'USD' } },
      ]),
    );
    expect(rowsOf(pageGoods(page))).to.deep.equal({
      rows: [{ Name: 'Was more', SKU: 'W', Price: '1299.50', 'Price before': '1499' }],
      leftOut: [
        { name: 'No number', why: 'no-sku', said: '' },
        { name: 'No price', why: 'no-price', said: '' },
        { name: 'Dollars', why: 'currency', said: 'USD' },
      ],
    });
  });

  it('are what microdata says where there is nothing else, and nothing where nothing is sold', () => {
    const micro = `<div itemscope itemtype="https://schema.org/Product"><b itemprop="name">Stake</b><i itemprop="sku">S1</i><u itemprop="price">€ 4,50</u></div>`;
    expect(rowsOf(pageGoods(pageOf(micro))).rows).to.deep.equal([{ Name: 'Stake', SKU: 'S1', Price: '4.50' }]);
    expect(pageGoods(pageOf('<p>Wind.</p>'))).to.deep.equal([]);
  });

  it('come as a file whose columns are known, whatever was pasted', () => {
    const wild = fc.oneof(
      fc.string(),
      fc.jsonValue().map((value) => ld(value)),
      fc.jsonValue().map((value) => ld({ '@type': 'Product', sku: 'x', offers: value, image: value, brand: value })),
    );
    fc.assert(
      fc.property(wild, (html) => {
        const { rows } = goodsRows(pageGoods(pageOf(html)), 'EUR');
        expect(missingColumns(matchColumns(rows[0]!))).to.deep.equal([]);
        for (const row of rows) expect(row).to.have.length(rows[0]!.length);
      }),
      { numRuns: 60 },
    );
  });
});

describe('products of a feed', () => {
  const xml = (text: string) => new new JSDOM('').window.DOMParser().parseFromString(text, 'text/xml');
  const item = (more: string) => `<item><g:id>A</g:id><title>Moth</title><g:price>20.00 EUR</g:price>${more}</item>`;
  const feed = (items: string) =>
    `<rss version="2.0" xmlns:g="urn:goods"><channel><title>Shop</title>${items}</channel></rss>`;

  it('are read with their sale price, pictures and variants', () => {
    const more = `<g:sale_price>15.00 EUR</g:sale_price><g:image_link>https://a.example/1.png</g:image_link><g:additional_image_link>https://a.example/2.png</g:additional_image_link><g:brand>Fell</g:brand><g:product_type>Kites &gt; Indoor</g:product_type><description>Light.</description><g:availability>out_of_stock</g:availability>`;
    const variants = ['S', 'L'].map(
      (size) =>
        `<item><g:id>V${size}</g:id><g:item_group_id>V</g:item_group_id><title>Vane</title><g:price>9 EUR</g:price><g:size>${size}</g:size></item>`,
    );
    expect(rowsOf(feedGoods(xml(feed(item(more) + variants.join(''))))!).rows).to.deep.equal([
      {
        Name: 'Moth',
        SKU: 'A',
        Price: '15.00',
        'Price before': '20.00',
        Stock: '0',
        'Full text': 'Light.',
        Brand: 'Fell',
        Category: 'Kites > Indoor',
        Pictures: 'https://a.example/1.png https://a.example/2.png',
      },
      { Name: 'Vane', SKU: 'VS', Price: '9', 'choice: Size': 'S' },
      { SKU: 'VL', Price: '9', 'choice: Size': 'L' },
    ]);
  });

  it('are none where it is broken, or no feed', () => {
    expect(feedGoods(xml('<rss><channel></channel></rss>'))).to.equal(null);
    expect(feedGoods(xml('<rss><item>'))).to.equal(null);
    expect(rowsOf(feedGoods(xml(feed(item('')).replace('EUR', 'USD')))!).leftOut).to.deep.equal([
      { name: 'Moth', why: 'currency', said: 'USD' },
    ]);
  });
});
