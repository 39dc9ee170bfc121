import { importOptionsSchema } from '~/contract/studio/imports';
import { expect } from 'chai';
import { readFile } from 'node:fs/promises';
import { importCatalogue, previewImport } from '~/services/catalogue/import-catalogue';
import { readTable } from '~/services/tables/read-table';
import { openTestShop, type TestShop } from '../support/shop';

const bytes = (text: string) => new TextEncoder().encode(text);
const some = { mostRows: 1000 };
const options = importOptionsSchema.parse({});

describe('readTable', () => {
  it('reads UTF-8 with a byte-order mark, semicolons, CRLF and line breaks in quotes, and knows each row’s line', () => {
    const table = readTable(bytes('\ufeffName;SKU\r\n"Two\r\nlines";A\r\n\r\nÄpfel;B\r\n'), some);

    expect(table.ok && table.value).to.deep.include({
      delimiter: ';',
      encoding: 'UTF-8',
      headings: ['Name', 'SKU'],
      rows: [
        { row: 2, cells: ['Two\nlines', 'A'] },
        { row: 5, cells: ['Äpfel', 'B'] },
      ],
    });
  });

  it('reads files from before UTF-8', () => {
    const table = readTable(
      Buffer.from('Name,SKU\nGrößerer Überflieger für Anfänger,A\nEinfühlsamer Kunstflügel,B\n', 'latin1'),
      some,
    );

    expect(table.ok && table.value.rows[0]!.cells[0]).to.equal('Größerer Überflieger für Anfänger');
  });

  it('refuses an empty file and quotes that never end', () => {
    // A spreadsheet, a picture, or anything else that is no text is called what it is.
    const packed = Buffer.from([0x50, 0x4b, 0x03, 0x04, 0x14, 0x00, 0x06, 0x00]);
    for (const binary of [packed, Buffer.concat([bytes('Name,SKU\nReed,'), Buffer.alloc(9)])]) {
      const read = readTable(binary, some);
      expect(!read.ok && read.problems[0]!.code).to.equal('csv-binary');
    }
    const wide = readTable(Buffer.from('\ufeffName,SKU\nReed,A\n', 'utf16le'), some);
    expect(wide.ok && wide.value.rows[0]!.cells).to.deep.equal(['Reed', 'A']);
    const empty = readTable(bytes('Name,SKU\n'), some);
    const torn = readTable(bytes('Name,SKU\n"Reed,A\n'), some);

    expect(empty.ok || empty.problems[0]?.code).to.equal('csv-empty');
    expect(torn.ok || torn.problems[0]?.code).to.equal('csv-quote');
  });

  it('leaves out the empty columns that spreadsheets put at the end, and says which cap is passed', () => {
    const commas = ','.repeat(4096);
    const wide = readTable(bytes(`Name,SKU${commas}\nReed,A${commas}\n`), some);
    expect(wide.ok && [wide.value.headings, wide.value.rows[0]!.cells]).to.deep.equal([
      ['Name', 'SKU'],
      ['Reed', 'A'],
    ]);
    const codeOf = (text: string) => {
      const read = readTable(bytes(text), some);
      return read.ok ? null : [read.problems[0]!.code, read.problems[0]!.facts];
    };
    const named = Array.from({ length: 501 }, (_, i) => `c${i}`).join(',');
    expect(codeOf(`${named}\n1`)).to.deep.equal(['csv-columns', { count: '501', limit: '500' }]);
    expect(codeOf(`Name\n${'Reed\n'.repeat(1001)}`)).to.deep.equal(['csv-too-many', { limit: '1,000' }]);
    expect(codeOf(`Name\n${'Reed\n'.repeat(1000)}`)).to.equal(null);
    for (const mark of [',', '\n', '"'])
      expect(codeOf(`Name,SKU\n${mark.repeat(4_000_001)}`)![0], mark).to.equal('csv-cells');
  });
});

describe('importCatalogue', () => {
  let shop: TestShop;
  beforeEach(async () => {
    shop = await openTestShop();
  });
  afterEach(() => shop.close());

  it('brings the example file in, with variants over several rows', async () => {
    const example = await readFile('public/example-catalogue.csv');

    const preview = await previewImport(shop.app, example, options);
    expect(await shop.app.catalogue.findProduct('loft-apron')).to.equal(null);
    const done = await importCatalogue(shop.app, example, options);

    expect(preview.ok && preview.value.counts).to.deep.equal({
      productsCreated: 2,
      productsChanged: 0,
      variantsCreated: 4,
      variantsChanged: 0,
      rowsRefused: 0,
    });
    expect(done.ok).to.equal(true);
    const apron = await shop.app.catalogue.findProduct('loft-apron');
    expect(apron!.axes).to.deep.equal(['Size', 'Colour']);
    expect(apron!.variants.map((variant) => [variant.sku, variant.priceMinor, variant.stock])).to.deep.equal([
      ['LA-S-GR', 103_450, 3],
      ['LA-L-GR', 103_450, 2],
      ['LA-L-BL', 105_000, 0],
    ]);
    // A price before is kept, and struck through once it has been shown here.
    const { record } = (await shop.app.catalogue.readRecord('loft-apron'))!;
    expect(record.variants.map(({ wasMinor }) => wasMinor)).to.deep.equal([null, null, 113_450]);
    expect(apron!.variants[2]!.wasMinor).to.equal(null);
    expect(apron!.attributes).to.deep.equal([{ key: 'Material', value: 'Canvas' }]);
    const whistle = await shop.app.catalogue.findProduct('reed-whistle');
    expect(whistle!.fullText).to.include('\n');
    expect(whistle!.tags).to.deep.equal(['gift', 'outdoor']);
    expect(whistle!.categories.map((category) => category.name)).to.deep.equal(['Whistles']);
  });

  it('changes by SKU when a file comes again, keeps what it does not name and remembers the price before', async () => {
    await importCatalogue(shop.app, bytes('Name,SKU,Price,Stock,Short text\nReed,R-1,5.00,4,First words\n'), options);

    const next = bytes('Name,SKU,Price,Stock\nReed Two,R-1,6.50,\n');
    const preview = await previewImport(shop.app, next, options);
    expect(preview.ok && preview.value.changes).to.deep.equal([
      { name: 'Reed Two', sku: 'R-1', field: 'name', from: 'Reed', to: 'Reed Two' },
      { name: 'Reed Two', sku: 'R-1', field: 'priceMinor', from: 500, to: 650 },
    ]);
    const again = await importCatalogue(shop.app, next, options);

    expect(again.ok && again.value.counts.productsChanged).to.equal(1);
    const reed = await shop.app.catalogue.findProduct('reed');
    expect(reed).to.include({ name: 'Reed Two', shortText: 'First words' });
    expect(reed!.variants[0]).to.include({ priceMinor: 650, stock: 4 });
    const prices = await shop.app.db.select<{ price: number }>(
      'SELECT price_minor price FROM price_changes WHERE variant_id = $id ORDER BY id',
      { id: reed!.variants[0]!.id },
    );
    expect(prices.map((row) => row.price)).to.deep.equal([500, 650]);
  });

  it('writes nothing when all or nothing is asked and a row is bad', async () => {
    const file = bytes('Name,SKU,Price\nGood,G-1,5.00\nBad,B-1,five\n');

    const strict = await importCatalogue(shop.app, file, { ...options, allOrNothing: true });
    expect(strict.ok || strict.problems[0]).to.deep.include({ path: 'row 3', code: 'csv-price' });
    expect(await shop.app.catalogue.findProduct('good')).to.equal(null);

    const lenient = await importCatalogue(shop.app, file, options);
    expect(lenient.ok).to.equal(true);
    expect(await shop.app.catalogue.findProduct('good')).not.to.equal(null);
    expect(await shop.app.catalogue.findProduct('bad')).to.equal(null);
  });

  it('asks for columns that are missing, and takes them by hand', async () => {
    const file = bytes('What,Number,Euro\nReed,R-1,"5,00"\n');

    const guess = await previewImport(shop.app, file, options);
    const byHand = await previewImport(shop.app, file, {
      ...options,
      columns: ['name', 'sku', 'price'],
      decimalMark: 'comma',
    });

    expect(guess.ok && guess.value.columnProblems).to.have.length(3);
    expect((await importCatalogue(shop.app, file, options)).ok).to.equal(false);
    expect(byHand.ok && byHand.value.counts.productsCreated).to.equal(1);
  });

  it('asks how prices are written where every one can mean two, and takes them once it is told', async () => {
    const file = new TextEncoder().encode('Name,SKU,Price\nDear Kite,DK-1,"12,500"\n');
    const options = importOptionsSchema.parse({});

    const asked = await previewImport(shop.app, file, options);
    const refused = await importCatalogue(shop.app, file, options);
    const told = await previewImport(shop.app, file, { ...options, decimalMark: 'point' });

    expect(asked.ok && asked.value.columnProblems).to.deep.equal([
      '“12,500” can mean €12,500.00 or €12.50. Choose how prices are written.',
    ]);
    expect(refused.ok || refused.problems[0]?.code).to.equal('csv-mark');
    expect(told.ok && told.value.counts.productsCreated).to.equal(1);
  });

  it('brings 20,000 rows in with progress while other requests are answered', async function () {
    this.timeout(60_000);
    const rows = Array.from(
      { length: 20_000 },
      (_, i) => `Bulk ${Math.floor(i / 4)},B-${i},${(i % 900) + 1}.50,${i % 30},${['S', 'M', 'L', 'XL'][i % 4]}`,
    );
    const steps: number[] = [];
    // Counted between two reports of progress: a server that stands still answers none of them.
    let answered = 0;
    const answeredAt: number[] = [];
    const timer = setInterval(() => void shop.app.catalogue.findProduct('heron').then(() => (answered += 1)), 10);

    const done = await importCatalogue(
      shop.app,
      bytes(`Name,SKU,Price,Stock,choice: Size\n${rows.join('\n')}\n`),
      options,
      {
        onProgress: (written) => {
          steps.push(written);
          answeredAt.push(answered);
        },
      },
    );
    clearInterval(timer);

    expect(done.ok && done.value.counts).to.include({ productsCreated: 5000, variantsCreated: 20_000, rowsRefused: 0 });
    expect(steps.length).to.be.greaterThan(10);
    const busy = answeredAt.filter((count, i) => i > 0 && count > answeredAt[i - 1]!);
    expect(busy.length).to.be.greaterThan(steps.length / 4);
  });

  it('shows nothing that costs nothing, unless that is said to be meant', async () => {
    const file = bytes('Name,SKU,Price\nReed Whistle,RW,0\nTin Whistle,TW,5.00\n');
    const seen = await previewImport(shop.app, file, options);
    expect(seen.ok && seen.value.free).to.equal(1);
    const isShown = async (slug: string) => (await shop.app.catalogue.readRecord(slug))!.record.isShown;
    await importCatalogue(shop.app, file, options);
    expect([await isShown('reed-whistle'), await isShown('tin-whistle')]).to.deep.equal([false, true]);

    const meant = bytes('Name,SKU,Price\nReed Flute,RF,0\n');
    await importCatalogue(shop.app, meant, { ...options, isFree: true });
    expect(await isShown('reed-flute')).to.equal(true);
    const again = await previewImport(shop.app, meant, options);
    expect(again.ok && again.value.free).to.equal(0);
    await importCatalogue(shop.app, meant, options);
    expect(await isShown('reed-flute')).to.equal(true);
  });
});
