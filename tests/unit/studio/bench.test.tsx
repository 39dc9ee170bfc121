import { expect } from 'chai';
import { countFunnel, type Stretch } from '~/core/funnel';
import type { FromPreview, ToPreview } from '~/core/lane';
import { definitionOf, situationsOf } from '~/pieces/definitions';
import type { Samples } from '~/studio/preview/samples';
import { cartView, lineView } from '../../support/cart-view';
import { draftData, shellData, withStudio } from '../../support/studio';

const funnel = countFunnel([6, 5, 4, 3, 2, 1].map((sessions, i) => ({ depth: i + 1, sessions, revenueMinor: 0 })));
const shell = () => shellData({ funnel, before: funnel, draft: draftData() });

/** Products and carts for every situation there is. */
const samples: Samples = {
  products: Object.fromEntries(
    ['quick-view', 'slide-out-cart', 'buy-bar', 'added-popup']
      .flatMap((kind) => situationsOf(kind === 'slide-out-cart' ? 'cart-surface' : kind))
      .map((situation) => [situation.product ?? '', `the-${situation.product}`]),
  ),
  carts: { empty: cartView([]), full: cartView([lineView({ id: 'x' }), lineView({ id: 'y' })]) } as Samples['carts'],
};

describe('the bench', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/bench/bench')),
    ...(await import('~/studio/data/draft-store')),
  }));
  let posted: ToPreview[];

  async function showBench(pieceId = 'quick-view', over: { task?: 'where' | 'parts' } = {}) {
    const { Bench } = studio.loaded;
    studio.server.answers((_, init) =>
      Response.json(init.method === 'PATCH' ? { edit: draft().edit + 1 } : draftData()),
    );
    const view = studio.show(
      <Bench
        shell={shell()}
        pieceId={pieceId}
        samples={samples}
        categories={[]}
        tags={[]}
        layouts={[]}
        start={{ task: 'parts', part: null, width: null, situation: null, ...over }}
      />,
    );
    posted = [];
    const frame = view.getByTestId('preview') as HTMLIFrameElement;
    Object.defineProperty(frame.contentWindow!, 'postMessage', {
      value: (message: ToPreview) => posted.push(structuredClone(message)),
    });
    await hear({ pl: 'ready' });
    return view;
  }
  const draft = () => studio.loaded.useDraft.getState();
  const piece = (id = 'quick-view') => draft().lane.pieces[id]!;
  const frame = () => document.querySelector('iframe')!;
  function hear(message: FromPreview | object, over: MessageEventInit = {}): Promise<void> {
    const init = { data: message, origin: location.origin, source: frame().contentWindow, ...over };
    return studio.act(async () => void window.dispatchEvent(new window.MessageEvent('message', init)));
  }
  const last = <Kind extends ToPreview['pl']>(kind: Kind) =>
    posted.filter((message): message is Extract<ToPreview, { pl: Kind }> => message.pl === kind).at(-1)!;

  it('shows the shop with the draft, as the piece is seen on every page and device, also when it is off', async () => {
    await showBench();
    const situation = situationsOf('quick-view')[0]!;
    expect(frame().src).to.match(/\?draft=walk-me&lang=en$/);

    const { manifest } = last('manifest');
    const own = manifest.pieces.find(({ id }) => id === 'quick-view')!;
    expect(own.where.devices).to.have.length(3);
    expect(own.where.pages).to.deep.equal(definitionOf('quick-view')!.pages);
    expect(last('situation')).to.deep.include({ pieceId: 'quick-view', product: `the-${situation.product}` });
    expect(last('force')).to.deep.equal({ pl: 'force', state: 'rest' });

    await studio.user.click(document.querySelector('header input[type=checkbox]')!);
    expect(piece().on).to.equal(false);
    expect(last('manifest').manifest.pieces.map(({ id }) => id)).to.include('quick-view');
  });

  it('posts every change at once, and counts it', async () => {
    const view = await showBench();
    const { seq } = last('manifest');

    await studio.user.click(view.getByLabelText(`Hide ${definitionOf('quick-view')!.parts['rating']!.label}`));

    expect(last('manifest').seq).to.equal(seq + 1);
    expect(
      last('manifest')
        .manifest.pieces.find(({ id }) => id === 'quick-view')!
        .parts.map(({ key }) => key),
    ).not.to.include('rating');
    view.getByText(/^on Look · 1 change in draft$/);
    await hear({ pl: 'painted', seq: seq + 1 });
    expect(frame().dataset['painted']).to.equal(String(seq + 1));
  });

  it('chooses what is pressed in the preview, and takes words and settings made there', async () => {
    const view = await showBench('quick-view', { task: 'where' });
    await hear({ pl: 'selected', pieceId: 'quick-view', part: 'price' });
    expect(view.getByRole('tab', { selected: true }).textContent).to.equal('Parts');
    expect(last('select')).to.deep.equal({ pl: 'select', pieceId: 'quick-view', part: 'price' });

    await hear({ pl: 'word', pieceId: 'quick-view', word: 'open', text: 'Peek' });

    expect(piece().words).to.deep.equal({ en: { open: 'Peek' } });
  });

  it('takes a place to which something was dragged in the preview', async () => {
    await showBench('cart-opener');

    await hear({ pl: 'setting', pieceId: 'cart-opener', setting: 'placePhone', value: 'top 50' });

    expect(piece('cart-opener').settings['placePhone']).to.equal('top 50');
    expect(last('manifest').manifest.pieces.find(({ id }) => id === 'cart-opener')!.settings['placePhone']).to.equal(
      'top 50',
    );
  });

  it('hears nothing from elsewhere, nor about another piece', async () => {
    await showBench();
    const before = draft().lane;
    const word = { pl: 'word', pieceId: 'quick-view', word: 'open', text: 'Stolen' };

    await hear(word, { origin: 'https://evil.example' });
    await hear(word, { source: window });
    await hear({ ...word, pieceId: 'buy-bar' });
    await hear([]);

    expect(draft().lane).to.equal(before);
  });

  it('puts the piece into a situation, at its width and in its language', async () => {
    const view = await showBench();
    const rightToLeft = situationsOf('quick-view').find((situation) => situation.rightToLeft)!;
    const width = () => Number((view.getByLabelText(/^Width of the preview/) as HTMLInputElement).value);

    await studio.user.click(view.getByText(rightToLeft.label));
    expect(last('manifest').manifest.language).to.equal('ar');
    expect(width()).to.equal(rightToLeft.width);

    await studio.user.click(view.getByText(situationsOf('quick-view')[0]!.label));
    expect(last('manifest').manifest.language).to.equal('en');
    await studio.user.click(view.getByRole('button', { name: '768' }));
    expect(width()).to.equal(768);
  });

  it('offers no situation the shop has no product or cart for', async () => {
    const { Bench } = studio.loaded;
    const known = situationsOf('quick-view')[1]!.product!;
    const view = studio.show(
      <Bench
        shell={shell()}
        pieceId="quick-view"
        samples={{ products: { [known]: 'x' }, carts: {} }}
        categories={[]}
        tags={[]}
        layouts={[]}
        start={{ task: 'parts', part: null, width: null, situation: null }}
      />,
    );

    const offered = situationsOf('quick-view').filter((situation) => !situation.product || situation.product === known);
    view.getByText(`${offered.length} situations`);
  });

  it('shows the state that is looked at, and undoes and redoes', async () => {
    const view = await showBench();
    await studio.user.click(view.getByRole('tab', { name: 'Look' }));
    await studio.user.click(view.getByLabelText('Hover'));
    expect(last('force').state).to.equal('hover');

    expect(view.getByLabelText('Undo')).to.have.property('disabled', true);
    await studio.user.click(view.getByLabelText(`Hide ${definitionOf('quick-view')!.parts['name']!.label}`));
    await studio.user.click(view.getByLabelText('Undo'));
    expect(piece()).to.deep.equal(draftData().lane.pieces['quick-view']);
    await studio.user.click(view.getByLabelText('Redo'));
    expect(piece().parts.find((part) => part.key === 'name')!.on).to.equal(false);
  });

  it('does not turn off what the shop always has, and comes back to what was shaped last', async () => {
    const view = await showBench('checkout');

    view.getByText('always there');
    expect(document.querySelector('header input[type=checkbox]')).to.equal(null);
    expect(localStorage.getItem('pl-last-bench')).to.equal(location.pathname);
  });
});

describe('a stretch', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/stretch/stretch')),
    ...(await import('~/studio/data/draft-store')),
  }));
  function show(stretch: Stretch) {
    const { StretchPage } = studio.loaded;
    studio.server.answers(() => Response.json({ edit: 5 }));
    const phone = countFunnel([{ depth: 1, sessions: 3, revenueMinor: 0 }]);
    return studio.show(
      <StretchPage
        shell={shell()}
        stretch={stretch}
        byDevice={[
          { device: 'phone', funnel: phone },
          { device: 'desktop', funnel },
        ]}
      />,
    );
  }
  const rows = () =>
    [...document.querySelectorAll('tbody tr')].map((row) =>
      [...row.querySelectorAll('td')].map((cell) => cell.textContent),
    );

  it('tells how each device fares on it', () => {
    const view = show('look');

    view.getByText(
      'Look: 15 visits of the last 28 days got here; 66.7 % of them went on to Add.'.replace('66.7', '67'),
    );
    expect(rows()).to.deep.equal([
      ['Phones', '', '0', '0 %', '0', '–'],
      ['Desktops', '', '15', '71 %', '5', '67 %'],
    ]);
  });

  it('offers each kind it can hold by its name', () => {
    const view = show('look');

    view.getByRole('button', { name: 'Add: A better one' });
    expect(view.queryByText(/^Add an? an? /i)).to.equal(null);
  });

  it('has nowhere to go on to at its end', () => {
    const view = show('after');

    expect(view.queryByText(/Left from here/)).to.equal(null);
    expect(rows()[1]).to.deep.equal(['Desktops', '', '1', '4.8 %']);
    expect(view.getAllByRole('heading', { name: 'Thank-you page' })).to.have.length(2);
  });

  it('does not offer to turn off what the shop always has', () => {
    const view = show('pay');

    view.getByText('always there');
    expect(view.queryByText(/in the draft$/)).to.equal(null);
  });

  it('turns its pieces on and off in the draft', async () => {
    const view = show('look');
    const was = draftData().lane.pieces['quick-view']!.on;

    await studio.user.click(view.getAllByText(`Turn ${was ? 'off' : 'on'} in the draft`)[0]!);

    expect(studio.loaded.useDraft.getState().lane.pieces['quick-view']!.on).to.equal(!was);
  });
});
