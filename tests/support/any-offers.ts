import fc from 'fast-check';
import { only, type ShortLine } from './pricing';

/** Any line and any offer, for tests of properties; they shrink. */

export const anyLine = (): fc.Arbitrary<ShortLine> =>
  fc.record({
    product: fc.constantFrom('a', 'b', 'c', 'd'),
    unit: fc.constantFrom(0, 1, 99, 333, 500, 1000, 1999),
    quantity: fc.integer({ min: 1, max: 6 }),
    options: fc.constantFrom(0, 0, 150, -200),
    once: fc.constantFrom(0, 0, 250),
  });

const selection = () =>
  fc.constantFrom(null, null, only('a'), only('a', 'b'), only('c'), { except: { products: ['b'] } });

const kinds = () => {
  const target = {
    target: fc.constantFrom('lines', 'lines', 'order'),
    selection: selection(),
    maxMinor: fc.constantFrom(null, null, 150),
  };
  const item = fc.record({ selection: selection(), quantity: fc.constant(1) });
  return fc.oneof(
    fc.record({ kind: fc.constant('percentOff'), ...target, basisPoints: fc.constantFrom(333, 1000, 5000, 10_000) }),
    fc.record({ kind: fc.constant('amountOff'), ...target, amountMinor: fc.constantFrom(1, 100, 450) }),
    fc.record({ kind: fc.constant('priceIs'), selection: selection(), unitMinor: fc.constantFrom(0, 90, 480) }),
    fc.record({
      kind: fc.constant('quantityBreaks'),
      selection: selection(),
      count: fc.constantFrom('line', 'selection'),
      breaks: fc.constant([{ from: 2, basisPoints: 900 }]),
    }),
    fc.record({
      kind: fc.constant('buyGet'),
      buy: selection(),
      get: selection(),
      basisPoints: fc.constantFrom(5000, 10_000),
      choose: fc.constantFrom('cheapest', 'dearest'),
      buyQuantity: fc.constantFrom(1, 2),
      getQuantity: fc.constantFrom(1, 2),
      most: fc.constantFrom(null, 1),
    }),
    fc.record({
      kind: fc.constant('bundle'),
      items: fc.array(item, { minLength: 2, maxLength: 2 }),
      priceMinor: fc.constantFrom(300, 900),
    }),
    fc
      .constantFrom({ flatMinor: 100 }, { amountMinor: 200 }, { basisPoints: 5000 })
      .map((off) => ({ kind: 'deliveryOff', ...off })),
    fc.record({ kind: fc.constant('gift'), variant: fc.constant('mug'), quantity: fc.constant(1) }),
  );
};

const conditions = () =>
  fc.constantFrom<object>(
    ...Array.from({ length: 8 }, () => ({})),
    { minGoodsMinor: 1000 },
    { minQuantity: 3, counts: only('a') },
    { code: 'spring' },
    { shopper: 'new' },
    { countries: ['DE'] },
    { sources: ['letter'] },
  );

export const anyOffer = (): fc.Arbitrary<object> =>
  fc
    .tuple(
      kinds(),
      fc.record({
        rank: fc.integer({ min: 0, max: 2 }),
        combine: fc.record({
          group: fc.constantFrom(null, 'g', 'g', 'h'),
          per: fc.constantFrom('item', 'item', 'item', 'order'),
          alone: fc.constantFrom(false, false, false, false, false, false, true),
        }),
        when: conditions(),
      }),
    )
    .map(([kind, shared]) => ({ ...kind, ...shared }));
