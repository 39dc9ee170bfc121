import { expect } from 'chai';
import { useState } from 'react';
import { newOption, renameChoice, renameOption, type Condition, type OptionRule } from '~/core/options';
import { sailYourOwnOptions } from '../../../demo/options';
import { draftData, shellData, withStudio } from '../../support/studio';

const rules = () => sailYourOwnOptions('WIND-1');
const byKey = (list: readonly OptionRule[], key: string) => list.find((rule) => rule.key === key)!;

describe('names of options', () => {
  it('change together with what asks about them', () => {
    const list = rules();
    renameOption(list, list.indexOf(byKey(list, 'printing')), 'print');
    renameChoice(list, list.indexOf(byKey(list, 'print')), 'own', 'own-artwork');

    expect(byKey(list, 'artwork').shownWhen).to.deep.equal({ op: 'equals', option: 'print', value: 'own-artwork' });
  });

  it('change within every condition, and in no other option’s', () => {
    const list: OptionRule[] = [
      { ...newOption('one', 'a', 'A') },
      { ...newOption('one', 'b', 'B') },
      {
        ...newOption('text', 'c', 'C'),
        shownWhen: {
          op: 'or',
          of: [
            { op: 'not', of: { op: 'oneOf', option: 'a', values: ['first', 'second'] } },
            { op: 'and', of: [{ op: 'equals', option: 'b', value: 'first' }] },
          ],
        },
      },
    ];

    renameChoice(list, 0, 'first', 'one');

    expect(list[2]!.shownWhen).to.deep.equal({
      op: 'or',
      of: [
        { op: 'not', of: { op: 'oneOf', option: 'a', values: ['one', 'second'] } },
        { op: 'and', of: [{ op: 'equals', option: 'b', value: 'first' }] },
      ],
    });
  });

  it('stay with the other where two options had one name', () => {
    const list: OptionRule[] = [
      newOption('text', 'a', 'A'),
      newOption('text', 'a', 'Also A'),
      { ...newOption('text', 'b', 'B'), shownWhen: { op: 'isSet', option: 'a' } },
    ];

    renameOption(list, 1, 'c');

    expect(list[2]!.shownWhen).to.deep.equal({ op: 'isSet', option: 'a' });
  });
});

describe('the condition editor', () => {
  const studio = withStudio(() => import('~/studio/options/condition-editor'));
  let condition: Condition | null;

  function show(start: Condition | null, others: readonly OptionRule[] = rules()) {
    const { ConditionEditor } = studio.loaded;
    function Held() {
      const [held, hold] = useState(start);
      condition = held;
      return <ConditionEditor condition={held} others={others} onChange={hold} />;
    }
    return studio.show(<Held />);
  }
  const words = (view: ReturnType<typeof show>) => view.getByTestId('condition-words').textContent;

  it('begins with nothing, and needs another option to ask about', async () => {
    let view = show(null, []);
    view.getByText(/Conditions need another option/);
    expect(view.queryByText('Add a condition')).to.equal(null);
    view.unmount();

    view = show(null);
    view.getByText('It is always asked.');
    await studio.user.click(view.getByText('Add a condition'));

    expect(condition).to.deep.equal({ op: 'and', of: [{ op: 'isSet', option: 'name' }] });
    expect(words(view)).to.equal('Only when Name on the sail is filled in.');
    await studio.user.click(view.getByText('Ask always'));
    expect(condition).to.equal(null);
  });

  it('offers what can be said of the option chosen', async () => {
    const view = show({ op: 'and', of: [{ op: 'isSet', option: 'name' }] });
    const offered = () => [...view.getByLabelText('What about it').children].map((option) => option.textContent);
    expect(offered()).to.deep.equal(['is answered']);

    await studio.user.selectOptions(view.getByLabelText('Which option'), 'Tail length');
    expect(offered()).to.deep.equal(['is answered', 'is more than']);
    await studio.user.selectOptions(view.getByLabelText('What about it'), 'is more than');
    await studio.user.clear(view.getByLabelText('Than'));
    await studio.user.type(view.getByLabelText('Than'), '2.5');
    expect(words(view)).to.equal('Only when Tail length is more than 2.5.');

    await studio.user.selectOptions(view.getByLabelText('Which option'), 'Printing');
    expect(offered()).to.deep.equal(['is', 'is one of', 'is answered']);
    await studio.user.selectOptions(view.getByLabelText('Which value'), 'Own artwork');
    expect(condition).to.deep.equal({ op: 'and', of: [{ op: 'equals', option: 'printing', value: 'own' }] });

    await studio.user.selectOptions(view.getByLabelText('What about it'), 'is one of');
    await studio.user.click(view.getByLabelText('Own artwork'));
    await studio.user.click(view.getByLabelText('None'));
    expect(words(view)).to.equal('Only when Printing is Own artwork.');
    await studio.user.click(view.getByLabelText('Own artwork'));
    expect(words(view), 'one value stays').to.equal('Only when Printing is Own artwork.');
  });

  it('joins, denies and gathers statements', async () => {
    const view = show({ op: 'isSet', option: 'name' });
    await studio.user.click(view.getByText('Another condition'));
    await studio.user.selectOptions(view.getByLabelText('How many must hold'), 'At least one of these holds');
    await studio.user.selectOptions(view.getAllByLabelText('Holds or not')[0]!, 'If not');
    expect(condition).to.deep.equal({
      op: 'or',
      of: [
        { op: 'not', of: { op: 'isSet', option: 'name' } },
        { op: 'isSet', option: 'name' },
      ],
    });

    await studio.user.click(view.getByText('A group'));
    expect(condition).to.have.nested.property('of[2].of.length', 2);
    expect(words(view)).to.match(/ or \(Name on the sail is filled in or /);
    const out = () => view.getAllByLabelText('Take this condition out');
    await studio.user.click(out()[2]!);
    expect(condition).to.have.nested.property('of[2].of.length', 1);
    await studio.user.click(out().at(-1)!);
    expect(condition).to.have.nested.property('of.length', 2);
    await studio.user.click(out()[0]!);
    await studio.user.click(out()[0]!);
    expect(condition).to.equal(null);
  });

  it('shows what asks about an option that is gone', () => {
    const view = show({ op: 'isSet', option: 'lost' });

    expect(view.getByLabelText('Which option')).to.have.property('value', 'lost');
    view.getByText('lost (gone)');
  });
});

describe('options as the owner sets them up', () => {
  const studio = withStudio(() => import('~/studio/options/options-screen'));
  let stored: OptionRule[];

  function show(start: OptionRule[] = rules()) {
    const { OptionsScreen } = studio.loaded;
    stored = start;
    studio.server.answers((url, init) => {
      if (!url.endsWith('/options')) return Response.json(draftData());
      stored = (JSON.parse(String(init.body)) as { rules: OptionRule[] }).rules;
      return Response.json({ rules: stored, asked: [] });
    });
    return studio.show(
      <OptionsScreen
        shell={shellData({ funnel: FLAT, before: FLAT })}
        product={{ slug: 'sail-your-own', name: 'Sail your own', priceMinor: 10_000 }}
        rules={start}
        asked={[]}
      />,
    );
  }
  const open = (view: ReturnType<typeof show>, label: string) =>
    studio.user.click(view.getAllByText(label).find((element) => element.closest('li'))!);
  const save = (view: ReturnType<typeof show>) => view.getByText('Save options') as HTMLButtonElement;
  const total = (view: ReturnType<typeof show>) => view.getByTestId('try-total').textContent;
  async function retype(field: HTMLElement, text: string) {
    await studio.user.clear(field);
    await studio.user.type(field, text);
  }

  it('are asked of the shop’s own rules beside, what is hidden and what it costs', async () => {
    const view = show();
    const { within } = await import('@testing-library/react');
    const tried = within(view.getByTestId('try-it'));
    expect(total(view)).to.match(/100\.00/);
    tried.getByText(/^Not asked now: Lettering colour, /);

    await studio.user.type(tried.getByLabelText('Name on the sail'), 'Ada');
    await studio.user.selectOptions(tried.getByLabelText('Lettering colour *'), 'Copper');
    await studio.user.selectOptions(tried.getByLabelText('Printing *'), 'Own artwork');
    await retype(tried.getByLabelText('Quantity'), '2');

    // Twice 100 + 9 + 2.50, and 25 once.
    expect(total(view)).to.match(/248\.00/);
    tried.getByText(/Still open: .*Your artwork/);
    await studio.user.click(tried.getByLabelText('Your artwork: as if a file had been sent'));
    await studio.user.selectOptions(tried.getByLabelText('Tail *'), 'No tail');
    tried.getByText('It could be added to the cart like this.');
  });

  it('are put in order, taken out and saved', async () => {
    const view = show();
    expect(save(view).disabled).to.equal(true);
    await studio.user.click(view.getByLabelText('Ask Name on the sail later'));
    await studio.user.click(view.getByLabelText('Take Not to arrive before out'));
    view.getByText('not saved yet');

    await studio.user.click(save(view));
    await studio.act(async () => undefined);

    expect(stored.map((rule) => rule.key).slice(0, 2)).to.deep.equal(['lettering', 'name']);
    expect(stored.map((rule) => rule.key)).not.to.include('not-before');
    expect(save(view).disabled).to.equal(true);
    expect(studio.server.asked.at(-1)).to.have.property('url', '/api/studio/products/sail-your-own/options');
  });

  it('come new of every kind, under names of their own', async () => {
    const view = show([]);
    view.getByText(/Nothing is asked yet/);

    for (const name of [
      'A text',
      'A text',
      'Single choice',
      'Multiple choice',
      'A colour',
      'A number',
      'A day',
      'A file',
    ])
      await studio.user.click(view.getByRole('button', { name }));

    expect(view.queryByRole('alert')).to.equal(null);
    await studio.user.click(save(view));
    expect(stored.map((rule) => [rule.kind, rule.key])).to.deep.equal([
      ['text', 'text'],
      ['text', 'text-2'],
      ['one', 'choice'],
      ['many', 'extras'],
      ['swatch', 'colour'],
      ['number', 'number'],
      ['date', 'day'],
      ['file', 'file'],
    ]);
  });

  it('say what does not make sense, and are not saved then', async () => {
    const view = show();
    await retype(view.getByLabelText('At most'), '3');
    await retype(view.getByLabelText('At least (characters)'), '5');

    expect(view.getByRole('alert').textContent).to.match(/Name on the sail/);
    expect(save(view).disabled).to.equal(true);
    view.getByText('Once the options make sense together, they can be tried here.');
  });

  it('say what the server refuses', async () => {
    const view = show();
    studio.server.answers(() =>
      Response.json({ problems: [{ message: 'The SKU WIND-1 is not known.' }] }, { status: 422 }),
    );
    await studio.user.click(view.getByLabelText('Must be answered, when it is asked'));

    await studio.user.click(save(view));

    expect((await view.findByRole('alert')).textContent).to.equal('The SKU WIND-1 is not known.');
    view.getByText('not saved yet');
  });

  it('keep what asks about one when its short name changes, also one with a hyphen', async () => {
    const view = show();
    await open(view, 'Printing');

    await retype(view.getByLabelText(/^Short name/), 'Print on-sail{Enter}');
    await studio.user.click(save(view));

    expect(byKey(stored, 'print-on-sail').label).to.equal('Printing');
    expect(byKey(stored, 'artwork').shownWhen).to.have.property('option', 'print-on-sail');
    expect(view.queryByRole('alert')).to.equal(null);
  });

  it('keep the short name of a choice that is in the shop, and give a new one that of its name', async () => {
    const view = show();
    await open(view, 'Printing');
    await retype(view.getByLabelText('Name of choice 3'), 'Your own artwork');
    await studio.user.click(view.getByText('Another choice'));
    await retype(view.getByLabelText('Name of choice 4'), 'Gold leaf');
    await studio.user.click(view.getByLabelText('Take None out'));
    await studio.user.click(view.getByText('Another choice'));

    await studio.user.click(save(view));

    expect(
      (byKey(stored, 'printing') as { choices: { value: string; label: string }[] }).choices.map(({ value, label }) => [
        value,
        label,
      ]),
    ).to.deep.equal([
      ['one-colour', 'One colour'],
      ['own', 'Your own artwork'],
      ['gold-leaf', 'Gold leaf'],
      ['choice-4', 'Choice 4'],
    ]);
  });

  it('cost what is typed, with a comma as well, and never an unreadable sum', async () => {
    const view = show([newOption('text', 'name', 'Name')]);
    const adds = view.getByLabelText('Adds (EUR)') as HTMLInputElement;

    await retype(adds, '4,5');
    await retype(view.getByLabelText('Extra weight (g)'), '12');
    await studio.user.selectOptions(view.getByLabelText('For'), 'once per item line');
    await retype(adds, '4,5x');
    await studio.user.tab();
    expect(adds.value).to.equal('4.50');
    await studio.user.click(save(view));

    expect(stored[0]).to.have.deep.property('effect', { amountMinor: 450, per: 'once', weightGrams: 12 });
  });

  it('of files say what may be sent and how much', async () => {
    const view = show([newOption('file', 'file', 'File')]);
    await studio.user.click(view.getByLabelText('PDF'));
    await studio.user.click(view.getByLabelText(/^Pictures/));
    await retype(view.getByLabelText('At most (kB)'), '200');

    await studio.user.click(save(view));

    expect(stored[0]).to.deep.include({ forms: ['pdf'], mostBytes: 200 * 1024 });
  });
});

const FLAT = {
  sessions: 0,
  orders: 0,
  revenueMinor: 0,
  foreignOrders: 0,
  stretches: ['browse', 'look', 'add', 'cart', 'pay', 'after'].map((stretch) => ({
    stretch: stretch as 'browse',
    sessions: 0,
    share: 0,
    left: 0,
    goOn: null,
  })),
};
