import { expect } from 'chai';
import {
  namedIn,
  readFact,
  sayFact,
  sayTags,
  withoutTags,
  writeFact,
  type AskedFact,
  type FactSource,
} from '~/core/facts';

const asked = (over: Partial<AskedFact> = {}): AskedFact => ({
  product: 'heron',
  fact: 'price',
  attribute: '',
  before: '',
  after: '',
  fallback: 'ask us',
  ...over,
});
const heron: FactSource = {
  slug: 'heron',
  name: 'Heron',
  shortText: 'Slow wings.',
  fromMinor: 7400,
  toMinor: 7400,
  wasMinor: null,
  stars: 4.25,
  stock: 3,
  picture: { src: '/h.svg', alt: 'Heron' },
  attributes: [{ key: 'Wind range', value: '8–24 km/h' }],
};
const reader = {
  money: (minor: number) => `€${(minor / 100).toFixed(2)}`,
  from: 'from',
  locale: 'de-DE',
  priceNote: null,
};
const say = (over: Partial<AskedFact>, product: FactSource | undefined = heron) =>
  sayFact(asked(over), product, reader);

describe('a fact in a text', () => {
  it('is read as it was written, whatever stands in it', () => {
    for (const one of [
      asked(),
      asked({ fact: 'attribute', attribute: 'Wind range', before: 'at "8" <b>&', after: ' km', fallback: '<i>&' }),
    ]) {
      const element = new OneElement(writeFact(one));
      expect(readFact(element.attributes, element.text)).to.deep.equal(one);
    }
  });

  it('is nothing where the kind of fact or the product is not said', () => {
    expect(readFact({ product: 'heron', fact: 'constructor' }, '')).to.equal(null);
    expect(readFact({ fact: 'price' }, '')).to.equal(null);
    expect(readFact({ product: 4, fact: 'price' }, '')).to.equal(null);
  });

  it('says what the catalogue has now, with the words before and after', () => {
    expect(say({ before: 'only ', after: '!' })).to.deep.equal({ text: 'only €74.00!' });
    expect(say({}, { ...heron, toMinor: 9000 })).to.deep.equal({ text: 'from €74.00' });
    expect(say({ fact: 'rating' })).to.deep.equal({ text: '4,3' });
    expect(say({ fact: 'attribute', attribute: 'Wind range' })).to.deep.equal({ text: '8–24 km/h' });
    expect(say({ fact: 'saving' }, { ...heron, wasMinor: 8000 })).to.deep.equal({ text: '€6.00' });
    expect(say({ fact: 'was' }, { ...heron, wasMinor: 8000 })).to.deep.equal({ text: '€80.00' });
    expect(say({ fact: 'stock' }, { ...heron, stock: -2 })).to.deep.equal({ text: '0' });
    expect(say({ fact: 'picture' })).to.deep.equal({ picture: { src: '/h.svg', alt: 'Heron' } });
  });

  it('leaves the fallback where there is no such fact or product', () => {
    expect(sayFact(asked(), undefined, reader)).to.equal(null);
    for (const fact of ['was', 'saving'] as const) expect(say({ fact })).to.equal(null);
    expect(say({ fact: 'attribute', attribute: 'Colour' })).to.equal(null);
    expect(say({ fact: 'stock' }, { ...heron, stock: null })).to.equal(null);
    expect(say({ fact: 'text' }, { ...heron, shortText: '' })).to.equal(null);
  });

  it('is not searched for by its element, but by its words', () => {
    const text = `Now ${writeFact(asked())} each. <pl-piece name="table"></pl-piece>`;
    expect(withoutTags(text).replaceAll(/\s+/g, ' ').trim()).to.equal('Now ask us each.');
  });

  it('is called by its product and its name where people read of it', () => {
    const called = { product: (slug: string) => `the ${slug}`, piece: (id: string) => `piece ${id}` };
    expect(sayTags(`Costs ${writeFact(asked({ before: 'a > b' }))}.`, called)).to.equal('Costs [Price of the heron].');
    expect(sayTags('See <pl-piece name="a&amp;b"></pl-piece>', called)).to.equal('See [piece a&b]');
  });

  it('is found in a text, each product and piece once', () => {
    const text = `${writeFact(asked())} and ${writeFact(asked({ fact: 'name' }))} <pl-fact fact="price" product = "wagtail"> <pl-piece name="table"></pl-piece>`;

    expect(namedIn(text)).to.deep.equal({ products: ['heron', 'wagtail'], pieces: ['table'] });
    expect(namedIn('<pl-fact product="a<pl-fact')).to.deep.equal({ products: [], pieces: [] });
  });
});

/** Reads one element the plain way, as far as these tests write any. */
class OneElement {
  readonly attributes: Record<string, string> = {};
  readonly text: string;
  constructor(html: string) {
    const [, inside, text] = /^<pl-fact([^>]*)>([^<]*)<\/pl-fact>$/.exec(html)!;
    const plain = (written: string) =>
      written.replaceAll('&quot;', '"').replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&amp;', '&');
    for (const [, name, value] of inside!.matchAll(/ (\w+)="([^"]*)"/g)) this.attributes[name!] = plain(value!);
    this.text = plain(text!);
  }
}
