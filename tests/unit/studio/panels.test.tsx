import { CALLED_CART } from '~/core/words';
import { expect } from 'chai';
import { produce } from 'immer';
import { useState } from 'react';
import type { LookState, Piece, Task } from '~/core/lane';
import { definitionOf } from '~/pieces/definitions';
import type { PanelProps } from '~/studio/bench/panel';
import type { Measured } from '~/studio/preview/preview';
import { liveDemoLane } from '../../../demo/lane';
import { withStudio } from '../../support/studio';

const NO_LAYOUTS = { layouts: [], onLayouts: () => undefined };

describe('a panel of the bench', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/bench/where-panel')),
    ...(await import('~/studio/bench/parts-panel')),
    ...(await import('~/studio/bench/words-panel')),
    ...(await import('~/studio/bench/look-panel')),
    ...(await import('~/studio/bench/outline')),
    ...(await import('~/studio/bench/situations')),
  }));
  let piece: Piece;
  let keys: (string | undefined)[];
  beforeEach(() => (keys = []));

  /** The panel over a piece of the demo that it can change. */
  function showPanel(id: string, part: string | null, panel: (props: PanelProps) => React.ReactNode) {
    function Held() {
      const [held, hold] = useState(liveDemoLane().pieces[id]!);
      piece = held;
      const edit: PanelProps['edit'] = (recipe, key) => {
        keys.push(key);
        hold((before) => produce(before, recipe));
      };
      return panel({ piece: held, definition: definitionOf(held.kind)!, part, edit });
    }
    return studio.show(<Held />);
  }
  const settle = () => studio.act(() => new Promise((resolve) => setTimeout(resolve, 200)));

  describe('for where', () => {
    const categories = [
      { slug: 'power', name: 'Power kites' },
      { slug: 'delta', name: 'Deltas' },
    ];
    async function showWhere(id = 'quick-view') {
      const { WherePanel } = studio.loaded;
      studio.server.answers((url) =>
        Response.json(url.includes('q=her') ? [{ slug: 'heron', name: 'Heron' }] : [{ slug: 'wren', name: 'Wren' }]),
      );
      const view = showPanel(id, null, (props) => (
        <WherePanel {...props} pieceId={id} categories={categories} tags={['first kite']} />
      ));
      await settle();
      return view;
    }
    const whoSees = (view: Awaited<ReturnType<typeof showWhere>>) => view.getByTestId('who-sees').textContent;

    it('answers in words who sees the piece', async () => {
      const view = await showWhere();
      expect(whoSees(view)).to.match(/^Seen on phones, tablets, and desktops, on /);

      await studio.user.click(view.getByLabelText('Phones'));
      expect(piece.where.devices).to.deep.equal(['tablet', 'desktop']);
      expect(whoSees(view)).to.match(/^Seen on tablets and desktops, on /);
      await studio.user.click(view.getByLabelText('Tablets'));
      await studio.user.click(view.getByLabelText('Desktops'));

      expect(whoSees(view)).to.match(/^Quick view is on, but nobody would see it/);
    });

    it('knows no pages but those of the piece, and no reader where all are gone', async () => {
      const view = await showWhere();
      expect(view.queryByLabelText('Checkout')).to.equal(null);
      for (const page of ['Front page', 'Listings', 'Product pages', 'Cart', 'Other pages']) {
        const tick = view.getByLabelText(page) as HTMLInputElement;
        if (tick.checked) await studio.user.click(tick);
      }

      expect(piece.where.pages).to.deep.equal([]);
      expect(whoSees(view)).to.match(/^Quick view is on, but nobody would see it/);
    });

    it('limits a piece to categories, chosen by name', async () => {
      const view = await showWhere();
      const [only] = view.getAllByLabelText('Only');

      await studio.user.click(only!);
      await settle();
      await studio.user.type(view.getByLabelText(/^Find listings/), 'DEL');
      await settle();
      await studio.user.click(view.getByText('Category “Deltas”'));

      expect(piece.where.categories).to.deep.equal({ mode: 'only', slugs: ['delta'] });
      expect(view.queryByText('Category “Power kites”')).to.equal(null);
      await studio.user.click(view.getByLabelText('Take out Category “Deltas”'));
      expect(piece.where.categories).to.deep.equal({ mode: 'only', slugs: [] });
      await studio.user.click(view.getAllByLabelText('All')[0]!);
      expect(piece.where.categories).to.deep.equal({ mode: 'all' });
    });

    it('tells the shop page, tags, searches and pages apart', async () => {
      const view = await showWhere();
      await studio.user.click(view.getAllByLabelText('All but')[0]!);
      await settle();
      view.getByText('Shop page with all products');
      await studio.user.click(view.getByText('Search results'));
      await studio.user.type(view.getByLabelText(/^Find listings/), 'first k');
      await settle();
      await studio.user.click(view.getByText('Tag “first kite”'));

      expect(piece.where.categories).to.deep.equal({ mode: 'except', slugs: ['list:search', 'tag:first\u00a0kite'] });
      expect(whoSees(view)).to.contain('but not for Search results and Tag “first kite”');
    });

    it('leaves products out, found by the server', async () => {
      const view = await showWhere();

      await studio.user.click(view.getAllByLabelText('All but')[1]!);
      await settle();
      view.getByText('Wren');
      await studio.user.type(view.getByLabelText('Find products'), 'her');
      await settle();
      await studio.user.click(view.getByText('Heron'));

      expect(piece.where.products).to.deep.equal({ mode: 'except', slugs: ['heron'] });
      expect(view.queryByText('Wren')).to.equal(null);
      expect(studio.server.asked.at(-1)!.url).to.equal('/api/studio/products?q=her');
    });

    it('says what the shop always has, and offers nothing to turn off there', async () => {
      const view = await showWhere('checkout');

      view.getByText(/The shop always has it, on checkout/);
      expect(view.queryByText('Devices')).to.equal(null);
    });

    it('says of what the limits are meant, where it is what was added', async () => {
      const view = await showWhere('added-popup');

      view.getByText('Categories of what was added');
    });
  });

  describe('for parts', () => {
    let task: Task | null;
    function showParts(id: string, part: string | null) {
      task = null;
      const { PartsPanel } = studio.loaded;
      return showPanel(id, part, (props) => <PartsPanel {...props} {...NO_LAYOUTS} onTask={(next) => (task = next)} />);
    }
    const state = (key: string) => piece.parts.find((part) => part.key === key)!;

    it('hides one, and hides it on some devices only', async () => {
      const view = showParts('quick-view', 'name');
      await studio.user.click(view.getByLabelText('Phones'));
      expect(state('name').hideOn).to.deep.equal(['phone']);
      await studio.user.click(view.getByLabelText('Desktops'));
      await studio.user.click(view.getByLabelText('Phones'));
      expect(state('name').hideOn).to.deep.equal(['desktop']);

      await studio.user.click(view.getByLabelText('Shown'));

      expect(state('name').on).to.equal(false);
      expect((view.getByLabelText('Phones') as HTMLInputElement).closest('fieldset')!.disabled).to.equal(true);
    });

    it('puts one back with all that belongs to it, and nothing else', async () => {
      const view = showParts('slide-out-cart', 'heading');
      const before = piece;
      await studio.user.click(view.getByLabelText('Tablets'));
      expect(piece).not.to.deep.equal(before);

      await studio.user.click(view.getByText('Reset this part'));

      expect(piece).to.deep.equal(before);
    });

    it('leads to words and look of one', async () => {
      const view = showParts('quick-view', 'buy');

      await studio.user.click(view.getByText(/^Its words/));
      expect(task).to.equal('words');
      await studio.user.click(view.getByText('Its look'));
      expect(task).to.equal('look');
    });

    it('begins from a layout, and keeps words, look and where', async () => {
      const view = showParts('slide-out-cart', null);
      const { where } = piece;
      const [key, layout] = Object.entries(definitionOf(piece.kind)!.layouts!).at(-1)!;

      await studio.user.click(view.getByTitle(layout.help));

      expect(
        piece.parts.filter((part) => part.on).map((part) => part.key),
        key,
      ).to.deep.equal(layout.parts);
      expect(piece.settings).to.include(layout.settings);
      expect(piece.where).to.deep.equal(where);
    });

    it('starts all over where it is told to, but stays on where it was', async () => {
      const view = showParts('quick-view', null);
      const definition = definitionOf('quick-view')!;
      await studio.user.click(view.getByText('Reset all of it'));

      for (const [key, spec] of Object.entries(definition.settings)) expect(piece.settings[key]).to.equal(spec.default);
      expect(piece.words).to.deep.equal({});
      expect(piece.on).to.equal(liveDemoLane().pieces['quick-view']!.on);
    });

    it('says what does not fit, where a size is too small for it', async () => {
      const definition = definitionOf('added-popup')!;
      const size = Object.entries(definition.settings).find(
        ([key, spec]) =>
          spec.type === 'choice' &&
          Object.keys(spec.options).some(
            (option) => (definition.notes?.({ ...defaults(definition), [key]: option }) ?? []).length > 0,
          ),
      )!;
      const noted = Object.keys((size[1] as { options: object }).options).find(
        (option) => definition.notes!({ ...defaults(definition), [size[0]]: option }).length > 0,
      )!;
      const [note] = definition.notes!({ ...defaults(definition), [size[0]]: noted });
      const { PartsPanel } = studio.loaded;

      const view = showPanel('added-popup', note!.part, (props) => (
        <PartsPanel
          {...props}
          piece={{ ...props.piece, settings: { ...defaults(definition), [size[0]]: noted } }}
          {...NO_LAYOUTS}
          onTask={() => undefined}
        />
      ));

      expect(view.getByTestId('note').textContent).to.equal(note!.text);
    });
  });

  describe('for words', () => {
    it('shows each in the language chosen, with a way back to ours', async () => {
      const { WordsPanel } = studio.loaded;
      function Languages(props: PanelProps) {
        const [language, setLanguage] = useState('en');
        return (
          <WordsPanel
            {...props}
            cart={CALLED_CART}
            languages={['en', 'de', 'ar']}
            language={language}
            onLanguage={setLanguage}
            editWord={(word, text) => props.edit((draft) => void ((draft.words[language] ??= {})[word] = text))}
          />
        );
      }
      const view = showPanel('quick-view', null, (props) => <Languages {...props} />);
      const spec = definitionOf('quick-view')!.words['open']!;
      const field = () => view.getByLabelText(spec.label) as HTMLInputElement;
      expect(field().value).to.equal('Quick look');

      await studio.user.click(view.getByLabelText('Arabic'));
      expect(field().dir).to.equal('rtl');
      await studio.user.click(view.getByLabelText('German'));
      await studio.user.clear(field());
      await studio.user.type(field(), 'Näher');
      expect(piece.words['de']).to.deep.equal({ open: 'Näher' });
      expect(piece.words['en']?.['open']).to.equal(undefined);

      await studio.user.click(view.getByText('back to default'));
      expect(field().value).to.equal(spec.default['de']);
    });

    it('are those of the part that is chosen', () => {
      const { WordsPanel } = studio.loaded;
      const view = showPanel('quick-view', 'buy', (props) => (
        <WordsPanel
          {...props}
          cart={CALLED_CART}
          languages={['en', 'de', 'ar']}
          language="en"
          onLanguage={() => undefined}
          editWord={() => undefined}
        />
      ));

      const own = Object.values(definitionOf('quick-view')!.words).filter((word) => word.part === 'buy');
      expect(view.getAllByRole('textbox')).to.have.length(own.length);
      view.getByText(/^Words of /);
    });
  });

  describe('for looks', () => {
    function showLook(part: string | null, measured: Measured | null = null) {
      const { LookPanel } = studio.loaded;
      function Forced(props: PanelProps) {
        const [force, setForce] = useState<LookState>('rest');
        return (
          <LookPanel {...props} theme={liveDemoLane().theme} force={force} measured={measured} onForce={setForce} />
        );
      }
      return showPanel('quick-view', part, (props) => <Forced {...props} />);
    }
    const slot = () => piece.look.slots['add'];

    it('sets a colour of its own or the theme’s, for the state that is shown', async () => {
      const view = showLook('buy');
      const label = `${definitionOf('quick-view')!.looks['add']!.label}: Background`;
      await studio.user.selectOptions(view.getByLabelText(`${label}, from the theme`), 'token:ink');
      expect(slot()).to.deep.equal({ rest: { background: 'token:ink' } });

      await studio.user.click(view.getByLabelText('Hover'));
      await studio.user.selectOptions(view.getByLabelText(`${label}, from the theme`), 'own');

      expect(slot()!.hover!.background).to.match(/^#[0-9a-f]{6}$/);
      expect(keys.at(-1)).to.equal('look add hover background');
      await studio.user.click(view.getByText('back to default'));
      expect(slot()).to.deep.equal({ rest: { background: 'token:ink' }, hover: {} });
    });

    it('shows what comes of what is not set, as it stands in the preview', async () => {
      const look = { text: '#112233', ground: '#f0f0f0', background: '#f0f0f0', border: '#445566' };
      const view = showLook('link', {
        state: 'rest' as const,
        slots: { quiet: { ...look, borderWidth: 3, radius: 17, size: 15 } },
      });
      const label = definitionOf('quick-view')!.looks['quiet']!.label;
      const value = (name: string) => (view.getByLabelText(`${label}: ${name}`) as HTMLInputElement).value;

      expect([value('Border'), value('Background')]).to.deep.equal(['#445566', '#f0f0f0']);
      view.getByText('As usual: #445566');
      expect(view.getAllByDisplayValue('17').length).to.be.greaterThan(0);
      expect(view.getByTestId('contrast').textContent).to.match(/^Contrast 14\.\d : 1/);
      // Of another state nothing was measured: what the rules say is shown.
      await studio.user.click(view.getByLabelText('Hover'));
      expect(value('Border')).to.not.equal('#445566');
    });

    it('says when text is too faint, and mends it', async () => {
      const view = showLook('buy');
      const label = definitionOf('quick-view')!.looks['add']!.label;
      expect(view.getByTestId('contrast').textContent).to.match(/easy enough to read/);
      await studio.user.selectOptions(view.getByLabelText(`${label}: Text, from the theme`), 'token:accent');
      expect(view.getByTestId('contrast').textContent).to.match(/^Contrast 1\.0 : 1, too faint; 4\.5 : 1 is needed/);

      await studio.user.click(view.getByText(/^Use #/));

      expect(view.getByTestId('contrast').textContent).to.match(/^Contrast (4\.[5-9]|[5-9]\.\d|\d\d\.\d) : 1, easy/);
      expect(slot()!.rest!.text).to.match(/^#[0-9a-f]{6}$/);
    });

    it('keeps own rules when the field is left', async () => {
      const view = showLook(null);
      const field = view.getByLabelText('Own style rules');
      await studio.user.click(field);
      await studio.user.paste('[data-slot=add]{color:red}');
      expect(piece.look.css).to.equal('');

      await studio.user.tab();

      expect(piece.look.css).to.equal('[data-slot=add]{color:red}');
    });
  });

  it('is there for every part of every piece, and for the whole of it', async () => {
    const { WherePanel, PartsPanel, WordsPanel, LookPanel } = studio.loaded;
    const lane = liveDemoLane();
    const { useDraft } = await import('~/studio/data/draft-store');
    useDraft.setState({ lane });
    const none = () => undefined;
    for (const [id, { kind, parts }] of Object.entries(lane.pieces))
      for (const part of [null, ...parts.map(({ key }) => key)]) {
        const view = showPanel(id, part, (props) => (
          <>
            <WherePanel {...props} pieceId={id} categories={[]} tags={[]} />
            <PartsPanel {...props} {...NO_LAYOUTS} onTask={none} />
            <WordsPanel
              {...props}
              cart={CALLED_CART}
              languages={['en', 'de', 'ar']}
              language="de"
              onLanguage={none}
              editWord={none}
            />
            <LookPanel {...props} theme={lane.theme} force="rest" onForce={none} measured={null} />
          </>
        ));
        expect(view.container.querySelectorAll('[role=radiogroup]').length, `${kind} ${part}`).to.be.at.least(2);
        view.unmount();
      }
  });

  it('for the order of parts names each, and shows what is hidden where', async () => {
    const { Outline } = studio.loaded;
    const chosen: (string | null)[] = [];
    const view = showPanel('quick-view', 'name', (props) => (
      <Outline {...props} onSelect={(key) => chosen.push(key)} />
    ));
    const row = view.getByTestId('part-name');
    const { label } = definitionOf('quick-view')!.parts['name']!;
    expect(row.querySelector('[aria-pressed]')!.getAttribute('aria-pressed')).to.equal('true');

    await studio.user.click(view.getByText(/^The whole quick view/));
    await studio.user.click(view.getByLabelText(`Hide ${label}`));

    expect(chosen).to.deep.equal([null]);
    expect(piece.parts.find((part) => part.key === 'name')!.on).to.equal(false);
    view.getByLabelText(`Show ${label}`);
  });

  it('for situations offers each, and says which is on', async () => {
    const { Situations } = studio.loaded;
    const { situationsOf } = await import('~/pieces/definitions');
    const situations = situationsOf('quick-view');
    let put: string | null = null;
    const view = studio.show(
      <Situations situations={situations} current={situations[0]!} stones={null} onPut={(next) => (put = next.key)} />,
    );

    view.getByText(`${situations.length} situations`);
    await studio.user.click(view.getByText(situations[1]!.label));

    expect(put).to.equal(situations[1]!.key);
    expect(view.getAllByRole('button', { pressed: true })).to.have.length(1);
  });
});

function defaults(definition: NonNullable<ReturnType<typeof definitionOf>>) {
  return Object.fromEntries(Object.entries(definition.settings).map(([key, spec]) => [key, spec.default]));
}
