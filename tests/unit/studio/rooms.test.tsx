import { expect } from 'chai';
import { countFunnel, sizeLosses, worthOfOnePoint, type Funnel } from '~/core/funnel';
import type { ShellData } from '~/studio/data/studio-data';
import type { LaneMap as LaneMapData } from '~/contract/studio/lane-map';
import { draftDemoLane } from '../../../demo/lane';
import { until } from '../../support/page';
import { draftData, shellData, withStudio } from '../../support/studio';

const funnelOf = (sessions: readonly number[], revenueMinor = 0): Funnel =>
  countFunnel(sessions.map((n, i) => ({ depth: i + 1, sessions: n, revenueMinor: i === 5 ? revenueMinor : 0 })));

function shell(over: Partial<ShellData> = {}): ShellData {
  const funnel = funnelOf([10, 5, 3, 1, 1, 0]);
  return shellData({ funnel, before: funnel, draft: draftData(), ...over });
}

describe('the lane map', () => {
  const studio = withStudio(() => import('~/studio/lane-map/lane-map'));
  // A chart needs a place of some size.
  beforeEach(() => {
    for (const side of ['clientWidth', 'clientHeight'])
      Object.defineProperty(window.HTMLElement.prototype, side, { configurable: true, get: () => 800 });
  });
  /** Phones go on from Look less often than desktops; both are seen often enough to be compared. */
  const phone = funnelOf([400, 500, 20, 20, 20, 40], 200_000);
  const desktop = funnelOf([400, 100, 100, 100, 100, 200], 1_000_000);

  function mapData(over: Partial<LaneMapData> = {}): LaneMapData {
    const funnel = funnelOf([800, 600, 120, 120, 120, 240], 1_200_000);
    return {
      query: { days: 28 },
      fromDay: '2026-03-01',
      toDay: '2026-03-28',
      funnel,
      before: funnel,
      pointMinor: worthOfOnePoint(funnel, 28),
      losses: sizeLosses(
        new Map([
          ['phone', phone],
          ['desktop', desktop],
        ]),
        28,
      ),
      days: [
        { day: '2026-03-01', sessions: 900, orders: 100 },
        { day: '2026-03-02', sessions: 1100, orders: 140 },
      ],
      excluded: { bots: 12, owner: 3, ownDepth: 4 },
      orders: { all: 250, withoutVisit: 10 },
      pieceUse: { 'quick-view': 500 },
      sources: ['direct', 'spring-letter'],
      publications: [
        { day: '2026-03-02', revision: 4 },
        { day: '2026-03-02', revision: 3 },
      ],
      ...over,
    };
  }
  function show(initial = mapData(), draft = draftData()) {
    const { LaneMap } = studio.loaded;
    return studio.show(<LaneMap shell={shell({ draft })} initial={initial} />);
  }

  it('tells how many came how far, who left, and what that is worth', async () => {
    const view = show();

    expect(view.getByTestId('summary').textContent).to.match(
      /^2,000 visits, 1 Mar – 28 Mar · 240 orders \(12\.0 %\) · €12,000\.00$/,
    );
    expect(view.getByTestId('stretch-browse').textContent).to.match(
      /2,000 · 100 %800 leaveIf 1 in 100 more went on:about €/,
    );
    expect(view.getByTestId('stretch-after').textContent).to.equal('After240 · 12.0 %');
    view.getByText(/Left out of all figures: 15 visits \(12 by robots, 3 of your own\)/);
    await studio.user.click(view.getByText('240 orders (12.0 %)'));
    await view.findByText(/240 of these visits ended in a paid order: 240 ÷ 2,000 = 12.0 %\./);
    view.getByText(/10 of 250 paid orders have no recorded visit/);
  });

  it('draws visits and orders day by day, and tells them in a table as well', async () => {
    const view = show();
    const chart = view.getByRole('img', { name: /^Visits and orders of 2 days/ });

    await studio.act(() => until(() => chart.querySelector('svg') !== null));

    expect(chart.textContent).to.match(/1 Mar.*2 Mar/);
    expect([...view.container.querySelectorAll('table.sr-only td')].map((cell) => cell.textContent)).to.deep.equal([
      '2026-03-01',
      '900',
      '100',
      '',
      '2026-03-02',
      '1100',
      '140',
      'Revisions 3, 4',
    ]);
    expect(chart.textContent).to.include('Revisions 3, 4');
  });

  it('names the biggest losses with what they cost at most, and what can be done', () => {
    const view = show();
    const [first] = view.getByRole('region', { name: 'Biggest losses' }).querySelectorAll('article');

    expect(first!.querySelector('h2')!.textContent).to.equal('Look → Add on phones');
    expect(first!.textContent).to.match(/16\.7 % of 600 go on; on desktops 83 % do/);
    expect(first!.querySelector('a')!.getAttribute('href')).to.equal('/studio/bench/quick-view?width=390');
  });

  it('says so where no device lags behind', () => {
    const view = show(mapData({ losses: [] }));

    view.getByText(/No device lags behind another on any stretch that at least 200 visits reached/);
  });

  it('shows each piece where it stands, on or off, how it is used and what is in draft', () => {
    const view = show(mapData(), draftData(undefined, { lane: draftDemoLane() }));
    const tile = (name: string) =>
      [...view.container.querySelectorAll('a')].find((link) => link.querySelector('strong')?.textContent === name)!;

    expect(tile('Quick view').textContent).to.match(/^Quick view25 % of visits · \d in draft$/);
    expect(tile('Checkout').textContent).to.match(/^Checkoutalways there/);
    expect(tile('Buy bar').textContent).to.match(/^Buy bar(on|off)/);
  });

  it('asks anew for other devices, sources and days, and keeps the address in step', async () => {
    studio.server.answers(() => Response.json(mapData({ funnel: phone, query: { device: 'phone', days: 28 } })));
    const view = show();

    await studio.user.selectOptions(view.getByLabelText('Device'), 'Phones');
    await view.findByText(/^1,000 visits/);
    await studio.user.selectOptions(view.getByLabelText('Source'), 'spring-letter');
    await studio.user.selectOptions(view.getByLabelText('Days'), 'Last 7 days');
    await studio.act(async () => undefined);

    expect(studio.server.asked.at(-1)!.url).to.equal('/api/studio/lane-map?device=phone&source=spring-letter&days=7');
    expect(location.search).to.equal('?device=phone&source=spring-letter&days=7');
  });

  it('keeps the figures from before where it gets none, and says so', async () => {
    studio.server.answers(() => Promise.reject(new TypeError('no connection')));
    const view = show();

    await studio.user.selectOptions(view.getByLabelText('Days'), 'Last 90 days');

    expect((await view.findByRole('alert')).textContent).to.match(/cannot be reached.*those from before/);
    view.getByText(/^2,000 visits/);
  });

  it('is a way into the shop while nobody has been there', () => {
    const view = show(mapData({ funnel: countFunnel([]), losses: [], excluded: { bots: 0, owner: 0, ownDepth: 3 } }));

    view.getByText('No visits in these days yet');
    expect(view.getByText('Visit the shop').getAttribute('href')).to.equal('/shop/');
    expect(view.queryByText(/Left out/)).to.equal(null);
  });
});

describe('orders and mails', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/orders/orders')),
    ...(await import('~/studio/mailbox/mailbox')),
  }));

  it('are listed with what they came to and what became of the payment', () => {
    const { Orders } = studio.loaded;
    const order = {
      id: 7,
      placedAt: Date.UTC(2026, 2, 1, 12),
      name: 'Ada',
      email: 'ada@example.org',
      items: 2,
      currency: 'EUR',
      refundedMinor: 0,
      packedAt: null,
      sentAt: null,
      cancelledAt: null,
      isParcel: true,
    };
    const view = studio.show(
      <Orders
        shell={shell()}
        orders={[
          { ...order, status: 'paid', totalMinor: 12_050, sentAt: 5, refundedMinor: 50 },
          { ...order, id: 6, status: 'failed', totalMinor: 900 },
        ]}
        total={50}
        page={1}
        pages={2}
        q="ad a"
        filter="all"
        from="2026-03-01"
        to=""
      />,
    );

    const rows = [...view.container.querySelectorAll('tbody tr')].map((row) => row.textContent);
    expect(rows[0]).to.match(/^10071 Mar 2026, \d\d:00Ada ada@example\.org2€120\.50€0\.50sent$/);
    expect(rows[1]).to.match(/€9\.00–payment failed$/);
    expect(view.getByText('1007').getAttribute('href')).to.equal('/studio/orders/7');
    expect(view.getByText('Next').getAttribute('href')).to.equal('?q=ad+a&filter=all&from=2026-03-01&to=&page=2');
    expect(view.getByText('Download as CSV').getAttribute('href')).to.include('/api/studio/orders?q=ad+a');
    // Neither of them is to be sent.
    expect(view.queryAllByRole('checkbox')).to.have.length(0);
  });

  it('mark several orders at once, and say which could not be', async () => {
    const { Orders } = studio.loaded;
    const order = {
      placedAt: 0,
      name: 'Ada',
      email: 'ada@example.org',
      items: 2,
      currency: 'EUR',
      refundedMinor: 0,
      packedAt: null,
      sentAt: null,
      cancelledAt: null,
      isParcel: true,
      status: 'paid' as const,
      totalMinor: 100,
    };
    studio.server.answers(() =>
      Response.json({ done: 1, refused: [{ number: '1008', message: 'This order was cancelled.' }] }),
    );
    const view = studio.show(
      <Orders
        shell={shell()}
        orders={[
          { ...order, id: 7 },
          { ...order, id: 8 },
        ]}
        total={2}
        page={1}
        pages={1}
        q=""
        filter="all"
        from=""
        to=""
      />,
    );

    view.getByLabelText('All to be sent on this page').click();
    (await view.findByText('Mark as sent')).click();

    expect((await view.findByRole('alert')).textContent).to.equal('1008: This order was cancelled.');
    const { url, init } = studio.server.asked.find((one) => one.init.method === 'POST')!;
    expect(url).to.include('/api/studio/orders');
    expect(JSON.parse(init.body as string)).to.deep.equal({ ids: [7, 8], action: 'send' });
  });

  it('say how to get one where there is none', () => {
    const { Orders, Mailbox } = studio.loaded;
    studio
      .show(<Orders shell={shell()} orders={[]} total={0} page={1} pages={1} q="" filter="all" from="" to="" />)
      .getByText(/No orders yet/);
    studio.show(<Mailbox shell={shell()} mails={[]} />).getByText(/No mail yet/);
  });

  it('are read one at a time, shut off from everything, or as plain text', async () => {
    const { Mailbox } = studio.loaded;
    const mail = { at: Date.UTC(2026, 2, 1), to: 'ada@example.org', html: '<p>Thanks</p>' };
    const view = studio.show(
      <Mailbox
        shell={shell()}
        mails={[
          { ...mail, id: 'b', subject: 'Order 8', text: 'Thanks for order 8' },
          { ...mail, id: 'a', subject: 'Order 7', text: 'Thanks for order 7' },
        ]}
      />,
    );
    const frame = view.getByTitle('The mail') as HTMLIFrameElement;
    expect(frame.getAttribute('sandbox')).to.equal('');
    expect(frame.getAttribute('srcdoc')).to.equal('<p>Thanks</p>');

    await studio.user.click(view.getByText('Order 7'));
    await studio.user.click(view.getByLabelText('as plain text'));

    view.getByText('Thanks for order 7');
    expect(view.queryByTitle('The mail')).to.equal(null);
  });
});

describe('revisions', () => {
  const studio = withStudio(() => import('~/studio/revisions/revisions'));
  const revision = { publishedAt: Date.UTC(2026, 2, 1), publishedBy: 'Maud Fell', changes: [] };
  const revisions = [
    { ...revision, id: 2, note: 'Bigger pictures' },
    { ...revision, id: 1, note: '' },
  ];
  function show(draft = draftData()) {
    const { Revisions } = studio.loaded;
    return studio.show(<Revisions shell={shell({ draft })} revisions={revisions} />);
  }
  const off = () => draftData((lane) => void (lane.pieces['quick-view']!.on = false));

  it('say which is live and what the draft would change', () => {
    const view = show(off());

    view.getByText(/Revision 2 is live/);
    view.getByText('Bigger pictures');
    view.getByText('Is turned off.');
    expect(view.getByText('live').closest('li')!.textContent).to.match(/^Revision 2/);
  });

  it('say that nothing differs where nothing does, and drop nothing', () => {
    const view = show();

    view.getByText(/The draft is the same as the live shop/);
    expect(view.queryByText('Discard changes …')).to.equal(null);
  });

  it('are looked at without being restored, and two are compared', async () => {
    const view = show();
    await studio.user.click(view.getAllByText('Look at it …')[1]!);
    const frame = await view.findByTitle('The shop as of revision 1');
    expect(frame.getAttribute('src')).to.equal(`/shop/all?draft=${draftData().token}.r1`);
    await studio.user.click(view.getByLabelText('Close'));

    studio.server.answers(() => Response.json([]));
    await studio.user.click(view.getByText('Compare'));
    await view.findByText('Revisions 1 and 2 are the same.');
    expect(studio.server.asked.at(-1)!.url).to.equal('/api/studio/revisions/compare?from=1&to=2');
  });

  it('come back into the draft, after saying what is lost', async () => {
    const restored = draftData((lane) => void (lane.pieces['quick-view']!.settings['width'] = 555), { edit: 9 });
    studio.server.answers(() => Response.json(restored));
    const view = show(off());
    await studio.user.click(view.getAllByText('Restore …')[1]!);
    view.getByText('These changes in the draft will be lost:');

    await studio.user.click(view.getByText('Restore into the draft'));

    await view.findByText(/^Revision 1 is in the draft now/);
    const { url, init } = studio.server.asked.at(-1)!;
    expect([url, init.method, JSON.parse(String(init.body))]).to.deep.equal([
      '/api/studio/draft',
      'PUT',
      { edit: 4, revision: 1 },
    ]);
    view.getByText(/555 px instead of/);
  });

  it('let the draft be dropped, or kept after all', async () => {
    studio.server.answers(() => Response.json(draftData(undefined, { edit: 5 })));
    const view = show(off());
    await studio.user.click(view.getByText('Discard changes …'));
    await studio.user.click(view.getByText('Keep the draft'));
    view.getByText('Is turned off.');

    await studio.user.click(view.getByText('Discard changes …'));
    await studio.user.click(view.getByText('Drop them'));

    await view.findByText('The draft is as the live shop again.');
    expect(JSON.parse(String(studio.server.asked.at(-1)!.init.body))).to.deep.equal({ edit: 4, revision: 'latest' });
    view.getByText(/The draft is the same as the live shop/);
  });

  it('say what the server refuses, and keep the draft', async () => {
    studio.server.answers(() => Response.json({ problems: [{ message: 'It does not fit.' }] }, { status: 422 }));
    const view = show(off());
    await studio.user.click(view.getAllByText('Restore …')[0]!);

    await studio.user.click(view.getByText('Restore into the draft'));

    await view.findByText('It does not fit.');
    view.getByText('Is turned off.');
  });
});

describe('the catalogue', () => {
  const studio = withStudio(() => import('~/studio/catalogue/catalogue'));
  const heron = {
    slug: 'heron',
    name: 'Heron',
    shortText: 'A delta.',
    isShown: true,
    hasOptions: true,
    variants: 2,
    fromMinor: 4900,
    toMinor: 5900,
    stock: 14,
    picture: null,
  };
  const winder = { ...heron, slug: 'winder', name: 'Winder', variants: 1, toMinor: 4900, stock: 3, isShown: false };
  function show(over: object = {}) {
    const { Catalogue } = studio.loaded;
    const page = { total: 1, page: 1, pages: 1, q: '', filter: 'all', category: '', texts: '', examples: 0 };
    const categories = [{ slug: 'power', name: 'Power' }];
    const props = { shell: shell(), products: [heron], categories, ...page, ...over };
    return studio.show(<Catalogue {...(props as unknown as Parameters<typeof Catalogue>[0])} />);
  }

  it('lists what is sold, with the way to it and to its options', () => {
    const view = show();

    view.getByText('1 product');
    expect(view.container.querySelector('tbody')!.textContent).to.match(/Heron.*€49\.00 – €59\.0014 in 2 variants/);
    expect(view.getByText('Heron').getAttribute('href')).to.equal('/studio/catalogue/heron');
    expect(view.getByText('Edit options').getAttribute('href')).to.equal('/studio/catalogue/heron/options');
  });

  it('goes through its pages, and keeps what was searched for', () => {
    const view = show({
      total: 60,
      page: 2,
      pages: 3,
      q: 'her on',
      filter: 'sold-out',
      category: 'power',
      texts: '1',
    });

    view.getByText('60 products found for “her on”');
    expect(view.getByText('Back').getAttribute('href')).to.equal(
      '?q=her+on&filter=sold-out&category=power&texts=1&page=1',
    );
    expect(view.getByText('Next').getAttribute('href')).to.equal(
      '?q=her+on&filter=sold-out&category=power&texts=1&page=3',
    );
  });

  it('says what to do where there is nothing', () => {
    show({ products: [], total: 0 }).getByText(/Import a CSV file to begin/);
    show({ products: [], total: 0, q: 'dodo' }).getByText(/^No products found/);
  });

  it('has a price and a count corrected where they stand, and writes nothing else', async () => {
    const record = { name: 'Winder', variants: [{ id: 7, sku: 'W', priceMinor: 4900, stock: 3 }] };
    studio.server.answers((_, init) => Response.json(init.method === 'PUT' ? {} : { edit: 4, record }));
    const view = show({ products: [winder] });
    view.getByText('not shown');

    await studio.user.click(view.getByRole('button', { name: /^Price: €49\.00/ }));
    await studio.user.keyboard('52,5{Enter}');
    await view.findByText('€52.50');
    const sent = studio.server.asked.at(-1)!;
    expect(JSON.parse(String(sent.init.body))).to.deep.equal({
      edit: 4,
      record: { ...record, variants: [{ id: 7, sku: 'W', priceMinor: 5250, stock: 3 }] },
    });

    await studio.user.click(view.getByRole('button', { name: /^Stock: 3/ }));
    await studio.user.keyboard('many{Enter}');
    expect((await view.findByRole('alert')).textContent).to.equal('A whole number, or nothing.');
    await studio.user.keyboard('{Escape}');
    view.getByRole('button', { name: /^Stock: 3/ });
  });

  it('takes the examples away with one press', async () => {
    studio.server.answers(() => Response.json({ problems: [{ message: 'Not now.' }] }, { status: 500 }));
    const view = show({ examples: 6 });

    await studio.user.click(view.getByText('Delete the examples'));

    expect((await view.findByRole('alert')).textContent).to.equal('Not now.');
    expect(studio.server.asked.at(-1)!.init.method).to.equal('DELETE');
  });
});

describe('bringing a catalogue in', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/import/import-screen')),
    ...(await import('~/studio/data/draft-store')),
  }));
  const counts = { productsCreated: 2, productsChanged: 1, variantsCreated: 3, variantsChanged: 0, rowsRefused: 1 };
  const preview = {
    encoding: 'UTF-8',
    delimiter: ';',
    headings: ['Name', 'Preis'],
    columns: ['name', 'ignore'],
    sample: [['Heron', '49,00']],
    rows: 4,
    left: {
      columns: [{ heading: 'Preis', filled: 4 }],
      costs: ['No column holds stock: new products are sold without being counted.'],
    },
    columnProblems: [] as string[],
    counts,
    problems: [{ row: 3, message: 'The price “x” cannot be read.' }],
    products: [{ name: 'Heron', isNew: true, variants: 1 }],
    changes: [{ name: 'Kestrel', sku: 'K-1', field: 'priceMinor', from: 4900, to: 5200 }],
    changeCount: 3,
  };
  const file = () => new File(['Name;Preis\nHeron;49,00'], 'kites.csv', { type: 'text/csv' });
  const optionsOf = (i: number) =>
    JSON.parse(String((studio.server.asked[i]!.init.body as FormData).get('options'))) as Record<string, unknown>;

  async function show(answers: Partial<typeof preview> = {}) {
    studio.server.answers(() => Response.json({ ...preview, ...answers }));
    const { ImportScreen, useDraft } = studio.loaded;
    useDraft.getState().start(draftData());
    const view = studio.show(<ImportScreen isEmpty={false} />);
    await studio.user.upload(view.getByLabelText('Catalogue file'), file());
    await studio.act(async () => undefined);
    return view;
  }

  it('says what it would do before anything is written', async () => {
    const view = await show();

    view.getByText(/4 rows, UTF-8, separated by semicolons/);
    expect(view.getByTestId('plan').textContent).to.match(/2 new products, 1 changed\.3 new variants, 0 changed/);
    view.getByText(/^Left out: “Preis” \(4 cells\)\./);
    view.getByText(/new products are sold without being counted/);
    view.getByText('1 row refused');
    expect(view.getByTestId('changes').textContent).to.match(/3 changes.*Kestrel K-1Price€49\.00€52\.00and 2 more/);
    view.getByText('The price “x” cannot be read.');
    expect(view.getByText('Import 3 products')).to.have.property('disabled', false);
    expect((studio.server.asked[0]!.init.body as FormData).get('apply')).to.equal(null);
  });

  it('looks again with columns and the decimal mark corrected', async () => {
    const view = await show();

    await studio.user.selectOptions(view.getByLabelText('Column Preis holds'), 'price');
    await studio.user.click(view.getByLabelText('1.234,50'));
    await studio.act(async () => undefined);

    expect(optionsOf(1)).to.deep.equal({ decimalMark: 'found', columns: ['name', 'price'] });
    expect(optionsOf(2)).to.deep.equal({ decimalMark: 'comma', columns: ['name', 'price'] });
  });

  it('writes nothing with a column missing, or all or nothing and a row refused', async () => {
    const view = await show({ columnProblems: ['No column holds the price.'] });
    const go = () => view.getByText('Import 3 products') as HTMLButtonElement;
    expect(view.getByRole('alert').textContent).to.equal('No column holds the price.');
    expect(go().disabled).to.equal(true);
    view.unmount();

    const other = await show();
    await studio.user.click(other.getByLabelText(/^All or nothing/));
    expect(other.getByText('Import 3 products')).to.have.property('disabled', true);
  });

  it('writes, says how far it is, and where to see it', async () => {
    const view = await show();
    const states = [
      { state: 'running', written: 1, total: 3, message: null },
      { state: 'done', written: 3, total: 3, message: null },
    ];
    studio.server.answers((url) => Response.json(url.endsWith('/imports') ? { id: 'i1' } : states.shift()));

    await studio.user.click(view.getByText('Import 3 products'));
    await view.findByText('1 of 3 products');
    await view.findByText(/^Imported\./);

    expect(studio.server.asked.at(-1)!.url).to.equal('/api/studio/imports/i1');
    expect((studio.server.asked[1]!.init.body as FormData).get('apply')).to.equal('1');
  });

  it('says what went wrong with a file, and with the writing', async () => {
    const view = await show();
    studio.server.answers(() => Response.json({ problems: [{ message: 'It stopped at row 2.' }] }, { status: 500 }));
    await studio.user.click(view.getByText('Import 3 products'));
    expect((await view.findByRole('alert')).textContent).to.equal('Nothing was imported. It stopped at row 2.');

    studio.server.answers(() => Response.json({ problems: [{ message: 'The file is empty.' }] }, { status: 422 }));
    await studio.user.upload(view.getByLabelText('Catalogue file'), file());
    expect((await view.findByText('The file is empty.')).getAttribute('role')).to.equal('alert');
    expect(view.queryByTestId('plan')).to.equal(null);
  });
});
