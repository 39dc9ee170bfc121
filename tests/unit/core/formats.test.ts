import { expect } from 'chai';
import {
  findDecimalMark,
  leftOut,
  guessDelimiter,
  matchColumns,
  missingColumns,
  planImport,
  readCatalogueRows,
  type CsvRow,
} from '~/core/formats';

const headings = ['Name', 'SKU', 'Price', 'Stock', 'choice: Size', 'Category', 'Pictures'];
const columns = matchColumns(headings);

function read(rows: string[][], decimalMark: 'point' | 'comma' = 'point') {
  const numbered: CsvRow[] = rows.map((cells, i) => ({ row: i + 2, cells }));
  return readCatalogueRows(numbered, { headings, columns, sums: { mark: decimalMark, exponent: 2 } });
}

describe('guessDelimiter', () => {
  it('counts marks in the heading row, outside quotes', () => {
    expect(guessDelimiter('a;b;c\n1,2;3;4')).to.equal(';');
    expect(guessDelimiter('"a;b;c",d,e\n')).to.equal(',');
    expect(guessDelimiter('a\tb\n')).to.equal('\t');
    expect(guessDelimiter('only')).to.equal(',');
  });
});

describe('matchColumns', () => {
  it('knows headings in several languages and spellings', () => {
    expect(matchColumns(['Artikelnummer', 'Bezeichnung', 'Preis', 'Bestand', 'Farbe'])).to.deep.equal([
      'sku',
      'name',
      'price',
      'stock',
      'choice',
    ]);
  });

  it('knows the plain words for every field, in the languages that shops here speak', () => {
    const cases: [string, string][] = [
      ...(['sale', 'was', 'cost', 'price', 'sku', 'stock'] as const).flatMap((field) =>
        ({
          sale: ['Sale price', 'Angebotspreis', 'Prix promo', 'Precio rebajado', 'السعر المخفض'],
          was: ['List price', 'UVP', 'Prix barré', 'Precio anterior', 'السعر السابق'],
          cost: ['Purchase price', 'EK', 'Prix d’achat', 'Costo', 'سعر التكلفة'],
          price: ['Retail price', 'VK', 'Prix de vente', 'Prezzo', 'السعر'],
          sku: ['Item code', 'Art.-Nr.', 'Référence', 'Código', 'رقم المنتج'],
          stock: ['In stock', 'Lagerbestand', 'Quantité', 'Existencias', 'المخزون'],
        })[field].map((heading): [string, string] => [heading, field]),
      ),
    ];
    for (const [heading, field] of cases) expect(matchColumns([heading]), heading).to.deep.equal([field]);
  });

  it('takes what a heading says outright, leaves out what nobody knows, and gives a field once', () => {
    expect(matchColumns(['attribute: Span', 'choice: Sail', 'Mystery', 'Name', 'Title'])).to.deep.equal([
      'attribute',
      'choice',
      'ignore',
      'name',
      'ignore',
    ]);
  });

  it('tells which fields no column was found for', () => {
    expect(missingColumns(['name', 'ignore'])).to.deep.equal(['sku', 'price']);
  });
});

describe('readCatalogueRows', () => {
  it('gathers rows with the same or an empty name into one product', () => {
    const { products, problems } = read([
      ['Reed', 'R-S', '6.50', '4', 'Small', 'Toys > Whistles', '/a.svg'],
      ['', 'R-L', '1,007.50', '', 'Large', '', ''],
    ]);

    expect(problems).to.deep.equal([]);
    expect(products).to.have.length(1);
    expect(products[0]!.axes).to.deep.equal(['Size']);
    expect(products[0]!.categories).to.deep.equal([['Toys', 'Whistles']]);
    expect(products[0]!.variants.map((variant) => [variant.sku, variant.priceMinor, variant.stock])).to.deep.equal([
      ['R-S', 650, 4],
      ['R-L', 100_750, null],
    ]);
  });

  it('reads prices in the form it is told', () => {
    expect(read([['Reed', 'R', '1.234,50', '', '', '', '']], 'comma').products[0]!.variants[0]!.priceMinor).to.equal(
      123_450,
    );
    expect(read([['Reed', 'R', '1.234,50', '', '', '', '']]).problems[0]).to.deep.equal({
      row: 2,
      code: 'csv-price',
      facts: { value: '1.234,50', column: 'Price', example: '1,234.50' },
    });
  });

  const bad: [string, string[][], { row: number; code: string }[]][] = [
    ['a missing SKU', [['Reed', '', '1', '', '', '', '']], [{ row: 2, code: 'csv-missing-cell' }]],
    ['a missing price', [['Reed', 'R', '', '', '', '', '']], [{ row: 2, code: 'csv-missing-cell' }]],
    ['stock that is no number', [['Reed', 'R', '1', 'many', '', '', '']], [{ row: 2, code: 'csv-number' }]],
    [
      'an SKU that stands twice',
      [
        ['Reed', 'R', '1', '', '', '', ''],
        ['Loft', 'R', '1', '', '', '', ''],
      ],
      [{ row: 3, code: 'csv-duplicate-sku' }],
    ],
    [
      'the same choices twice',
      [
        ['Reed', 'R', '1', '', 'S', '', ''],
        ['', 'R2', '1', '', 'S', '', ''],
      ],
      [{ row: 3, code: 'csv-duplicate-variant' }],
    ],
    [
      'other choices than the first row',
      [
        ['Reed', 'R', '1', '', 'S', '', ''],
        ['', 'R2', '1', '', '', '', ''],
      ],
      [{ row: 3, code: 'csv-axes-differ' }],
    ],
    [
      'a picture that is no address',
      [['Reed', 'R', '1', '', '', '', 'javascript:alert(1)']],
      [{ row: 2, code: 'csv-image' }],
    ],
    ['a name before any product', [['', 'R', '1', '', '', '', '']], [{ row: 2, code: 'csv-missing-cell' }]],
    ['a name of 300 characters', [['x'.repeat(300), 'R', '1', '', '', '', '']], [{ row: 2, code: 'csv-too-long' }]],
  ];
  for (const [what, rows, expected] of bad) {
    it(`refuses ${what}, naming the row`, () => {
      expect(read(rows).problems.map(({ row, code }) => ({ row, code }))).to.deep.equal(expected);
    });
  }

  it('refuses the whole product of a bad row and keeps the others', () => {
    const { products } = read([
      ['Reed', 'R-S', 'x', '', 'Small', '', ''],
      ['', 'R-L', '7', '', 'Large', '', ''],
      ['Loft', 'L', '3', '', '', '', ''],
    ]);

    expect(products.map((product) => product.name)).to.deep.equal(['Loft']);
  });
});

describe('findDecimalMark', () => {
  const marks = (prices: readonly string[], exponent = 2) => {
    const columns = ['name', 'price', 'was'] as const;
    const rows = prices.map((price, i) => ({ row: i + 2, cells: ['Kite', price, ''] }));
    return findDecimalMark(rows, { columns, exponent });
  };

  it('goes by prices that can be read in one way only', () => {
    expect(marks(['12,500', '9,90'])).to.deep.equal({ mark: 'comma' });
    expect(marks(['12,500', '9.90'])).to.deep.equal({ mark: 'point' });
    expect(marks(['1.234,50', '12'])).to.deep.equal({ mark: 'comma' });
    expect(marks(['12', '15000'])).to.deep.equal({ mark: 'point' });
  });

  it('guesses nothing where every price can mean two', () => {
    expect(marks(['12', '12,500'], 3)).to.deep.equal({ mark: null, text: '12,500', point: 12_500_000, comma: 12_500 });
    expect(marks(['1.000'], 0)).to.deep.equal({ mark: null, text: '1.000', point: 1, comma: 1000 });
  });
});

describe('planImport', () => {
  it('changes products whose SKUs are known and makes the others', () => {
    const { products } = read([
      ['Reed', 'R-S', '6', '', 'Small', '', ''],
      ['', 'R-L', '7', '', 'Large', '', ''],
      ['Loft', 'L', '3', '', '', '', ''],
    ]);

    const plan = planImport(products, [], new Map([['R-S', { productId: 5, productName: 'Reed' }]]));

    expect(plan).to.include({
      productsCreated: 1,
      productsChanged: 1,
      variantsCreated: 2,
      variantsChanged: 1,
      rowsRefused: 0,
    });
    expect(plan.products.map((product) => product.productId)).to.deep.equal([5, null]);
  });

  it('refuses SKUs of two different products under one name', () => {
    const { products } = read([
      ['Reed', 'A', '6', '', 'Small', '', ''],
      ['', 'B', '7', '', 'Large', '', ''],
    ]);

    const plan = planImport(
      products,
      [],
      new Map([
        ['A', { productId: 1, productName: 'One' }],
        ['B', { productId: 2, productName: 'Two' }],
      ]),
    );

    expect(plan.problems).to.deep.equal([{ row: 3, code: 'csv-sku-elsewhere', facts: { sku: 'B', name: 'Two' } }]);
    expect(plan.products).to.deep.equal([]);
  });
});

describe('a reduced price', () => {
  const withSale = ['Name', 'SKU', 'Price', 'Sale price', 'Old price'];
  const priced = (...cells: string[]) => {
    const rows = [{ row: 2, cells: ['Kite', 'K-1', ...cells] }];
    const options = {
      headings: withSale,
      columns: matchColumns(withSale),
      sums: { mark: 'point' as const, exponent: 2 },
    };
    const { products, problems } = readCatalogueRows(rows, options);
    return problems.length > 0
      ? problems[0]!.code
      : [products[0]!.variants[0]!.priceMinor, products[0]!.variants[0]!.wasMinor];
  };

  it('is what is asked for, and the usual one is what it was; where its cell is empty the usual one stays', () => {
    expect(priced('50', '40', '')).to.deep.equal([4000, 5000]);
    expect(priced('50', '40', '60')).to.deep.equal([4000, 6000]);
    expect(priced('50', '', '')).to.deep.equal([5000, null]);
    expect(priced('50', '', '60')).to.deep.equal([5000, 6000]);
    // One that is no reduction is none.
    expect(priced('50', '50', '')).to.deep.equal([5000, null]);
    expect(priced('50', 'cheap', '')).to.equal('csv-price');
  });
});

describe('what an import leaves out', () => {
  it('is told with how much it holds, and what the shop goes without', () => {
    const own = ['Name', 'SKU', 'Price', 'Colour family', 'Empty one', 'Stock'];
    const rows = [{ cells: ['A', '1', '5', 'Blues', '', '3'] }, { cells: ['B', '2', '5', ' ', '', ''] }];
    const { columns: ignored, costs } = leftOut(own, matchColumns(own), rows);

    expect(ignored).to.deep.equal([{ heading: 'Colour family', filled: 1 }]);
    expect(costs.some((cost) => cost.includes('margin guard'))).to.equal(true);
    expect(costs.some((cost) => cost.includes('stock'))).to.equal(false);
  });
});
