import { expect } from 'chai';
import {
  firstChoices,
  productJsonLd,
  resolveVariant,
  uniqueSlug,
  valuesOf,
  type Product,
  type Variant,
} from '~/core/catalogue';
import { currencyOf, minor } from '~/core/money';

function variant(id: number, size: string, sail: string, stock: number | null): Variant {
  return {
    id,
    sku: `S${id}`,
    choices: { Size: size, Sail: sail },
    priceMinor: minor(6400),
    wasMinor: null,
    stock,
    weightGrams: 300,
    picture: null,
  };
}

const product: Product = {
  id: 1,
  slug: 'lapwing',
  name: 'Lapwing </script>',
  brand: 'Hollowtarn',
  shortText: 'Steady.',
  fullText: '',
  fulfilment: 'parcel',
  leadDays: null,
  axes: ['Size', 'Sail'],
  variants: [variant(1, 'Small', 'Harbour', 0), variant(2, 'Small', 'Meadow', 4), variant(3, 'Large', 'Harbour', 2)],
  pictures: [{ src: '/media/a.svg', alt: 'a' }],
  videoSrc: null,
  attributes: [],
  categories: [],
  tags: [],
  rating: { stars: 4.5, count: 8 },
  reviews: [],
  options: [],
};

describe('resolveVariant', () => {
  it('finds the variant that answers every choice', () => {
    const found = resolveVariant(product, { Size: 'Large', Sail: 'Harbour' });

    expect(found.ok && found.value.id).to.equal(3);
  });

  it('names the choices that are still open', () => {
    expect(resolveVariant(product, { Size: 'Large' })).to.deep.equal({
      ok: false,
      problems: [{ path: 'choices', code: 'choice-missing', facts: { axes: 'Sail' } }],
    });
  });

  it('tells a combination that is not made', () => {
    const found = resolveVariant(product, { Size: 'Large', Sail: 'Meadow' });

    expect(found.ok || found.problems[0]?.code).to.equal('no-such-variant');
  });
});

describe('valuesOf', () => {
  it('judges each value against the other choices', () => {
    expect(valuesOf(product, 'Sail', { Size: 'Small' })).to.deep.equal([
      { value: 'Harbour', availability: 'sold-out' },
      { value: 'Meadow', availability: 'available' },
    ]);
    expect(valuesOf(product, 'Sail', { Size: 'Large' })[1]).to.deep.equal({ value: 'Meadow', availability: 'unmade' });
  });
});

describe('firstChoices', () => {
  it('opens with what can be had', () => {
    expect(firstChoices(product)).to.deep.equal({ Size: 'Small', Sail: 'Meadow' });
  });
});

describe('productJsonLd', () => {
  it('offers every variant with its price and availability', () => {
    const data = productJsonLd(
      product,
      { currency: currencyOf('EUR'), taxIncluded: false },
      'https://shop.example',
    ) as {
      offers: Record<string, string>[];
      image: string[];
    };

    expect(data.offers.map((offer) => offer['availability'])).to.deep.equal([
      'https://schema.org/OutOfStock',
      'https://schema.org/InStock',
      'https://schema.org/InStock',
    ]);
    expect(data.offers[0]!['price']).to.equal('64.00');
    expect(data.image).to.deep.equal(['https://shop.example/media/a.svg']);
  });
});

describe('uniqueSlug', () => {
  it('counts on when a slug is taken, and always makes one', () => {
    const taken = new Set(['six-corner']);

    expect(uniqueSlug('Six Corner', taken)).to.equal('six-corner-2');
    expect(uniqueSlug('Six Corner', taken)).to.equal('six-corner-3');
    expect(uniqueSlug('凧', taken)).to.equal('product');
  });
});
