import { expect } from 'chai';
import fc from 'fast-check';
import { relatedTo, suggestionsThatFit, type Relatable, type Weights } from '~/core/suggest';
import { definitionOf } from '~/pieces/definitions';

const product = (slug: string, over: Partial<Relatable> = {}): Relatable => ({
  slug,
  categories: [],
  tags: [],
  attributes: [],
  inStock: true,
  soldCount: 0,
  ...over,
});
const near = (given: Relatable[], catalogue: Relatable[], excluded: string[] = [], most = 9) =>
  relatedTo(given, [...given, ...catalogue], { excluded: new Set(excluded), most }).map((relation) => relation.slug);

describe('relatedTo', () => {
  const delta = product('delta', { categories: ['single-line'], tags: ['beginner', 'travel'] });

  it('puts a shared tag before a shared category, then what sells more', () => {
    const catalogue = [
      product('box', { categories: ['single-line'], soldCount: 90 }),
      product('sled', { tags: ['travel'], soldCount: 1 }),
      product('diamond', { categories: ['single-line'], soldCount: 99 }),
    ];

    expect(near([delta], catalogue)).to.deep.equal(['sled', 'diamond', 'box']);
  });

  it('leaves out what shares nothing, is sold out, excluded or given itself', () => {
    const catalogue = [
      product('foil', { categories: ['power'] }),
      product('gone', { tags: ['travel'], inStock: false }),
      product('never', { tags: ['travel'] }),
    ];

    expect(near([delta], catalogue, ['never'])).to.deep.equal([]);
  });

  it('counts most what it is told to', () => {
    const given = product('heron', { tags: ['beach'], categories: ['single-line'], attributes: ['Skill: new'] });
    const catalogue = [
      product('tagged', { tags: ['beach'] }),
      product('beside', { categories: ['single-line'] }),
      product('alike', { attributes: ['Skill: new'] }),
    ];
    const first = (weights: Weights) =>
      relatedTo([given], catalogue, { excluded: new Set(), most: 3, weights })[0]!.slug;
    expect(first({ tag: 4, category: 1, attribute: 1 })).to.equal('tagged');
    expect(first({ tag: 1, category: 4, attribute: 1 })).to.equal('beside');
    expect(first({ tag: 1, category: 1, attribute: 4 })).to.equal('alike');
    expect(near([given], [catalogue[2]!])).to.deep.equal([]);
  });

  it('says what is shared', () => {
    const [relation] = relatedTo([delta], [product('sled', { categories: ['single-line', 'x'], tags: ['travel'] })], {
      excluded: new Set(),
      most: 1,
    });

    expect(relation).to.deep.equal({
      slug: 'sled',
      sharedCategories: ['single-line'],
      sharedTags: ['travel'],
      sharedAttributes: [],
    });
  });

  it('never gives more than asked, nor one twice, nor one it must not', () => {
    const some = fc.array(
      fc.record({
        slug: fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'),
        categories: fc.subarray(['x', 'y']),
        tags: fc.subarray(['t', 'u']),
        attributes: fc.subarray(['Skill: new', 'Frame: cane']),
        inStock: fc.boolean(),
        soldCount: fc.nat(9),
      }),
      { maxLength: 12 },
    );
    const unique = some.map((items) => [...new Map(items.map((item) => [item.slug, item])).values()]);
    fc.assert(
      fc.property(unique, fc.nat(5), fc.subarray(['a', 'b', 'c']), (catalogue, most, excluded) => {
        const [given, ...rest] = catalogue;
        if (!given) return true;
        const found = near([given], rest, excluded, most);
        return (
          found.length <= most &&
          new Set(found).size === found.length &&
          found.every((slug) => slug !== given.slug && !excluded.includes(slug)) &&
          found.every((slug) => catalogue.find((item) => item.slug === slug)!.inStock)
        );
      }),
    );
  });
});

describe('what an added popup says of its size', () => {
  const notes = (size: string, suggestionCount: number) =>
    definitionOf('added-popup')!.notes!({ size, suggestionCount }).map((note) => note.text);

  it('is nothing while it holds what is wanted', () => {
    expect(notes('medium', suggestionsThatFit('medium'))).to.deep.equal([]);
    expect(notes('large', 4)).to.deep.equal([]);
  });

  it('is how many it holds when it does not', () => {
    expect(notes('small', 4)[0]).to.include('holds 1 suggestion; of your 4, one is shown');
    expect(notes('medium', 3)[0]).to.include('holds 2 suggestions; of your 3, 2 are shown');
  });
});
