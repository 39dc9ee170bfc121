import { expect } from 'chai';
import fc from 'fast-check';
import { minor } from '~/core/money';
import {
  pricedLine,
  backtest,
  findOverlaps,
  floorOf,
  marginShares,
  marginsSchema,
  offerSchema,
  offersOf,
  priceGoods,
  searchBelowFloor,
  withoutTax,
  type Costed,
  type PastOrder,
} from '~/core/pricing';

const TAX = { basisPoints: 2000, included: true };
const AT = Date.parse('2026-11-26T12:00:00Z');
const good = (sku: string, priceMinor: number, costMinor: number | null, over: Partial<Costed> = {}): Costed => ({
  sku,
  slug: sku.toLowerCase(),
  name: sku,
  choices: '',
  priceMinor,
  costMinor,
  categories: [],
  tags: [],
  taxBasisPoints: null,
  ...over,
});
const record = (offers: Record<string, object>) =>
  Object.fromEntries(Object.entries(offers).map(([id, offer]) => [id, offerSchema.parse(offer)]));

/** Runs a search to its end. */
function finish<T>(work: Generator<number, T>): T {
  let last = 0;
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    expect(step.value).to.be.within(last, 1);
    last = step.value;
  }
}
const search = (goods: readonly Costed[], offers: Record<string, object>, floors: object = { shop: 1000 }, over = {}) =>
  finish(
    searchBelowFloor({
      goods,
      offers: offersOf(record(offers)),
      margins: marginsSchema.parse(floors),
      tax: TAX,
      severalCodes: true,
      at: AT,
      dayOf: (at: number) => new Date(at).toISOString().slice(0, 10),
      ...over,
    }),
  );

describe('the margin guard', () => {
  it('takes the floor of the product, else the highest of its categories, else the shop’s', () => {
    const margins = marginsSchema.parse({ shop: 500, categories: { a: 1000, b: 2000 }, products: { x: 0 } });
    expect(floorOf({ slug: 'x', categories: ['a'] }, margins)).to.equal(0);
    expect(floorOf({ slug: 'y', categories: ['a', 'b'] }, margins)).to.equal(2000);
    expect(floorOf({ slug: 'y', categories: [] }, margins)).to.equal(500);
    expect(withoutTax(12_000, 2000, true)).to.equal(10_000);
  });

  it('finds the cart that two offers together bring under the floor, which neither does alone', () => {
    const goods = [good('KITE', 12_000, 7_500), good('LINE', 1200, 300)];
    const lines = { kind: 'percentOff', target: 'lines', basisPoints: 1500 };
    const code = { kind: 'amountOff', target: 'order', amountMinor: 1000, when: { code: 'TEN', minGoodsMinor: 5000 } };
    // 120.00 − 15 % = 102.00, before tax 85.00: 12 % over 75.00. With 10.00 less, 76.67 before tax: under 83.33.
    expect(search(goods, { lines }).worst).to.equal(null);
    expect(search(goods, { code }).worst).to.equal(null);
    const { worst } = search(goods, { lines, code });
    expect(worst!.lines.map((line) => [line.good.sku, line.quantity])).to.deep.equal([['KITE', 1]]);
    expect(worst!.codes).to.deep.equal(['TEN']);
    expect(worst!.priced.totalMinor).to.equal(9200);
    expect([Math.round(worst!.bringsMinor), Math.round(worst!.leastMinor)]).to.deep.equal([7667, 8333]);
  });

  it('finds what only several together reach: a bundle, and a number of one', () => {
    const goods = [good('A', 2400, 1000), good('B', 2400, 1500), good('C', 600, 100)];
    const bundle = {
      kind: 'bundle',
      priceMinor: 3000,
      items: [
        { selection: { only: { variants: ['A'] } }, quantity: 1 },
        { selection: { only: { variants: ['B'] } }, quantity: 1 },
      ],
    };
    expect(
      search(goods, { bundle })
        .worst!.lines.map((line) => line.good.sku)
        .sort(),
    ).to.deep.equal(['A', 'B']);
    const breaks = { kind: 'quantityBreaks', breaks: [{ from: 11, basisPoints: 6000 }] };
    const many = search(goods, { breaks }).worst!;
    expect([many.lines[0]!.good.sku, many.lines[0]!.quantity]).to.deep.equal(['B', 12]);
  });

  it('looks at offers that are still to come, and says how far it looked when there is nothing', () => {
    const goods = Array.from({ length: 30 }, (_, i) => good(`G${i}`, 1200, i % 3 === 2 ? null : 500));
    const later = { kind: 'percentOff', target: 'lines', basisPoints: 9000, when: { from: '2026-12-01T00:00:00Z' } };
    expect(search(goods, { later }).worst!.at).to.equal(Date.parse('2026-12-01T00:00:00Z'));
    const fine = search(goods, { fine: { ...later, basisPoints: 1000 } });
    // All that have a cost are of one kind: alone up to 12 of it.
    expect(fine).to.include({ worst: null, kinds: 1, carts: 12, circumstances: 2, unjudged: 10 });
    expect(search(goods, {}, {}).unjudged).to.equal(30);
  });

  it('is right of what it finds, on random shops: the cart is legal, and priced as any other', () => {
    const goods = fc.array(
      fc.record({ price: fc.integer({ min: 100, max: 5000 }), cost: fc.integer({ min: 50, max: 4000 }) }),
      { minLength: 1, maxLength: 5 },
    );
    const offer = fc.record({
      kind: fc.constant('percentOff'),
      target: fc.constantFrom('lines', 'order'),
      basisPoints: fc.integer({ min: 100, max: 6000 }),
    });
    fc.assert(
      fc.property(goods, fc.array(offer, { maxLength: 2 }), (made, offers) => {
        const all = made.map(({ price, cost }, i) => good(`G${i}`, price, cost));
        const { worst } = search(
          all,
          Object.fromEntries(offers.map((one, i) => [`o${i}`, one])),
          { shop: 0 },
          {
            caps: { quantity: 2, pairsOf: 5, triplesOf: 3, together: 1 },
          },
        );
        const singles = all.filter((one) => {
          const best = offers.map(({ basisPoints }) => 1 - basisPoints / 10_000).reduce((a, b) => a * b, 1);
          return (one.priceMinor * best * 10_000) / 12_000 < one.costMinor! - 2;
        });
        if (singles.length > 0) expect(worst).to.not.equal(null);
        if (worst) expect(worst.bringsMinor).to.be.lessThan(worst.leastMinor);
      }),
      { numRuns: 60 },
    );
  });
});

describe('a backtest', () => {
  const order = (id: number, quantity: number, over: Partial<PastOrder> = {}): PastOrder => ({
    id,
    lines: [{ ...pricedLine(good('KITE', 2400, 1000), quantity), costMinor: 1000 }],
    deliveryMinor: 490,
    deliveryMethod: 'standard',
    circumstances: {
      at: AT,
      today: '2026-11-26',
      shopper: 'new',
      country: 'DE',
      source: null,
      birthday: null,
      used: {},
    },
    ...over,
  });
  const orders = [order(1, 1), order(2, 2), order(3, 3)];

  it('says who would have got an offer, what it would have cost, and how many more such orders it takes', () => {
    const tested = { kind: 'percentOff', target: 'lines', basisPoints: 1000, when: { minGoodsMinor: 4000 } };
    const answer = finish(backtest(orders, record({ tested }), 'tested', TAX));
    expect(answer.got.map(({ id, costMinor }) => [id, costMinor])).to.deep.equal([
      [2, 480],
      [3, 720],
    ]);
    // Before: 2 × 20.00 − 20.00, 3 × 20.00 − 30.00; after 4.00 and 6.00 less.
    expect(answer).to.include({ orders: 3, costMinor: 1200, marginBeforeMinor: 5000, marginAfterMinor: 4000 });
    expect(answer.uplift!.value).to.be.closeTo(0.25, 1e-12);
    // Both orders lose the same share: nothing is uncertain.
    expect(answer.uplift!.high - answer.uplift!.low).to.be.closeTo(0, 1e-9);
    expect(marginShares(answer.got, TAX).reduce((sum, bin) => sum + bin.before, 0)).to.equal(2);
  });

  it('measures an offer beside those that are on, with its code typed by everybody and its dates passed over', () => {
    const offers = {
      always: { kind: 'percentOff', target: 'lines', basisPoints: 500, combine: { group: 'g' } },
      coded: { kind: 'amountOff', target: 'order', amountMinor: 9999, when: { code: 'X' } },
      tested: {
        kind: 'percentOff',
        target: 'lines',
        basisPoints: 1000,
        combine: { group: 'g' },
        on: false,
        when: { code: 'NEW', from: '2027-01-01T00:00:00Z' },
      },
    };
    const { got, costMinor } = finish(backtest(orders, record(offers), 'tested', TAX));
    expect(got).to.have.length(3);
    expect(costMinor).to.equal(720); // 5 % more of 6 × 24.00
    expect(
      finish(backtest(orders, record({ ...offers, always: { ...offers.always, basisPoints: 2000 } }), 'tested', TAX))
        .got,
    ).to.deep.equal([]);
  });

  it('counts what delivery loses, and says nothing of what is not known', () => {
    const free = { kind: 'deliveryOff', basisPoints: 10_000 };
    const unknown = order(4, 1, { lines: [{ ...pricedLine(good('X', 1200, null), 1), costMinor: null }] });
    const answer = finish(backtest([...orders, unknown], record({ free }), 'free', TAX));
    expect(answer).to.include({ costMinor: 4 * 490, unknownCosts: 1 });
    expect(answer.marginBeforeMinor - answer.marginAfterMinor).to.equal(Math.round((3 * 490) / 1.2));
    const tooMuch = finish(
      backtest(orders, record({ all: { kind: 'percentOff', target: 'lines', basisPoints: 9000 } }), 'all', TAX),
    );
    expect(tooMuch.uplift).to.equal(null);
  });

  it('is what pricing each order twice comes to', () => {
    const offers = record({
      a: { kind: 'amountOff', target: 'lines', amountMinor: 150, combine: { group: 'g' } },
      b: { kind: 'percentOff', target: 'order', basisPoints: 800, combine: { group: 'g' } },
    });
    const { costMinor } = finish(backtest(orders, offers, 'b', TAX));
    const total = (ids: string[]) =>
      orders.reduce((sum, one) => {
        const by = offersOf(Object.fromEntries(ids.map((id) => [id, offers[id]!])));
        const priced = priceGoods({
          lines: one.lines,
          offers: by,
          tax: TAX,
          deliveryMinor: minor(490),
          deliveryMethod: 'standard',
          codes: [],
          circumstances: one.circumstances,
        });
        return sum + priced.totalMinor;
      }, 0);
    expect(costMinor).to.equal(total(['a']) - total(['a', 'b']));
  });
});

describe('offers that meet', () => {
  it('are told with what comes of it', () => {
    const goods = [good('A', 100, 1, { categories: ['x'] }), good('B', 100, 1, { categories: ['y'] })];
    const x = { only: { categories: ['x'] } };
    const y = { only: { categories: ['y'] } };
    const at = (selection: object, over: object = {}) => ({ kind: 'priceIs', unitMinor: 5, selection, ...over });
    const found = (offers: Record<string, object>) =>
      finish(findOverlaps(offersOf(record(offers)), goods)).map(({ a, b, how, variants }) => [a, b, how, variants]);
    expect(found({ a: at(x), b: at({}) })).to.deep.equal([['a', 'b', 'add-up', 1]]);
    expect(found({ a: at(x), b: at(y) })).to.deep.equal([]);
    const grouped = { combine: { group: 'g' } };
    expect(found({ a: at(x, grouped), b: at(x, grouped) })).to.deep.equal([['a', 'b', 'one-of-two', 1]]);
    const perItem = { combine: { group: 'g', per: 'item' } };
    expect(found({ a: at(x, perItem), b: at(x, perItem) })).to.deep.equal([['a', 'b', 'one-each', 1]]);
    expect(found({ a: at(x, perItem), b: at(y, perItem) })).to.deep.equal([]);
    // What excludes each other is told whether or not they share goods.
    expect(found({ a: at(x, grouped), b: at(y, perItem) })).to.deep.equal([['a', 'b', 'one-of-two', null]]);
    expect(found({ a: at(x, { combine: { alone: true } }), b: at(y) })).to.deep.equal([['a', 'b', 'one-of-two', null]]);
    const coded = { when: { code: 'X' } };
    expect(found({ a: at(x, coded), b: at(y, { when: { code: 'x' } }) })).to.deep.equal([
      ['a', 'b', 'same-code', null],
    ]);
    expect(
      found({
        a: at(x, { when: { until: '2026-12-01T00:00:00Z' } }),
        b: at(x, { when: { from: '2026-12-01T00:00:00Z' } }),
      }),
    ).to.deep.equal([]);
    expect(found({ a: at(x, { on: false }), b: at(x) })).to.deep.equal([]);
    const free = { kind: 'deliveryOff', basisPoints: 10_000 };
    expect(found({ a: free, b: free })).to.deep.equal([['a', 'b', 'add-up', null]]);
    expect(found({ a: { ...free, ...perItem }, b: { ...free, ...perItem } })).to.deep.equal([
      ['a', 'b', 'one-of-two', null],
    ]);
  });
});
