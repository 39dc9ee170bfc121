import { expect } from 'chai';
import { countFunnel } from '~/core/funnel';
import { productRecordSchema, type ProductRecord } from '~/core/catalogue';
import { draftData, shellData, withStudio } from '../../support/studio';

const variant = (id: number, size: string, over: object = {}) => ({
  id,
  sku: `K-${id}`,
  choices: { Size: size },
  priceMinor: 4900,
  wasMinor: null,
  costMinor: 2000,
  stock: 3,
  weightGrams: 200,
  picture: null,
  ...over,
});
const record = (over: Partial<ProductRecord> = {}): ProductRecord =>
  productRecordSchema.parse({
    name: 'Kestrel',
    brand: '',
    shortText: 'A delta.',
    fullText: '',
    fulfilment: 'parcel',
    leadDays: null,
    isFeatured: false,
    taxRate: null,
    itemDeliveryMinor: 0,
    suggestions: ['heron'],
    isShown: true,
    pictures: ['/a.svg', '/b.svg'],
    categories: ['deltas'],
    tags: ['gift'],
    attributes: [{ key: 'Span', value: '2 m' }],
    axes: ['Size'],
    variants: [variant(1, 'Small'), variant(2, 'Large')],
    ...over,
  });
const product = (over: Partial<ProductRecord> = {}, edit = 4) => ({
  id: 9,
  slug: 'kestrel',
  edit,
  record: record(over),
  prices: [{ sku: 'K-1', priceMinor: 4900, at: 0 }],
  suggested: [{ slug: 'heron', name: 'Heron' }],
  betterSold: over.better ? { slug: over.better, fromMinor: 9900, leastMinor: 6000 } : null,
  reviews: [{ id: 7, author: 'Ada', stars: 2, text: 'It fell down.', day: '2026-11-02', answer: '', isHidden: false }],
});

describe('a product that is opened', () => {
  const studio = withStudio(() => import('~/studio/product/product-screen'));
  const show = (own = product()) => {
    const { ProductScreen } = studio.loaded;
    const funnel = countFunnel([]);
    const categories = [
      { slug: 'deltas', name: 'Deltas', parentSlug: null },
      { slug: 'small', name: 'Small ones', parentSlug: 'deltas' },
    ];
    const shell = shellData({ funnel, before: funnel, draft: draftData() });
    return studio.show(<ProductScreen shell={shell} product={own} categories={categories} />);
  };
  const sent = (i = -1) =>
    JSON.parse(String(studio.server.asked.at(i)!.init.body)) as { edit: number; record: ProductRecord };
  const cell = (view: ReturnType<typeof show>, name: string) => view.getByLabelText(name) as HTMLInputElement;

  it('is corrected in its grid by keys alone, and saved whole', async () => {
    studio.server.answers(() => Response.json(product({ shortText: 'Saved' }, 5)));
    const view = show();
    cell(view, 'Price, row 1').focus();
    await studio.user.keyboard('52.5{Enter}');
    expect(document.activeElement).to.equal(cell(view, 'Price, row 2'));
    await studio.user.keyboard('{ArrowUp}');
    expect(document.activeElement).to.equal(cell(view, 'Price, row 1'));
    cell(view, 'Stock, row 2').focus();
    await studio.user.keyboard('{Backspace}');
    await studio.user.click(view.getByText('Save changes'));

    expect(sent().edit).to.equal(4);
    expect(sent().record.variants.map(({ priceMinor, stock }) => [priceMinor, stock])).to.deep.equal([
      [5250, 3],
      [4900, null],
    ]);
    await view.findByText('Saved. The open shop shows it already.');
  });

  it('gives its better one a price of its own, and warns below the floor and where it changes nothing', async () => {
    const better = { better: 'heron' };
    studio.server.answers(() => Response.json(product({ ...better, betterMinor: 5500 }, 5)));
    const view = show(product(better));
    await studio.user.click(view.getByLabelText('It costs less when swapped in'));
    const price = cell(view, 'Price when swapped in');
    expect(price.value).to.equal('99.00');
    expect(view.getByText(/Enter less than €99.00/)).to.not.equal(null);
    await studio.user.clear(price);
    await studio.user.type(price, '55');

    expect(view.getByText(/Enter €60.00 or more/)).to.not.equal(null);
    await studio.user.click(view.getByText('Save changes'));
    expect(sent().record.betterMinor).to.equal(5500);
    await view.findByText('Saved. The open shop shows it already.');
  });

  it('has its reviews hidden and answered, and its suggestions picked in order', async () => {
    studio.server.answers((url) =>
      Response.json(
        url.includes('?q=')
          ? [
              { slug: 'kestrel', name: 'Kestrel' },
              { slug: 'reel', name: 'Reel' },
            ]
          : null,
      ),
    );
    const view = show();
    await studio.user.type(view.getByLabelText('Answer to Ada'), 'Try more wind.');
    await studio.user.click(view.getByText('Save the answer'));
    await view.findByText('Saved.');
    expect(JSON.parse(String(studio.server.asked.at(-1)!.init.body))).to.deep.equal({
      id: 7,
      isHidden: false,
      answer: 'Try more wind.',
    });
    await studio.user.type(view.getByLabelText('Goes well with it'), 'r');
    await studio.user.click(await view.findByText('+ Reel'));
    expect(view.queryByText('+ Kestrel')).to.equal(null);
    await studio.user.click(view.getByLabelText('Move Reel up'));
    studio.server.answers(() => Response.json(product({}, 5)));
    await studio.user.click(view.getByText('Save changes'));
    expect(sent().record.suggestions).to.deep.equal(['reel', 'heron']);
  });

  it('takes a block pasted from a spreadsheet, and says what did not fit', async () => {
    const { fireEvent } = await import('@testing-library/react');
    const view = show();
    fireEvent.paste(cell(view, 'SKU, row 1'), {
      clipboardData: { getData: () => 'N-1\t10,50\t12.00\r\nN-2\tfree\t\r\nN-3\t1\t1\r\n' },
    });
    expect([cell(view, 'SKU, row 1').value, cell(view, 'Price, row 1').value]).to.deep.equal(['N-1', '10.50']);
    expect([cell(view, 'SKU, row 2').value, cell(view, 'Price, row 2').value]).to.deep.equal(['N-2', '49.00']);
    expect(cell(view, 'Price before, row 1').value).to.equal('12.00');
    view.getByText(/^4 pasted cells did not fit/);
  });

  it('keeps values and stock when what variants differ in is renamed, added or removed', async () => {
    studio.server.answers(() => Response.json(product()));
    const view = show();
    const name = view.getByLabelText('Rename Size');
    await studio.user.clear(name);
    await studio.user.type(name, 'Span{Enter}');
    await studio.user.type(view.getByLabelText('Another difference'), 'Sail{Enter}');
    await studio.user.type(cell(view, 'Sail, row 1'), 'Dusk');
    await studio.user.click(view.getByText('Save changes'));
    expect(sent().record.axes).to.deep.equal(['Span', 'Sail']);
    expect(sent().record.variants[0]).to.deep.include({ choices: { Span: 'Small', Sail: 'Dusk' }, stock: 3 });
  });

  it('gets all combinations of a new difference at once, with nothing in stock', async () => {
    studio.server.answers(() => Response.json(product()));
    const view = show();
    await studio.user.type(view.getByLabelText('Another difference'), 'Sail');
    await studio.user.type(view.getByLabelText('Its values'), 'Dusk, Dawn');
    const before = product().record.variants.length;
    await studio.user.click(view.getByRole('button', { name: `Add, ${before * 2} variants` }));
    expect((cell(view, 'Stock, row 1') as HTMLInputElement).value).to.equal('3');
    expect((cell(view, `Stock, row ${before + 1}`) as HTMLInputElement).value).to.equal('0');
    await studio.user.click(view.getAllByRole('button', { name: /^Remove .*-Dawn$/ })[0]!);
    await studio.user.click(view.getByRole('button', { name: 'Make the 1 missing combination' }));
    expect(view.queryByText(/missing combination/)).to.equal(null);
    // Of what costs nothing it is asked whether that is meant.
    expect(view.queryByLabelText(/^It is free/)).to.equal(null);
    await studio.user.clear(cell(view, 'Price, row 1'));
    await studio.user.type(cell(view, 'Price, row 1'), '0');
    await studio.user.click(view.getByLabelText(/^It is free/));
    await studio.user.click(view.getByText('Save changes'));
    expect(sent().record).to.deep.include({ isFree: true });
    expect(sent().record.variants).to.have.length(before * 2);
  });

  it('has its texts, places and pictures changed, and everything put back', async () => {
    studio.server.answers(() => Response.json(product()));
    const view = show();
    await studio.user.click(view.getByLabelText('Small ones'));
    await studio.user.click(view.getByLabelText('Move picture 2 forward'));
    await studio.user.type(view.getByLabelText('Tags'), ', new');
    await studio.user.type(view.getByLabelText('Attributes'), '\nSail: nylon');
    await studio.user.click(view.getByLabelText('Shown in the shop'));
    await studio.user.click(view.getByText('Save changes'));
    expect(sent().record).to.deep.include({
      categories: ['deltas', 'small'],
      pictures: ['/b.svg', '/a.svg'],
      tags: ['gift', 'new'],
      isShown: false,
      attributes: [
        { key: 'Span', value: '2 m' },
        { key: 'Sail', value: 'nylon' },
      ],
    });
    await studio.user.type(view.getByLabelText('Name'), '!');
    await studio.user.click(view.getByText('Discard changes'));
    expect((view.getByLabelText('Name') as HTMLInputElement).value).to.equal('Kestrel');
  });

  it('is joined with what another window saved meanwhile', async () => {
    const newer = product({ shortText: 'Theirs' }, 5);
    studio.server.answers((_, init) => {
      const { edit } = JSON.parse(String(init.body)) as { edit: number };
      return edit === 4
        ? Response.json({ problems: [{ message: 'Stale.' }], product: newer }, { status: 409 })
        : Response.json(product({ name: 'Kestrel!', shortText: 'Theirs' }, 6));
    });
    const view = show();
    await studio.user.type(view.getByLabelText('Name'), '!');
    await studio.user.click(view.getByText('Save changes'));
    await view.findByText('Saved. The open shop shows it already.');
    expect(sent()).to.deep.include({ edit: 5 });
    expect(sent().record).to.include({ name: 'Kestrel!', shortText: 'Theirs' });
  });

  it('asks which of two stands where both windows changed the same', async () => {
    const newer = product({ name: 'Theirs' }, 5);
    studio.server.answers((_, init) => {
      const { edit } = JSON.parse(String(init.body)) as { edit: number };
      return edit === 4
        ? Response.json({ problems: [{ message: 'Stale.' }], product: newer }, { status: 409 })
        : Response.json(product({ name: 'Kestrel!' }, 6));
    });
    const view = show();
    await studio.user.type(view.getByLabelText('Name'), '!');
    await studio.user.click(view.getByText('Save changes'));
    await view.findByText(/changed the same places: name/);
    await studio.user.click(view.getByText('Save mine there'));
    await view.findByText('Saved. The open shop shows it already.');
    expect(sent().record.name).to.equal('Kestrel!');
  });

  it('marks the cell that the server refuses', async () => {
    studio.server.answers(() =>
      Response.json({ problems: [{ path: 'variants.1.sku', message: 'Row 2: taken.' }] }, { status: 422 }),
    );
    const view = show();
    await studio.user.clear(cell(view, 'SKU, row 2'));
    await studio.user.type(cell(view, 'SKU, row 2'), 'TAKEN');
    await studio.user.click(view.getByText('Save changes'));
    expect((await view.findByRole('alert')).textContent).to.equal('Row 2: taken.');
    expect(cell(view, 'SKU, row 2').getAttribute('aria-invalid')).to.equal('true');
  });
});
