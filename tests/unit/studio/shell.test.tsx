import { expect } from 'chai';
import type { Funnel } from '~/core/funnel';
import { countFunnel } from '~/core/funnel';
import { definitions } from '~/pieces/definitions';
import { settled, until } from '../../support/page';
import { draftData, shellData, withStudio } from '../../support/studio';

/** Each stretch is reached by half of those on the one before; `orders` of 640 visits at the end. */
const funnel = (last = 20): Funnel =>
  countFunnel(
    [320, 160, 80, 40, 40 - last, last].map((sessions, i) => ({ depth: i + 1, sessions, revenueMinor: i * 1000 })),
  );

describe('the studio around every screen', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/shell/shell')),
    ...(await import('~/studio/data/draft-store')),
  }));

  async function showShell(over: Parameters<typeof shellData>[0] = {}) {
    const { Shell } = studio.loaded;
    studio.server.answers((url, init) => answer(url, init));
    return studio.show(
      <Shell data={shellData({ funnel: funnel(), before: funnel(30), ...over })} room="/studio" stretch="look">
        <h1>Screen</h1>
        <input aria-label="Typing" />
      </Shell>,
    );
  }
  let answer: (url: string, init: RequestInit) => Response;
  beforeEach(() => (answer = () => Response.json(draftData())));
  const draft = () => studio.loaded.useDraft.getState();
  /** False when a shortcut took the key. */
  const press = async (init: KeyboardEventInit) => {
    const event = new window.KeyboardEvent('keydown', { bubbles: true, cancelable: true, ...init });
    await studio.act(async () => void document.body.dispatchEvent(event));
    return !event.defaultPrevented;
  };
  const change = (recipe: Parameters<ReturnType<typeof draft>['change']>[0]) =>
    studio.act(async () => draft().change(recipe));

  async function ready(view: Awaited<ReturnType<typeof showShell>>): Promise<HTMLButtonElement> {
    const button = (await view.findByRole('button', { name: 'Publish 1 change' })) as HTMLButtonElement;
    await studio.act(() => until(() => !button.disabled));
    return button;
  }

  it('is the lane in small: how many come how far, and how that changed', async () => {
    const view = await showShell();

    const links = [...view.getByRole('navigation', { name: /Stretches/ }).querySelectorAll('a')];
    expect(links.map((link) => link.textContent)).to.deep.equal([
      'Browse 100 %',
      'Look 50 %±0',
      'Add 25 %±0',
      'Cart 12.5 %±0',
      'Pay 6.3 %±0',
      'After 3.1 %−1.6',
    ]);
    expect(links[1]!.getAttribute('aria-current')).to.equal('page');
    expect(links[5]!.title).to.match(/^After: 3\.1 % of visits.*−1\.6 points against the 28 days before/);
  });

  it('compares with nothing where there was nothing', async () => {
    const view = await showShell({ before: countFunnel([]) });

    expect(view.container.textContent).not.to.match(/±|−\d/);
    expect(view.getByTitle(/^After/).title).not.to.include('points');
  });

  it('says how draft and live stand, and lets only who may publish', async () => {
    let view = await showShell({ draft: draftData() });
    expect(view.getByTestId('draft-state').textContent).to.equal('live');
    expect((view.getByText('Publish …') as HTMLButtonElement).disabled).to.equal(true);
    view.unmount();

    view = await showShell({ draft: draftData((lane) => void (lane.pieces['quick-view']!.on = false)) });
    expect(view.getByTestId('draft-state').textContent).to.equal('1 change in draft');
    expect((view.getByText('Publish …') as HTMLButtonElement).disabled).to.equal(false);
    view.unmount();

    view = await showShell({ account: { name: 'Odd Job', role: 'viewer' } });
    expect((view.getByText('Publish …') as HTMLButtonElement).disabled).to.equal(true);
  });

  it('publishes what it shows, with a note, and is live then', async () => {
    const changed = draftData((lane) => void (lane.pieces['quick-view']!.on = false));
    let published: unknown = null;
    answer = (url, init) => {
      if (!url.endsWith('publish')) return Response.json(published ? draftData(undefined, { edit: 9 }) : changed);
      published = JSON.parse(String(init.body));
      return Response.json({ revision: 3 });
    };
    const view = await showShell({ draft: changed });
    await studio.user.click(view.getByText('Publish …'));
    view.getByText('Is turned off.');
    const go = await ready(view);
    await studio.user.type(view.getByLabelText(/note for later/), 'Too slow');

    await studio.user.click(go);
    await view.findByText(/^Published\./);

    expect(published).to.deep.equal({ edit: 4, note: 'Too slow', left: [] });
    expect(view.getByTestId('draft-state').textContent).to.equal('live');
    expect(view.queryByRole('dialog')).to.equal(null);
  });

  it('says before the shop opens what is not real yet, with the way there', async () => {
    const cautions = [
      { text: 'No money moves.', at: null },
      { text: 'Nobody is delivered to.', at: 'delivery' },
      { text: 'Two cost nothing.', at: 'catalogue' },
    ] as const;
    const { live } = draftData();
    const first = draftData(() => undefined, { cautions, live: { ...live, revision: 0 } });
    answer = () => Response.json(first);
    const view = await showShell({ draft: first });
    await studio.user.click(view.getByText(/^(Publish|Open the shop)/));

    expect((await view.findByText('Not real yet')).tagName).to.equal('H3');
    const links = [...view.getByText('Not real yet').parentElement!.querySelectorAll('li')].map((line) => [
      line.textContent,
      line.querySelector('a')?.getAttribute('href') ?? null,
    ]);
    expect(links).to.deep.equal([
      ['No money moves. ', null],
      ['Nobody is delivered to. Settings', '/studio/shop?section=delivery'],
      ['Two cost nothing. Catalogue', '/studio/catalogue'],
    ]);
  });

  it('does not publish what the lint refuses, and says why', async () => {
    const lint = [{ level: 'error', code: 'deleted-product', pieceId: 'quick-view', slug: 'dodo' }] as const;
    const changed = draftData((lane) => void (lane.pieces['quick-view']!.on = false), { lint });
    answer = () => Response.json(changed);
    const view = await showShell({ draft: changed });
    await studio.user.click(view.getByText('Publish …'));

    await view.findByText(/“dodo”, which is gone/);

    expect((view.getByText('Publish 1 change') as HTMLButtonElement).disabled).to.equal(true);
    await studio.user.click(view.getByText('Cancel'));
    expect(view.queryByRole('dialog')).to.equal(null);
  });

  it('offers to bring back what nobody could pay without, and looks again', async () => {
    const without = 'nobody could pay';
    const lint = [
      { level: 'error', code: 'needs-part', pieceId: 'checkout', part: 'payment', devices: ['phone'], without },
    ] as const;
    const hide = (lane: Parameters<Parameters<typeof draftData>[0] & object>[0]) => {
      lane.pieces['quick-view']!.on = false;
      lane.pieces['checkout']!.parts.find(({ key }) => key === 'payment')!.hideOn = ['phone'];
    };
    const changed = draftData(hide, { lint });
    let sent: unknown = null;
    answer = (_url, init) => {
      if (init.method === 'PATCH') sent = JSON.parse(String(init.body));
      const mended = draftData((lane) => void (lane.pieces['quick-view']!.on = false), { edit: 5 });
      return Response.json(sent ? mended : changed);
    };
    const view = await showShell({ draft: changed });
    await studio.user.click(view.getByText('Publish …'));
    await view.findByText(/“Payment” is hidden on phones\. Without it nobody could pay\./);

    await studio.user.click(view.getByRole('button', { name: 'Show it again' }));

    await ready(view);
    expect(draft().lane.pieces['checkout']!.parts.find(({ key }) => key === 'payment')!.hideOn).to.deep.equal([]);
    expect(JSON.stringify(sent)).to.include('/pieces/checkout/parts/');
    expect(view.queryByText(/nobody could pay/)).to.equal(null);
  });

  it('says what the server refused, and stays as it was', async () => {
    const changed = draftData((lane) => void (lane.pieces['quick-view']!.on = false));
    answer = (url) =>
      url.endsWith('publish')
        ? Response.json({ problems: [{ message: 'Only the owner may.' }] }, { status: 403 })
        : Response.json(changed);
    const view = await showShell({ draft: changed });
    await studio.user.click(view.getByText('Publish …'));

    await studio.user.click(await ready(view));

    expect((await view.findByRole('alert')).textContent).to.equal('Only the owner may.');
    expect(view.getByTestId('draft-state').textContent).to.equal('1 change in draft');
  });

  it('finds every setting, part, word and look of every piece', async () => {
    const view = await showShell();
    await press({ key: '/' });
    const field = await view.findByLabelText('Find');
    const found = () => [...view.getByRole('dialog').querySelectorAll('a')];

    for (const definition of definitions.filter((one) => draft().lane.pieces[one.kind])) {
      const spec = Object.values(definition.settings)[0]!;
      await studio.user.clear(field);
      await studio.user.paste(`${spec.label} ${definition.name}`);
      expect(
        found().map((link) => link.getAttribute('href')),
        definition.name,
      ).to.include(
        `/studio/bench/${definition.kind}?task=${spec.task}${spec.part ? `&part=${spec.part}` : ''}&find=${encodeURIComponent(spec.label)}`,
      );
    }
    await studio.user.clear(field);
    await studio.user.paste('xyzzy');
    expect(found()).to.deep.equal([]);
    view.getByText(/Nothing is called that/);
  });

  it('has keys for what is done often, off while something is typed', async () => {
    const view = await showShell();
    await press({ key: '?' });
    await view.findByText(/^go to a stretch/);
    await studio.user.keyboard('{Escape}');
    expect(view.queryByRole('dialog')).to.equal(null);

    await studio.user.type(view.getByLabelText('Typing'), '?/b');
    expect(view.queryByRole('dialog')).to.equal(null);
    expect(await press({ key: 'q' })).to.equal(true);

    let opened: unknown[] = [];
    Object.assign(globalThis.window, { open: (...what: unknown[]) => void (opened = what) });
    expect(await press({ key: 'w' })).to.equal(false);
    expect(opened).to.deep.equal(['/shop/?draft=walk-me', '_blank']);

    await press({ key: 'Enter', ctrlKey: true });
    await view.findByText('Publish to the live shop');
    await studio.act(() => settled());
  });

  it('stays in use around a screen that has a fault, which can be tried once more', async () => {
    const { Shell } = studio.loaded;
    let isBroken = true;
    function Screen() {
      if (isBroken) throw new Error('a fault');
      return <p>All is well</p>;
    }
    const view = studio.show(
      <Shell data={shellData({ funnel: funnel(), before: funnel() })} room="/studio/orders">
        <Screen />
      </Shell>,
    );
    view.getByText('This screen has a fault');
    view.getByText('Publish …');
    expect(studio.complaints.splice(0).join()).to.include('a fault');

    isBroken = false;
    await studio.user.click(view.getByText('Try once more'));

    view.getByText('All is well');
  });

  it('undoes and redoes by key', async () => {
    await showShell({ draft: draftData() });
    await change((lane) => void (lane.pieces['quick-view']!.on = false));

    await press({ key: 'z', ctrlKey: true });
    expect(draft().lane.pieces['quick-view']!.on).to.equal(true);
    await press({ key: 'Z', metaKey: true, shiftKey: true });
    expect(draft().lane.pieces['quick-view']!.on).to.equal(false);
  });

  it('asks what stands when two windows changed one place', async () => {
    const theirs = draftData((lane) => void (lane.pieces['quick-view']!.settings['width'] = 700), { edit: 5 });
    answer = () => Response.json({ problems: [], draft: theirs }, { status: 409 });
    const view = await showShell({ draft: draftData() });
    await change((lane) => void (lane.pieces['quick-view']!.settings['width'] = 500));
    await studio.act(() => draft().flush());

    await view.findByText('This draft was changed in another window');
    view.getByText(/500 px instead of 700 px/);
    expect(view.getByTestId('draft-state').textContent).to.match(/not saved/);
    await studio.user.click(view.getByText('Take the other window’s'));

    expect(draft().lane.pieces['quick-view']!.settings['width']).to.equal(700);
    expect(view.queryByRole('dialog')).to.equal(null);
  });
});
