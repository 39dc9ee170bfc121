import { expect } from 'chai';
import fc from 'fast-check';
import { offerSchema, readOffer, type Offer, type OfferReader } from '~/core/pricing';

const reader: OfferReader = {
  money: (amount) => `€${(amount / 100).toFixed(2)}`,
  moment: (iso) => iso,
  nameOf: (_what, slug) => slug,
};
const said = (offer: object) => readOffer(offerSchema.parse(offer), reader);

describe('an offer as a sentence', () => {
  it('says what it does, to what, when, for whom and beside what', () => {
    expect(
      said({
        kind: 'percentOff',
        target: 'lines',
        basisPoints: 1000,
        combine: { group: 'winter' },
        selection: { only: { categories: ['kites'] }, except: { tags: ['new'] } },
        when: { minGoodsMinor: 5000, from: '2026-12-01T00:00:00Z', until: '2026-12-24T00:00:00Z' },
      }),
    ).to.equal(
      'Take 10 % off each item in category “kites” but not tag “new”, when the cart holds €50.00 or more, from 2026-12-01T00:00:00Z, until 2026-12-24T00:00:00Z, with no other offer of “winter”.',
    );
    expect(said({ kind: 'deliveryOff', basisPoints: 10_000, methods: ['standard'] })).to.equal(
      'Deliver by standard free, together with any other offer.',
    );
    expect(
      said({
        kind: 'buyGet',
        buyQuantity: 2,
        getQuantity: 1,
        basisPoints: 10_000,
        most: 1,
        limits: { total: 20, perShopper: 1 },
        combine: { alone: true },
      }),
    ).to.equal(
      'For 2 items bought in the whole shop, give 1 item in the same free, at most once a cart, 20 times in all, once per shopper, never with any other offer.',
    );
    expect(
      said({
        kind: 'quantityBreaks',
        breaks: [
          { from: 10, basisPoints: 1200 },
          { from: 5, basisPoints: 500 },
        ],
      }),
    ).to.equal(
      'Sell in the whole shop by quantity of one kind: from 5 on 5 % off each; from 10 on 12 % off each, together with any other offer.',
    );
    expect(said({ kind: 'priceIs', unitMinor: 599, selection: { only: {} } })).to.include('in nothing at all at €5.99');
    expect(
      said({ kind: 'gift', variant: 'HW-1', quantity: 1, when: { shopper: 'new', countries: ['NO', 'DE'] } }),
    ).to.equal(
      'Give 1 × variant “HW-1” for nothing, for a first order, delivered to Germany or Norway, together with any other offer.',
    );
  });

  const few = <T>(...values: T[]) => fc.constantFrom(...values);
  const named = fc.record(
    {
      products: fc.subarray(['a', 'b']),
      categories: fc.subarray(['a', 'c']),
      tags: fc.subarray(['a']),
      variants: fc.subarray(['A']),
    },
    { requiredKeys: [] },
  );
  const selection = fc.option(fc.record({ only: fc.option(named), except: fc.option(named) }, { requiredKeys: [] }));
  const maybe = (...values: number[]) => few(null, ...values);
  const shared = {
    rank: few(0, 1, -1),
    told: fc.boolean(),
    when: fc.record({
      code: few(null, 'x', 'y'),
      from: few(null, '2026-12-01T00:00:00Z'),
      until: few(null, '2026-12-01T00:00:00Z', '2026-12-02T00:00:00Z'),
      shopper: few('any', 'new', 'returning'),
      birthdayDays: maybe(1, 7),
      countries: fc.subarray(['DE', 'NO']),
      sources: fc.subarray(['a', 'b']),
      minGoodsMinor: maybe(100, 200),
      minQuantity: maybe(1, 2),
      counts: selection,
    }),
    combine: fc.record({ group: few(null, 'a', 'b'), per: few('item', 'order'), alone: fc.boolean() }),
    limits: fc.record({ total: maybe(1, 2), perShopper: maybe(1, 2) }),
  };
  const bp = few(500, 550, 10_000);
  const sum = few(100, 200);
  const offers = fc.oneof(
    fc.record({
      kind: few('percentOff'),
      target: few('lines', 'order'),
      basisPoints: bp,
      selection,
      maxMinor: maybe(100),
      ...shared,
    }),
    fc.record({
      kind: few('amountOff'),
      target: few('lines', 'order'),
      amountMinor: sum,
      selection,
      maxMinor: maybe(100),
      ...shared,
    }),
    fc.record({ kind: few('priceIs'), selection, unitMinor: sum, ...shared }),
    fc.record({
      kind: few('quantityBreaks'),
      selection,
      count: few('line', 'selection'),
      breaks: few<object[]>(
        [{ from: 2, basisPoints: 500 }],
        [{ from: 3, unitMinor: 500 }],
        [
          { from: 2, unitMinor: 500 },
          { from: 3, basisPoints: 500 },
        ],
      ),
      ...shared,
    }),
    fc.record({
      kind: few('buyGet'),
      buy: selection,
      get: selection,
      buyQuantity: few(1, 2),
      getQuantity: few(1, 2),
      basisPoints: bp,
      choose: few('cheapest', 'dearest'),
      most: maybe(1, 2),
      ...shared,
    }),
    fc.record({
      kind: few('bundle'),
      priceMinor: sum,
      most: maybe(1, 2),
      items: fc.array(fc.record({ selection, quantity: few(1, 2) }), { minLength: 1, maxLength: 2 }),
      ...shared,
    }),
    fc.record({ kind: few('deliveryOff'), methods: fc.subarray(['a', 'b']), basisPoints: bp, ...shared }),
    fc.record({ kind: few('deliveryOff'), methods: fc.subarray(['a', 'b']), amountMinor: sum, ...shared }),
    fc.record({ kind: few('deliveryOff'), methods: fc.subarray(['a', 'b']), flatMinor: sum, ...shared }),
    fc.record({ kind: few('gift'), variant: few('A', 'B'), quantity: few(1, 2), ...shared }),
  );

  /** What a rule comes to, whatever way it was written. */
  function plain(offer: Offer): string {
    const list = (names: readonly string[] | undefined) => [...new Set(names ?? [])].sort();
    const of = (one: Record<string, string[] | undefined> | null | undefined) =>
      one ? [list(one['products']), list(one['categories']), list(one['tags']), list(one['variants'])] : null;
    const isBare = (one: ReturnType<typeof of>) => one === null || one.every((names) => names.length === 0);
    const chosen = (one: { only?: object | null; except?: object | null } | null) => {
      const [only, except] = [of(one?.only as never), of(one?.except as never)];
      return { only, except: isBare(except) ? null : except };
    };
    const { name: _name, on: _on, ...rest } = offer;
    // Without a group, and alone, it does not matter what a group would mean.
    const { group, alone } = rest.combine;
    const combine = group === null || alone ? { group, alone } : rest.combine;
    const when = { ...rest.when, counts: chosen(rest.when.counts) };
    // What nothing is measured on says nothing.
    if (when.minGoodsMinor === null && when.minQuantity === null) when.counts = chosen(null);
    const pieces: Record<string, unknown> = { ...rest, when, combine };
    for (const key of ['selection', 'buy', 'get']) if (key in rest) pieces[key] = chosen((rest as never)[key]);
    if (rest.kind === 'bundle')
      pieces['items'] = rest.items.map((item) => ({ ...item, selection: chosen(item.selection) }));
    // Of what is bought and given alike it does not matter which is chosen.
    if (rest.kind === 'buyGet' && JSON.stringify(pieces['buy']) === JSON.stringify(pieces['get']))
      pieces['choose'] = '';
    return JSON.stringify(
      pieces,
      Object.keys(pieces)
        .sort()
        .concat(
          'only',
          'except',
          'code',
          'from',
          'until',
          'shopper',
          'birthdayDays',
          'countries',
          'sources',
          'minGoodsMinor',
          'minQuantity',
          'counts',
          'group',
          'per',
          'alone',
          'total',
          'perShopper',
          'quantity',
          'unitMinor',
          'basisPoints',
          'selection',
          'when',
        ),
    );
  }

  it('never reads the same for two rules that differ', () => {
    const seen = new Map<string, string>();
    fc.assert(
      fc.property(offers, (given) => {
        const offer = offerSchema.parse(given);
        const sentence = readOffer(offer, reader);
        const rule = plain(offer);
        const before = seen.get(sentence);
        seen.set(sentence, rule);
        expect(before ?? rule).to.equal(rule);
      }),
      { numRuns: 5000 },
    );
    // One field at a time, where chance alone would seldom make two that differ so little.
    fc.assert(
      fc.property(offers, offers, (a, b) => {
        const [one, other] = [offerSchema.parse(a), offerSchema.parse(b)];
        if (one.kind !== other.kind) return;
        for (const key of Object.keys(one) as (keyof Offer)[]) {
          if (key === 'name' || key === 'on') continue;
          const mixed = { ...one, [key]: other[key] } as Offer;
          if (plain(mixed) !== plain(one)) expect(readOffer(mixed, reader)).to.not.equal(readOffer(one, reader));
        }
      }),
      { numRuns: 3000 },
    );
  });
});
