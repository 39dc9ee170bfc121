import { expect } from 'chai';
import fc from 'fast-check';
import { matchOrderColumns, readOrderRows, type CsvRow } from '~/core/formats';

const known = new Map([
  ['kite', 'kite'],
  ['k-1', 'kite'],
  ['line', 'line'],
]);
const slugOf = (name: string) => known.get(name);
const rowsOf = (cells: readonly (readonly string[])[]): CsvRow[] =>
  cells.map((own, i) => ({ row: i + 2, cells: [...own] }));

describe('past orders of a file', () => {
  it('have their columns found by their headings, each once, a SKU before a name', () => {
    expect(matchOrderColumns(['Order ID', 'Item name', 'SKU', 'Created at'])).to.deep.equal([
      'order',
      'ignore',
      'product',
      'date',
    ]);
    expect(matchOrderColumns(['Bestellnummer', 'Artikel', 'Datum', 'Datum'])).to.deep.equal([
      'order',
      'product',
      'date',
      'ignore',
    ]);
    expect(matchOrderColumns(['a', 'b'])).to.deep.equal(['ignore', 'ignore']);
  });

  it('are put together from rows in any order, by SKU or name', () => {
    const read = readOrderRows(
      rowsOf([
        ['7', 'Kite', '2026-11-02'],
        ['8', 'LINE', '2026-11-02T10:00:00Z'],
        ['7', 'line', '2026-11-02'],
        ['8', 'Hat', '2026-11-02'],
        ['9', 'K-1', '2026-11-06'],
        ['9', 'Hat', '2026-11-06'],
      ]),
      ['order', 'product', 'date'],
      slugOf,
    );
    const week = Math.floor(Date.UTC(2026, 10, 2) / 604_800_000);
    expect(read.rows).to.deep.equal([
      { basket: 0, product: 'kite', week },
      { basket: 0, product: 'line', week },
      { basket: 1, product: 'line', week },
      { basket: 2, product: 'kite', week: week + 1 },
    ]);
    expect([read.orders, read.unknown, read.problems, read.hasDays]).to.deep.equal([
      3,
      [{ name: 'Hat', rows: 2 }],
      [],
      true,
    ]);
  });

  it('are refused row by row where order, product or day are none', () => {
    const read = readOrderRows(
      rowsOf([
        ['', 'Kite', '2026-11-02'],
        ['1', ' ', '2026-11-02'],
        ['1', 'Kite', 'soon'],
        ['1', 'Kite', '31.02.2026'],
        ['1', 'Kite', '24.12.2026'],
      ]),
      ['order', 'product', 'date'],
      slugOf,
    );
    expect(read.problems).to.deep.equal([
      { row: 2, code: 'orders-cell', value: '' },
      { row: 3, code: 'orders-cell', value: '' },
      { row: 4, code: 'orders-day', value: 'soon' },
      { row: 5, code: 'orders-day', value: '31.02.2026' },
    ]);
    expect(read.orders).to.equal(1);
  });

  it('have the month first where any row can only mean that', () => {
    const weeks = (days: readonly string[]) =>
      readOrderRows(
        rowsOf(days.map((day, i) => [String(i), 'Kite', day])),
        ['order', 'product', 'date'],
        slugOf,
      ).rows.map(({ week }) => week);
    const weekOf = (month: number, day: number) => Math.floor(Date.UTC(2026, month - 1, day) / 604_800_000);
    expect(weeks(['03/04/2026'])).to.deep.equal([weekOf(4, 3)]);
    expect(weeks(['03/04/2026', '12/24/2026'])).to.deep.equal([weekOf(3, 4), weekOf(12, 24)]);
  });

  it('lose and invent nothing, whatever the file holds', () => {
    const cell = fc.oneof(
      fc.constantFrom('1', '2', 'Kite', 'line', 'Hat', '', '2026-11-02', '24.12.2026'),
      fc.string(),
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 4 })), (cells) => {
        const read = readOrderRows(rowsOf(cells), ['order', 'product', 'date'], slugOf);
        const unknown = read.unknown.reduce((sum, { rows }) => sum + rows, 0);
        expect(read.rows.length + read.problems.length + unknown).to.equal(cells.length);
        expect(new Set(read.rows.map(({ basket }) => basket)).size).to.equal(read.orders);
      }),
    );
  });
});
