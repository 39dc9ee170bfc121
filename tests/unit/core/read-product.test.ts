import { expect } from 'chai';
import fc from 'fast-check';
import { JSDOM } from 'jsdom';
import { readProduct, type Selectors } from '~/core/site-pages';

const read = (html: string, selectors?: Selectors) => readProduct(new JSDOM(html).window.document, selectors);
const ld = (data: unknown) => `<script type="application/ld+json">${JSON.stringify(data)}</script>`;
const values = (html: string, selectors?: Selectors) =>
  Object.fromEntries(
    Object.entries(read(html, selectors)).map(([field, found]) => [field, `${found.value} (${found.by})`]),
  );

describe('the product a page is about', () => {
  it('is read from JSON-LD, wherever in it it stands', () => {
    const product = {
      '@type': 'Product',
      name: 'Kestrel',
      sku: 'KES-1',
      offers: { price: 74.5, priceCurrency: 'EUR' },
    };
    const expected = {
      name: 'Kestrel (JSON-LD)',
      sku: 'KES-1 (JSON-LD)',
      price: '74.5 (JSON-LD)',
      currency: 'EUR (JSON-LD)',
    };
    for (const [what, data] of Object.entries({
      alone: product,
      'in a list': [{ '@type': 'Organization', name: 'Kites' }, product],
      'in a graph': { '@context': 'https://schema.org', '@graph': [{ '@type': 'WebPage' }, product] },
      'as what a page is about': { '@type': 'WebPage', mainEntity: product },
      'with several types': { ...product, '@type': ['Product', 'https://schema.org/Car'] },
      'with offers in a list': { ...product, offers: [{ availability: 'x' }, product.offers] },
      'with a specification': { ...product, offers: { priceSpecification: product.offers } },
      'as a variant of a group': { '@type': 'ProductGroup', name: 'Kestrels', hasVariant: [product] },
    }))
      expect(values(ld(data)), what).to.deep.equal(expected);
    expect(values(ld({ ...product, image: [{ url: 'https://a.example/k.png' }], url: '/k' }))).to.include({
      picture: 'https://a.example/k.png (JSON-LD)',
      address: '/k (JSON-LD)',
    });
    expect(values(ld({ '@type': 'Product', name: 'Old', mpn: 'M-9', offers: { lowPrice: '5' } }))).to.deep.equal({
      name: 'Old (JSON-LD)',
      sku: 'M-9 (JSON-LD)',
      price: '5 (JSON-LD)',
    });
  });

  it('is read from microdata and meta elements, and by selectors before all else', () => {
    const micro = `<div itemscope itemtype="http://schema.org/Product"><h1 itemprop="name">Heron
      Slate</h1><meta itemprop="sku" content="HER-1"><span itemprop="price">74.00</span><img itemprop="image" src="/h.png"></div>`;
    expect(values(micro)).to.deep.equal({
      name: 'Heron Slate (microdata)',
      sku: 'HER-1 (microdata)',
      price: '74.00 (microdata)',
      picture: '/h.png (microdata)',
    });
    const meta = `<meta property="og:type" content="product"><meta property="og:title" content="Minnow"><meta property="product:retailer_item_id" content="MIN-1">`;
    expect(values(meta)).to.deep.equal({ name: 'Minnow (meta)', sku: 'MIN-1 (meta)' });
    expect(
      values('<meta property="og:type" content="article"><meta property="og:title" content="News">'),
    ).to.deep.equal({});
    expect(values(`${micro}<b class="no"> X-7 </b>`, { sku: '.no' }).sku).to.equal('X-7 (selector)');
    // One that is no selector, or finds nothing, leaves what the page says.
    expect(values(micro, { sku: '..[', name: '.none' })).to.include({ sku: 'HER-1 (microdata)' });
  });

  it('is nothing on any other page, however broken, deep or hostile', () => {
    const window = new JSDOM(
      `<script>globalThis.ran = true</script><img src=x onerror="globalThis.ran = true">${ld('</script')}<script type="application/ld+json">{broken</script>`,
    ).window;
    expect(readProduct(window.document)).to.deep.equal({});
    expect((globalThis as { ran?: boolean }).ran).to.equal(undefined);
    expect(() => read(`<script type="application/ld+json">${'{"@graph":['.repeat(4000)}</script>`)).not.to.throw();
    fc.assert(
      fc.property(fc.jsonValue(), (data) => {
        const found = read(
          `<script type="application/ld+json">${JSON.stringify(data).replaceAll('<', '\\u003c')}</script>`,
        );
        for (const { value } of Object.values(found)) expect(value).to.be.a('string').with.length.below(501);
      }),
      { numRuns: 100 },
    );
  });

  it('is looked for in so many things and no more', () => {
    const many = Array.from({ length: 3000 }, (_, i) => ({ '@type': 'Thing', name: `t${i}` }));
    expect(read(ld([...many, { '@type': 'Product', sku: 'LATE' }]))).to.deep.equal({});
    expect(read(ld([...many.slice(0, 1500), { '@type': 'Product', sku: 'SOON' }])).sku?.value).to.equal('SOON');
  });
});
