import { expect } from 'chai';
import { findRows, packRows, sortRows, unpackRows, type FormRow } from '~/pieces/order-form/rows';

const row = (variantId: number, over: Partial<FormRow> = {}): FormRow => ({
  ...{ variantId, slug: `kite-${variantId}`, name: `Kite ${variantId}`, choices: '', sku: `K-${variantId}` },
  ...{ shortText: '', priceMinor: 100 * variantId, stock: 5, isOpen: false, picture: null },
  ...over,
});

describe('rows of an order form', () => {
  it('are carried whole, but for what no column shows, and cannot end the element they stand in', () => {
    const rows = [row(1, { name: '</script><b>', shortText: 'Long', picture: '/a.png', stock: null }), row(2)];

    const packed = packRows(rows, ['name', 'picture']);

    expect(packed).to.not.contain('<');
    expect(unpackRows(packed)).to.deep.equal([{ ...rows[0], shortText: '' }, rows[1]]);
    expect(unpackRows(packRows(rows, ['shortText']))[0]).to.include({ shortText: 'Long', picture: null });
  });

  it('are found by every word typed, in any order, in names, choices, numbers and shown texts', () => {
    const rows = [row(1, { name: 'Heron', choices: 'Large, Blue' }), row(2, { name: 'Heron', shortText: 'Blue sky' })];
    const ids = (typed: string, columns: string[] = []) => findRows(rows, columns, typed, 'en').map((r) => r.variantId);

    expect(ids(' blue  HER ')).to.deep.equal([1]);
    expect(ids('k-2')).to.deep.equal([2]);
    expect(ids('')).to.deep.equal([1, 2]);
    expect(ids('red')).to.deep.equal([]);
  });

  it('are found by a short text only where a column shows it', () => {
    const find = (columns: string[]) => findRows([row(3, { shortText: 'sky' })], columns, 'sky', 'en').length;

    expect([find([]), find(['shortText'])]).to.deep.equal([0, 1]);
  });

  it('are sorted by what a column shows: sums by the quantity chosen, numbers in names as numbers, uncounted stock last', () => {
    const rows = [row(10), row(2), row(3, { stock: null })];
    const by = (column: string, isDown = false) =>
      sortRows(rows, { column, isDown }, (r) => (r.variantId === 2 ? 9 : 1), 'en').map((r) => r.variantId);

    expect(by('name')).to.deep.equal([2, 3, 10]);
    expect(by('sum')).to.deep.equal([3, 10, 2]);
    expect(by('price', true)).to.deep.equal([10, 3, 2]);
    expect(by('stock')).to.deep.equal([10, 2, 3]);
  });
});
