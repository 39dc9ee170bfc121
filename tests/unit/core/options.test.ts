import { expect } from 'chai';
import fc from 'fast-check';
import {
  answerTexts,
  checkOptionRules,
  describeCondition,
  evaluateOptions,
  findCycle,
  newOption,
  optionsAskedBy,
  readAnswers,
  sameAnswers,
  type Answers,
  type Condition,
  type Effect,
  type OptionRule,
  type ProductOption,
} from '~/core/options';
import { optionRulesSchema } from '~/core/options/option.schema';

const TODAY = '2026-11-25';
const effect = (amountMinor: number, per: Effect['per'] = 'unit', weightGrams = 0): Effect => ({
  amountMinor,
  per,
  weightGrams,
});
const choice = (value: string, made = effect(0)) => ({
  value,
  label: value[0]!.toUpperCase() + value.slice(1),
  effect: made,
});

/** A kite to order: a name, its colour only with a name, printing, and the artwork only for one's own. */
const NAME: ProductOption = { ...newOption('text', 'name', 'Name'), most: 18, effect: effect(900) } as ProductOption;
const LETTERING = {
  ...newOption('swatch', 'lettering', 'Lettering'),
  required: true,
  shownWhen: { op: 'isSet', option: 'name' },
} as ProductOption;
const PRINTING = {
  ...newOption('one', 'printing', 'Printing'),
  choices: [choice('none'), choice('one-colour', effect(1500)), choice('own', effect(2500, 'once', 20))],
} as ProductOption;
const ARTWORK = {
  ...newOption('file', 'artwork', 'Artwork'),
  required: true,
  shownWhen: { op: 'equals', option: 'printing', value: 'own' },
} as ProductOption;
const TAIL = {
  ...newOption('number', 'tail', 'Tail'),
  min: 0,
  max: 6,
  step: 0.5,
  unit: 'm',
  times: 'number',
  effect: effect(350, 'unit', 30),
} as ProductOption;
const KITE = [NAME, LETTERING, PRINTING, ARTWORK, TAIL];

const evaluate = (answers: Answers, options = KITE) => evaluateOptions(options, answers, TODAY);

describe('evaluateOptions', () => {
  it('asks only for what the other answers call for', () => {
    expect(evaluate({}).shown).to.deep.equal(['name', 'printing', 'tail']);
    expect(evaluate({ name: 'Ada' }).shown).to.deep.equal(['name', 'lettering', 'printing', 'tail']);
    expect(evaluate({ printing: 'own' }).shown).to.deep.equal(['name', 'printing', 'artwork', 'tail']);
  });

  it('drops a hidden answer and does not charge it, however far down the chain', () => {
    const deep = {
      ...newOption('one', 'gloss', 'Gloss'),
      shownWhen: { op: 'isSet', option: 'lettering' },
    } as ProductOption;
    const gloss = { ...deep, choices: [choice('matt', effect(400))] } as ProductOption;

    const open = evaluate({ name: 'Ada', lettering: 'first', gloss: 'matt' }, [...KITE, gloss]);
    const shut = evaluate({ lettering: 'first', gloss: 'matt' }, [...KITE, gloss]);

    expect(open.effects.map((item) => item.amountMinor)).to.deep.equal([900, 400]);
    expect(shut.answers).to.deep.equal({});
    expect(shut.effects).to.deep.equal([]);
  });

  it('charges for each unit or once, and multiplies by a number where it says so', () => {
    const found = evaluate({ printing: 'own', artwork: 'upload-12345', tail: '2.5' });

    expect(found.effects).to.deep.equal([
      { key: 'printing', label: 'Printing: Own', per: 'once', amountMinor: 2500 },
      { key: 'tail', label: 'Tail', per: 'unit', amountMinor: 875 }, // 2.5 × 3.50
    ]);
    expect(found.weight).to.deep.equal({ unitGrams: 75, onceGrams: 20 });
  });

  it('needs what is required only where it is asked for', () => {
    expect(evaluate({ name: 'Ada' }).problems.map((problem) => [problem.path, problem.code])).to.deep.equal([
      ['lettering', 'option-missing'],
    ]);
    expect(evaluate({}).problems).to.deep.equal([]);
  });

  const wrong: [string, ProductOption, string | string[], string][] = [
    ['a text too long', NAME, 'x'.repeat(19), 'option-too-long'],
    ['a text too short', { ...NAME, least: 3 } as ProductOption, 'ab', 'option-too-short'],
    ['a value nobody offers', PRINTING, 'gold', 'option-not-offered'],
    ['words for a number', TAIL, 'long', 'option-number'],
    ['a number out of range', TAIL, '7', 'option-range'],
    ['a number between steps', TAIL, '1.3', 'option-step'],
    ['a day that is not', newOption('date', 'day', 'Day') as ProductOption, '2026-02-30', 'option-date'],
    ['a day too soon', newOption('date', 'day', 'Day') as ProductOption, TODAY, 'option-date-range'],
    [
      'too many of many',
      { ...newOption('many', 'extras', 'Extras'), most: 1 } as ProductOption,
      ['first', 'second'],
      'option-too-many',
    ],
    [
      'too few of many',
      { ...newOption('many', 'extras', 'Extras'), least: 2 } as ProductOption,
      ['first'],
      'option-too-few',
    ],
    ['an upload that is none', ARTWORK, '../x', 'option-upload-gone'],
  ];
  for (const [what, option, answer, code] of wrong) {
    it(`refuses ${what}, and lets it count for nothing`, () => {
      const found = evaluateOptions([{ ...option, shownWhen: null } as ProductOption], { [option.key]: answer }, TODAY);

      expect(found.problems.map((problem) => problem.code)).to.deep.equal([code]);
      expect(found.answers).to.deep.equal({});
      expect(found.effects).to.deep.equal([]);
    });
  }

  it('takes an emoji as one character', () => {
    expect(evaluate({ name: '🪁'.repeat(18) }).answers['name']).to.equal('🪁'.repeat(18));
  });

  it('sells an add-on at its price of now, and leaves out one whose product is gone', () => {
    const product = { variantId: 7, name: 'Hoop Winder', priceMinor: 1290, weightGrams: 90, stock: 4, isParcel: true };
    const addOn = { ...newOption('addOn', 'winder', 'Winder'), sku: 'W', product } as ProductOption;

    const found = evaluate({ winder: 'yes' }, [addOn]);
    const gone = evaluate({ winder: 'yes' }, [{ ...addOn, product: null } as ProductOption]);

    expect(found.addOns).to.deep.equal([7]);
    expect(found.effects).to.deep.equal([{ key: 'winder', label: 'Hoop Winder', per: 'unit', amountMinor: 1290 }]);
    expect(gone.shown).to.deep.equal([]);
    expect(gone.addOns).to.deep.equal([]);
  });
});

/** Random option sets without circles: each may ask only about those before it. */
const acyclic = fc.integer({ min: 1, max: 8 }).chain((count) => {
  const conditionAbout = (keys: string[]): fc.Arbitrary<Condition | null> => {
    if (keys.length === 0) return fc.constant(null);
    const key = fc.constantFrom(...keys);
    const leaf: fc.Arbitrary<Condition> = fc.oneof(
      fc.record({ op: fc.constant('isSet' as const), option: key }),
      fc.record({ op: fc.constant('equals' as const), option: key, value: fc.constantFrom('first', 'second') }),
      fc.record({ op: fc.constant('greater' as const), option: key, than: fc.integer({ min: 0, max: 9 }) }),
    );
    const tree: fc.Arbitrary<Condition> = fc.oneof(
      leaf,
      fc.record({
        op: fc.constantFrom('and' as const, 'or' as const),
        of: fc.array(leaf, { minLength: 1, maxLength: 3 }),
      }),
      leaf.map((of) => ({ op: 'not' as const, of })),
    );
    return fc.option(tree);
  };
  return fc.tuple(
    ...Array.from({ length: count }, (_, i) =>
      fc
        .tuple(
          fc.constantFrom('text' as const, 'one' as const, 'number' as const, 'many' as const),
          conditionAbout(Array.from({ length: i }, (_unused, j) => `o${j}`)),
          fc.integer({ min: -500, max: 5000 }),
        )
        .map(([kind, shownWhen, amount]): ProductOption => {
          const made = { ...newOption(kind, `o${i}`, `Option ${i}`), shownWhen };
          if ('effect' in made) made.effect = effect(amount);
          if ('choices' in made) for (const item of made.choices) item.effect = effect(amount, 'once');
          return made as ProductOption;
        }),
    ),
  );
});
const someAnswers = fc.dictionary(
  fc.constantFrom('o0', 'o1', 'o2', 'o3', 'o4', 'o5', 'o6', 'o7'),
  fc.constantFrom('first', 'second', '3', '8', '', 'x'),
);

describe('properties of options', () => {
  it('never charge or keep an answer that is hidden', () => {
    fc.assert(
      fc.property(acyclic, someAnswers, (options, answers) => {
        const found = evaluateOptions(options, answers, TODAY);
        const visible = new Set(found.shown);
        return (
          found.effects.every((item) => visible.has(item.key)) &&
          Object.keys(found.answers).every((key) => visible.has(key))
        );
      }),
    );
  });

  it('give the same whatever order the options stand in', () => {
    fc.assert(
      fc.property(
        acyclic.chain((options) =>
          fc.tuple(fc.constant(options), fc.shuffledSubarray(options, { minLength: options.length })),
        ),
        someAnswers,
        ([options, shuffled], answers) => {
          const [a, b] = [options, shuffled].map((list) => evaluateOptions(list, answers, TODAY));
          const sum = (found: typeof a) => found!.effects.reduce((total, item) => total + item.amountMinor, 0);
          expect([...b!.shown].sort()).to.deep.equal([...a!.shown].sort());
          expect(b!.answers).to.deep.equal(a!.answers);
          expect(sum(b)).to.equal(sum(a));
        },
      ),
    );
  });

  it('settle: what counts, given again, counts the same', () => {
    fc.assert(
      fc.property(acyclic, someAnswers, (options, answers) => {
        const once = evaluateOptions(options, answers, TODAY);
        expect(evaluateOptions(options, once.answers, TODAY)).to.deep.include({
          shown: once.shown,
          answers: once.answers,
          effects: once.effects,
        });
      }),
    );
  });

  it('find a circle exactly where one is (against reachability by squaring the matrix)', () => {
    const graph = fc
      .integer({ min: 1, max: 7 })
      .chain((n) => fc.array(fc.array(fc.boolean(), { minLength: n, maxLength: n }), { minLength: n, maxLength: n }));
    fc.assert(
      fc.property(graph, fc.integer({ min: 0, max: 3 }), (edges, thin) => {
        const keep = (i: number, j: number) => edges[i]![j]! && (i + j) % (thin + 1) === 0;
        const options = edges.map((row, i) => {
          const asked = row.flatMap((_, j) => (keep(i, j) ? [{ op: 'isSet' as const, option: `o${j}` }] : []));
          return { key: `o${i}`, shownWhen: asked.length > 0 ? { op: 'and' as const, of: asked } : null };
        });
        const reach = edges.map((row, i) => row.map((_, j) => keep(i, j)));
        for (let k = 0; k < edges.length; k += 1)
          for (let i = 0; i < edges.length; i += 1)
            for (let j = 0; j < edges.length; j += 1) reach[i]![j] ||= reach[i]![k]! && reach[k]![j]!;
        const isCircular = reach.some((row, i) => row[i]);

        const cycle = findCycle(options);

        expect(cycle !== null).to.equal(isCircular);
        if (!cycle) return;
        expect(cycle[0]).to.equal(cycle.at(-1));
        for (let i = 1; i < cycle.length; i += 1)
          expect(optionsAskedBy(options.find((option) => option.key === cycle[i - 1])!.shownWhen)).to.include(cycle[i]);
      }),
    );
  });
});

describe('checkOptionRules', () => {
  const rule = (key: string, shownWhen: Condition | null = null): OptionRule => ({
    ...newOption('text', key, key.toUpperCase()),
    shownWhen,
  });
  const codes = (rules: OptionRule[]) => checkOptionRules(rules).map((problem) => problem.code);

  it('has nothing to say of rules that make sense', () => {
    expect(checkOptionRules(KITE.map((option) => option as OptionRule))).to.deep.equal([]);
  });

  it('names those that wait for each other', () => {
    const circle = checkOptionRules([
      rule('a', { op: 'isSet', option: 'c' }),
      rule('b', { op: 'isSet', option: 'a' }),
      rule('c', { op: 'not', of: { op: 'isSet', option: 'b' } }),
    ]);

    expect(circle).to.deep.equal([{ path: '', code: 'option-cycle', facts: { names: 'A → C → B → A' } }]);
  });

  it('refuses keys and values given twice, and questions about nothing', () => {
    const twice = newOption('one', 'b', 'B') as Extract<OptionRule, { kind: 'one' }>;
    expect(codes([rule('a'), rule('a')])).to.deep.equal(['option-key-twice']);
    expect(codes([{ ...twice, choices: [choice('x'), choice('x')] }])).to.deep.equal(['option-value-twice']);
    expect(codes([rule('a', { op: 'isSet', option: 'gone' })])).to.deep.equal(['option-unknown']);
    expect(codes([twice, rule('a', { op: 'equals', option: 'b', value: 'blue' })])).to.deep.equal([
      'option-value-unknown',
    ]);
    expect(codes([rule('b'), rule('a', { op: 'greater', option: 'b', than: 3 })])).to.deep.equal(['option-not-number']);
  });

  it('refuses limits that leave nothing', () => {
    expect(codes([{ ...newOption('number', 'n', 'N'), min: 5, max: 4 } as OptionRule])).to.deep.equal([
      'option-limits',
    ]);
    expect(codes([{ ...newOption('many', 'm', 'M'), least: 3 } as OptionRule])).to.deep.equal(['option-limits']);
  });

  it('refuses what lowers the price once: only each unit may be cheaper', () => {
    const withEffect = (effect: object) =>
      optionRulesSchema.safeParse([
        { ...newOption('text', 't', 'Name'), effect: { amountMinor: -100, weightGrams: 0, ...effect } },
      ]);
    expect(withEffect({ per: 'unit' }).success).to.equal(true);
    expect(withEffect({ per: 'once', amountMinor: 100 }).success).to.equal(true);
    const { error } = withEffect({ per: 'once' });
    expect([error!.issues[0]!.path.at(-1), error!.issues[0]!.message]).to.deep.equal([
      'amountMinor',
      'must not lower the price where it counts once: count it for each, or make an offer of it',
    ]);
  });

  it('takes every fresh rule as it is made, but for an add-on without a SKU', () => {
    for (const kind of ['text', 'one', 'many', 'swatch', 'number', 'date', 'file'] as const)
      expect(optionRulesSchema.safeParse([newOption(kind, 'k', 'K')]).success, kind).to.equal(true);
    expect(optionRulesSchema.safeParse([newOption('addOn', 'k', 'K')]).success).to.equal(false);
  });
});

describe('answers', () => {
  it('are read from a form, several of one name as a list', () => {
    expect(
      readAnswers([
        ['kind', 'add'],
        ['option:name', 'Ada'],
        ['option:extras', 'first'],
        ['option:extras', 'second'],
        ['option:tail', '  '],
      ]),
    ).to.deep.equal({ name: 'Ada', extras: ['first', 'second'] });
  });

  it('are the same in any order', () => {
    expect(sameAnswers({ a: 'x', b: ['1', '2'] }, { b: ['1', '2'], a: 'x' })).to.equal(true);
    expect(sameAnswers({ a: 'x' }, { a: 'x', b: 'y' })).to.equal(false);
  });

  it('are said in words', () => {
    const said = answerTexts(
      KITE,
      { name: 'Ada', printing: 'own', artwork: 'upload-1', tail: '2.5' },
      () => 'lake.png',
    );

    expect(said.map((item) => `${item.label}: ${item.text}`)).to.deep.equal([
      'Name: Ada',
      'Printing: Own',
      'Artwork: lake.png',
      'Tail: 2.5 m',
    ]);
  });

  it('conditions are said in words, too', () => {
    const condition: Condition = {
      op: 'or',
      of: [
        {
          op: 'and',
          of: [
            { op: 'equals', option: 'printing', value: 'own' },
            { op: 'isSet', option: 'name' },
          ],
        },
        { op: 'not', of: { op: 'greater', option: 'tail', than: 2 } },
      ],
    };

    expect(describeCondition(condition, KITE)).to.equal(
      '(Printing is Own and Name is filled in) or not: Tail is more than 2',
    );
  });
});
