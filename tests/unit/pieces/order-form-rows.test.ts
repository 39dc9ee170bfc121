import { expect } from 'chai';
import { attributesOf, columnsOf, filtersOf, tracksOf, type FormColumn } from '~/pieces/order-form/columns';
import type { OrderFormPiece, OrderFormPart } from '~/pieces/order-form/definition';
import { findRows, packRows, sortRows, unpackRows, type FormRow } from '~/pieces/order-form/rows';

const row = (variantId: number, over: Partial<FormRow> = {}): FormRow => ({
  variantId,
  slug: `kite-${variantId}`,
  name: `Kite ${variantId}`,
  choices: '',
  sku: `K-${variantId}`,
  shortText: '',
  priceMinor: 100 * variantId,
  stock: 5,
  isOpen: false,
  picture: null,
  axes: {},
  categories: [],
  stars: null,
  attributes: {},
  ...over,
});

const columns = (...parts: string[]): FormColumn[] =>
  parts.map((part) =>
    part.startsWith('attribute:')
      ? { key: part, part: 'attributes', label: part.slice(10), attribute: part.slice(10) }
      : { key: part, part: part as OrderFormPart, label: part },
  );
const find = (rows: FormRow[], shown: FormColumn[], typed: string, filters: Record<string, string> = {}) =>
  findRows(rows, shown, { typed, filters: new Map(Object.entries(filters)), language: 'en' }).map((r) => r.variantId);

describe('rows of an order form', () => {
  it('are carried whole, but for what no column shows, and cannot end the element they stand in', () => {
    const rows = [row(1, { name: '</script><b>', shortText: 'Long', picture: '/a.png', stock: null }), row(2)];

    const packed = packRows(rows, columns('name', 'picture'));

    expect(packed).to.not.contain('<');
    expect(unpackRows(packed)).to.deep.equal([{ ...rows[0], shortText: '' }, rows[1]]);
    expect(unpackRows(packRows(rows, columns('shortText')))[0]).to.include({ shortText: 'Long', picture: null });
  });

  it('are found by every word typed, in any order, in names, choices, numbers and shown texts', () => {
    const rows = [row(1, { name: 'Heron', choices: 'Large, Blue' }), row(2, { name: 'Heron', shortText: 'Blue sky' })];
    const ids = (typed: string) => find(rows, [], typed);

    expect(ids(' blue  HER ')).to.deep.equal([1]);
    expect(ids('k-2')).to.deep.equal([2]);
    expect(ids('')).to.deep.equal([1, 2]);
    expect(ids('red')).to.deep.equal([]);
  });

  it('are found by a short text only where a column shows it', () => {
    const rows = () => [row(3, { shortText: 'sky', attributes: { Sail: 'Ripstop' } })];

    expect([find(rows(), [], 'sky'), find(rows(), columns('shortText'), 'sky')]).to.deep.equal([[], [3]]);
    expect([find(rows(), [], 'ripstop'), find(rows(), columns('attribute:Sail'), 'ripstop')]).to.deep.equal([[], [3]]);
  });

  it('are narrowed by what filters ask for, all of them, together with what is typed', () => {
    const rows = [
      row(1, { axes: { Size: 'L' }, categories: ['Kites', 'Sale'], attributes: { Span: '120' } }),
      row(2, { axes: { Size: 'M' }, categories: ['Kites'], attributes: { Span: '120' } }),
      row(3, { categories: ['Lines'] }),
    ];

    expect(find(rows, [], '', { 'axis:Size': 'L' })).to.deep.equal([1]);
    expect(find(rows, [], '', { category: 'Kites', 'attribute:Span': '120' })).to.deep.equal([1, 2]);
    expect(find(rows, [], 'kite 2', { category: 'Kites' })).to.deep.equal([2]);
    expect(find(rows, [], '', { category: '' })).to.deep.equal([1, 2, 3]);
  });

  it('are sorted by what a column shows: sums by the quantity chosen, numbers in names as numbers, uncounted stock last', () => {
    const rows = [row(10), row(2), row(3, { stock: null })];
    const by = (column: string, isDown = false) =>
      sortRows(rows, { column: columns(column)[0]!, isDown }, (r) => (r.variantId === 2 ? 9 : 1), 'en').map(
        (r) => r.variantId,
      );

    expect(by('name')).to.deep.equal([2, 3, 10]);
    expect(by('sum')).to.deep.equal([3, 10, 2]);
    expect(by('price', true)).to.deep.equal([10, 3, 2]);
    expect(by('stock')).to.deep.equal([10, 2, 3]);
  });

  it('are sorted by attributes as numbers and by stars', () => {
    const rows = [row(1, { attributes: { Span: '90 cm' } }), row(2, { attributes: { Span: '120 cm' }, stars: 4.5 })];
    const by = (column: string, isDown: boolean) =>
      sortRows(rows, { column: columns(column)[0]!, isDown }, () => 1, 'en').map((r) => r.variantId);

    expect([by('attribute:Span', true), by('rating', false)]).to.deep.equal([
      [2, 1],
      [1, 2],
    ]);
  });
});

describe('columns of an order form', () => {
  const piece = (parts: string[], settings: object = {}) =>
    ({
      parts: parts.map((key) => ({ key, hideOn: [] })),
      words: {
        name: 'Item',
        sku: 'Number',
        price: 'Price',
        soldOut: 'Sold out',
        choose: 'Choose options',
        addOne: 'Add',
      },
      settings: { columns: {}, adds: 'ticks', attributes: '', filterLists: true, ...settings },
    }) as unknown as OrderFormPiece;
  const rows = [
    row(1, { attributes: { Span: '120', Sail: 'Ripstop' }, axes: { Size: 'L' } }),
    row(2, { attributes: { Span: '90' }, axes: { Size: 'M' }, sku: 'HTK-SPARE-END-CAP-5MM' }),
  ];

  it('are one for each attribute: those that are named, else those that most rows have', () => {
    const keys = (settings: object) => {
      const own = piece(['name', 'attributes'], settings);
      return columnsOf(own, attributesOf(own, rows)).map(({ key }) => key);
    };

    expect(keys({})).to.deep.equal(['name', 'attribute:Span', 'attribute:Sail']);
    expect(keys({ attributes: 'Sail, Nothing' })).to.deep.equal(['name', 'attribute:Sail']);
    expect(attributesOf(piece(['name']), rows)).to.deep.equal([]);
  });

  it('are as wide as what they hold: a number is never broken, a tick takes its own room', () => {
    const own = piece(['name', 'sku', 'price']);
    const shown = columnsOf(own, []);
    const tracks = tracksOf(shown, { piece: own, rows, money: (amount) => `€${amount}` });

    expect(tracks).to.match(/^calc\(1\.35rem \+ 1\.2rem\) /);
    expect(tracks).to.contain('minmax(calc(21ch + 1.2rem), 21fr)');
    expect(tracks).to.match(/ calc\(7ch \+ 1\.2rem\)$/);
  });

  it('and choices have a filter each, where they would narrow anything', () => {
    const own = piece(['name', 'attributes']);
    const filters = filtersOf(own, rows, columnsOf(own, ['Span', 'Sail']), 'en');

    expect(filters).to.deep.equal([
      { key: 'axis:Size', label: 'Size', values: ['L', 'M'] },
      { key: 'attribute:Span', label: 'Span', values: ['90', '120'] },
    ]);
    expect(filtersOf(piece(['name'], { filterLists: false }), rows, [], 'en')).to.deep.equal([]);
  });
});
