import { expect } from 'chai';
import fc from 'fast-check';
import { checkRecord, mergeRecords, productRecordSchema, recordChanges, type ProductRecord } from '~/core/catalogue';

const variant = (id: number | null, over: object = {}) => ({
  id,
  sku: `K-${id}`,
  choices: { Size: `${id}` },
  priceMinor: 4900,
  wasMinor: null,
  costMinor: null,
  stock: 3,
  weightGrams: 200,
  picture: null,
  ...over,
});
const record = (over: Partial<ProductRecord> = {}): ProductRecord =>
  productRecordSchema.parse({
    name: 'Kestrel',
    brand: '',
    shortText: '',
    fullText: '',
    fulfilment: 'parcel',
    leadDays: null,
    isShown: true,
    isFeatured: false,
    taxRate: null,
    itemDeliveryMinor: 0,
    suggestions: [],
    better: null,
    betterMinor: null,
    pictures: ['/media/a.svg'],
    categories: [],
    tags: ['gift'],
    attributes: [],
    axes: ['Size'],
    variants: [variant(1), variant(2)],
    ...over,
  });

describe('checkRecord', () => {
  it('lets a record through whose variants can be told apart', () => {
    expect(checkRecord(record())).to.deep.equal([]);
  });

  it('names the row and the field of what cannot be kept', () => {
    const wrong = record({
      axes: ['Size', 'size'],
      attributes: [
        { key: 'Span', value: '1' },
        { key: 'span', value: '2' },
      ],
      variants: [variant(1), variant(2, { sku: 'K-1', choices: { Size: '1' } }), variant(3, { choices: {} })],
    });

    expect(checkRecord({ ...wrong, axes: ['Size'] }).map(({ path, code }) => [path, code])).to.deep.equal([
      ['attributes', 'named-twice'],
      ['variants.1.sku', 'sku-twice'],
      ['variants.1.sku', 'variant-twice'],
      ['variants.2.Size', 'axis-missing'],
    ]);
    expect(checkRecord(wrong)[0]).to.deep.include({ path: 'axes', code: 'named-twice' });
  });
});

describe('recordChanges', () => {
  it('tells every field that differs, variants by their SKU', () => {
    const to = record({
      name: 'Kestrel II',
      variants: [variant(1, { priceMinor: 5200 }), variant(null, { sku: 'NEW', choices: { Size: 'XL' } })],
    });

    expect(recordChanges(record(), to).map(({ what }) => what)).to.deep.equal([
      'name',
      'K-1 priceMinor',
      'variant NEW',
      'variant K-2',
    ]);
    expect(recordChanges(record(), record())).to.deep.equal([]);
  });
});

describe('mergeRecords', () => {
  const base = record();

  it('joins changes of different places, and says which places clash', () => {
    const mine = record({ name: 'Mine', tags: ['own'], variants: [variant(1, { stock: 9 }), variant(2)] });
    const theirs = record({
      tags: ['theirs'],
      shortText: 'New',
      variants: [variant(1, { priceMinor: 1 }), variant(2)],
    });

    const { record: merged, clashes } = mergeRecords(base, mine, theirs);

    expect(merged).to.deep.include({ name: 'Mine', shortText: 'New', tags: ['own'] });
    expect(merged.variants[0]).to.deep.include({ stock: 9, priceMinor: 1 });
    expect(clashes).to.deep.equal(['tags']);
  });

  it('keeps variants that either added, and asks before one that was changed is taken away', () => {
    const fresh = variant(null, { sku: 'N', choices: { Size: 'N' } });
    const mine = record({ variants: [variant(1), variant(2), fresh] });
    const theirs = record({ variants: [variant(1), variant(3)] });
    const skus = (merged: ProductRecord) => merged.variants.map(({ sku }) => sku);
    expect(skus(mergeRecords(base, mine, theirs).record)).to.deep.equal(['K-1', 'N', 'K-3']);

    const changed = record({ variants: [variant(1), variant(2, { stock: 0 })] });
    const gone = record({ variants: [variant(1)] });
    expect(mergeRecords(base, changed, gone)).to.deep.include({ clashes: ['variant K-2'] });
    expect(mergeRecords(base, gone, changed).clashes).to.deep.equal(['variant K-2']);
    expect(skus(mergeRecords(base, gone, changed).record)).to.deep.equal(['K-1', 'K-2']);
  });

  it('loses nothing: what only one side changed is in what comes of it', () => {
    const side = fc.record({
      name: fc.constantFrom('Kestrel', 'A', 'B'),
      shortText: fc.constantFrom('', 'x', 'y'),
      tags: fc.constantFrom(['gift'], ['a'], ['b']),
      stock: fc.constantFrom(3, 0, 8),
      price: fc.constantFrom(4900, 100, 200),
    });
    const made = ({ stock, price, ...fields }: { stock: number; price: number }) =>
      record({ ...fields, variants: [variant(1, { stock }), variant(2, { priceMinor: price })] });
    fc.assert(
      fc.property(side, side, (a, b) => {
        const [mine, theirs] = [made(a), made(b)];
        const { record: merged, clashes } = mergeRecords(base, mine, theirs);
        const left = new Set(recordChanges(merged, mine).map(({ what }) => what));
        // Where it is not mine, I had changed nothing there, and it is theirs.
        for (const what of left) {
          expect(recordChanges(base, mine).map((change) => change.what)).not.to.include(what);
          expect(recordChanges(merged, theirs).map((change) => change.what)).not.to.include(what);
        }
        for (const { what } of recordChanges(merged, theirs))
          expect(recordChanges(base, mine).some((change) => change.what === what)).to.equal(true);
        const both = recordChanges(base, mine).filter(({ what, to }) =>
          recordChanges(base, theirs).some(
            (other) => other.what === what && JSON.stringify(other.to) !== JSON.stringify(to),
          ),
        );
        expect([...clashes].sort()).to.deep.equal(both.map(({ what }) => what).sort());
      }),
    );
  });
});
