import { expect } from 'chai';
import fc from 'fast-check';
import { minor } from '~/core/money';
import {
  addAxis,
  checkRecord,
  missingCombinations,
  MOST_VARIANTS,
  withCombinations,
  type ProductRecord,
} from '~/core/catalogue';

const variant = (sku: string, choices: Record<string, string>, stock: number | null = 5) => ({
  id: 1,
  sku,
  choices,
  priceMinor: minor(1000),
  wasMinor: null,
  costMinor: null,
  stock,
  weightGrams: 200,
  picture: null,
});
const record = (axes: string[], variants: ProductRecord['variants']) =>
  ({ axes, attributes: [], isShown: true, isFree: false, variants }) as unknown as ProductRecord;

describe('combinations of what variants differ in', () => {
  it('are made of a new axis: what there is takes the first value, the others have nothing in stock', () => {
    const made = addAxis(record(['Size'], [variant('A-S', { Size: 'S' }), variant('A-L', { Size: 'L' })]), 'Colour', [
      'Red',
      'Blue',
      'Red',
    ]);
    expect(made.axes).to.deep.equal(['Size', 'Colour']);
    expect(made.variants.map(({ sku, choices, stock, id }) => [sku, choices['Colour'], stock, id])).to.deep.equal([
      ['A-S', 'Red', 5, 1],
      ['A-L', 'Red', 5, 1],
      ['A-S-Blue', 'Blue', 0, null],
      ['A-L-Blue', 'Blue', 0, null],
    ]);
    expect(missingCombinations(made)).to.deep.equal([]);
    // Without values each variant is filled in by hand.
    expect(addAxis(made, 'Line', []).variants.map(({ choices }) => choices['Line'])).to.deep.equal(['', '', '', '']);
  });

  it('that are missing are made once, at the price of the first, each with an SKU of its own', () => {
    const some = record(
      ['Size', 'Colour'],
      [variant('K-S-R', { Size: 'S', Colour: 'Red' }), variant('K-L-B', { Size: 'L', Colour: 'Blue' })],
    );
    expect(missingCombinations(some)).to.deep.equal([
      { Size: 'S', Colour: 'Blue' },
      { Size: 'L', Colour: 'Red' },
    ]);
    const made = withCombinations(some);
    expect(made.slice(2).map(({ sku, stock, priceMinor }) => [sku, stock, priceMinor])).to.deep.equal([
      ['K-S-Blue', 0, 1000],
      ['K-L-Red', 0, 1000],
    ]);
  });

  it('never stand twice, nor share an SKU, and are as many as there can be or none', () => {
    const values = fc.uniqueArray(fc.constantFrom('S', 'M', 'L', 'Ü', 'x y', '&'), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(
        values,
        values,
        fc.array(fc.tuple(fc.nat(4), fc.nat(4)), { minLength: 1, maxLength: 9 }),
        (a, b, at) => {
          const picked = new Map(
            at.map(([i, j]) => [`${a[i % a.length]} ${b[j % b.length]}`, [a[i % a.length]!, b[j % b.length]!]]),
          );
          const some = record(
            ['A', 'B'],
            [...picked.values()].map(([one, two], i) => variant(`SKU-${i}`, { A: one!, B: two! })),
          );
          const all = { ...some, variants: withCombinations(some) };
          expect(missingCombinations(all)).to.deep.equal([]);
          expect(checkRecord(all)).to.deep.equal([]);
          const used = (axis: string) => new Set(some.variants.map(({ choices }) => choices[axis])).size;
          expect(all.variants).to.have.length(used('A') * used('B'));
        },
      ),
    );
    const wide = record(
      ['A', 'B'],
      Array.from({ length: 30 }, (_, i) => variant(`W-${i}`, { A: `a${i}`, B: `b${i}` })),
    );
    expect(30 * 30).to.be.greaterThan(MOST_VARIANTS);
    expect(missingCombinations(wide)).to.deep.equal([]);
  });

  it('shown at a price of 0 is told, row by row, unless that is meant', () => {
    const free = record([], [{ ...variant('F', {}), priceMinor: minor(0) }]);
    expect(checkRecord(free)).to.deep.equal([{ path: 'variants.0.priceMinor', code: 'price-none', facts: { row: 1 } }]);
    expect(checkRecord({ ...free, isFree: true })).to.deep.equal([]);
    expect(checkRecord({ ...free, isShown: false })).to.deep.equal([]);
  });
});
