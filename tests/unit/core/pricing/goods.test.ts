import { expect } from 'chai';
import fc from 'fast-check';
import { minor } from '~/core/money';
import {
  codeProblem,
  freeDeliveryFrom,
  nextChange,
  offerSchema,
  offersOf,
  priceGoods,
  readSteps,
  storeSteps,
  touches,
  type GoodsInput,
  type Offer,
  pricedLine,
  type LineGoods,
  type PricedLine,
} from '~/core/pricing';

const AT = Date.parse('2026-11-25T12:00:00Z');
const circumstances: GoodsInput['circumstances'] = {
  at: AT,
  today: '2026-11-25',
  shopper: 'new',
  country: null,
  source: null,
  birthday: null,
  used: {},
};
const line = (
  id: string,
  quantity: number,
  priceMinor: number,
  over: Partial<LineGoods> & Pick<PricedLine, 'effects'> = {},
): PricedLine => {
  const { effects = [], ...goods } = over;
  return pricedLine({ slug: id, sku: id.toUpperCase(), categories: [], tags: [], priceMinor, ...goods }, quantity, {
    id,
    effects,
  });
};
const offer = (given: object): Offer => offerSchema.parse(given);
const FREE = offer({
  kind: 'deliveryOff',
  name: 'Free delivery',
  when: { minGoodsMinor: 5000 },
  basisPoints: 10_000,
});
const TEN = offer({
  kind: 'percentOff',
  name: 'Ten',
  target: 'lines',
  basisPoints: 1000,
  combine: { group: 'discounts' },
  when: { code: 'TEN', minGoodsMinor: 2000, until: '2026-12-25T00:00:00Z' },
});
const FIVE = offer({
  kind: 'amountOff',
  name: 'Five',
  target: 'order',
  amountMinor: 500,
  combine: { group: 'discounts' },
  when: { code: 'FIVE' },
});
const price = (over: Partial<GoodsInput> & { readonly by?: Record<string, Offer> } = {}) => {
  const { by = { free: FREE }, ...rest } = over;
  return priceGoods({
    lines: [line('a', 2, 1999), line('b', 1, 500)],
    offers: offersOf(by),
    tax: { basisPoints: 2000, included: true },
    deliveryMinor: minor(490),
    deliveryMethod: 'standard',
    codes: [],
    circumstances,
    ...rest,
  });
};

describe('priceGoods', () => {
  it('adds lines and delivery, and takes the tax out of the whole', () => {
    const priced = price();

    expect(priced).to.include({ subtotalMinor: 4498, discountMinor: 0, totalMinor: 4988 });
    expect(priced.taxMinor).to.equal(831); // 4988 × 20 / 120 = 831.33
  });

  it('taxes once a rate, delivery at the shop’s, and adds the taxes up', () => {
    const lines = [line('a', 2, 1999), line('b', 1, 500, { taxBasisPoints: 700 })];
    const within = price({ lines });
    // (3998 + 490) × 20 / 120 = 748, 500 × 7 / 107 = 32.7
    expect(within.steps.slice(-2)).to.deep.equal([
      { code: 'tax-included', amountMinor: 748, basisPoints: 2000 },
      { code: 'tax-included', amountMinor: 33, basisPoints: 700 },
    ]);
    expect([within.taxMinor, within.totalMinor]).to.deep.equal([781, 4988]);
    const onTop = price({ lines, tax: { basisPoints: 2000, included: false } });
    expect([onTop.taxMinor, onTop.totalMinor]).to.deep.equal([898 + 35, 4988 + 933]);
    const open = price({ tax: { basisPoints: 1000, included: false }, deliveryMinor: null });
    expect([open.taxMinor, open.totalMinor, open.deliveryMinor]).to.deep.equal([450, 4948, null]);
  });

  it('delivers free from the threshold on, measured before offers, and says which offer did it', () => {
    const lines = [line('a', 1, 5000)];
    const priced = price({ lines, by: { free: FREE, five: FIVE }, codes: ['FIVE'] });

    expect(priced.deliveryMinor).to.equal(0);
    expect(priced.totalMinor).to.equal(4500);
    expect(priced.steps).to.deep.include({
      code: 'offer',
      amountMinor: -490,
      offerId: 'free',
      name: 'Free delivery',
      coupon: null,
      isOfOrder: false,
    });
    expect(price({ lines: [line('a', 1, 4999)] }).deliveryMinor).to.equal(490);
    expect(price({ lines, by: { free: { ...FREE, on: false } } }).deliveryMinor).to.equal(490);
  });

  it('says how far free delivery is, of the nearest of such offers, also while delivery is open', () => {
    const far = offer({ ...FREE, when: { minGoodsMinor: 9000 } });
    expect(price({ by: { far, free: FREE } }).freeDelivery).to.include({ thresholdMinor: 5000, missingMinor: 502 });
    expect(price({ lines: [line('a', 1, 7000)], deliveryMinor: null }).freeDelivery?.missingMinor).to.equal(0);
    expect(price({ by: { off: { ...FREE, on: false } } }).freeDelivery).to.equal(null);
    expect(price({ by: { ten: TEN } }).freeDelivery).to.equal(null);
    expect(freeDeliveryFrom(offersOf({ far, free: FREE }), AT)).to.equal(5000);
    const over = offer({ ...FREE, when: { minGoodsMinor: 100, until: '2026-11-25T12:00:00Z' } });
    expect(freeDeliveryFrom(offersOf({ over }), AT)).to.equal(null);
  });

  it('prices options for each unit and once, and never a line below nothing', () => {
    const priced = price({
      lines: [
        line('a', 2, 1000, {
          effects: [
            { key: 'name', label: 'Name', per: 'unit', amountMinor: 300 },
            { key: 'print', label: 'Print', per: 'once', amountMinor: 2500 },
          ],
        }),
        line('b', 1, 100, { effects: [{ key: 'less', label: 'Less', per: 'unit', amountMinor: -400 }] }),
      ],
      deliveryMinor: null,
    });

    expect(priced.lines.map((item) => item.totalMinor)).to.deep.equal([5100, 0]); // 2 × (10 + 3) + 25
    expect(priced.lines[1]!.steps.map((step) => step.code)).to.deep.equal(['list-price', 'option', 'floor']);
  });

  it('takes a code off each line, and says which code did it, as its owner wrote it', () => {
    const priced = price({ by: { ten: TEN }, codes: [' ten '] });

    expect(priced.lines.map((item) => item.totalMinor)).to.deep.equal([3598, 450]); // 3998 − 400, 500 − 50
    expect(priced).to.include({ discountMinor: 450, subtotalMinor: 4498 });
    expect(priced.lines[0]!.steps.at(-1)).to.deep.equal({
      code: 'offer',
      amountMinor: -400,
      offerId: 'ten',
      name: 'Ten',
      coupon: 'TEN',
      isOfOrder: false,
    });
    expect(priced.codes).to.deep.equal([{ code: 'TEN', offerId: 'ten', takenMinor: 450, refusal: null }]);
  });

  it('shares an amount out so that the cents add up, and takes no more than there is', () => {
    const priced = price({ by: { five: FIVE }, codes: ['FIVE'] });
    const small = price({ lines: [line('a', 1, 300)], by: { five: FIVE }, codes: ['FIVE'], deliveryMinor: null });

    expect(priced.lines.map((item) => item.totalMinor)).to.deep.equal([3554, 444]); // 500 × 3998/4498 = 444.4, 55.6
    expect(small.totalMinor).to.equal(0);
    expect(small.codes[0]?.takenMinor).to.equal(300);
  });

  it('says in words why a code does not count', () => {
    const by = { ten: TEN, five: { ...FIVE, on: false }, thirty: offer({ ...TEN, basisPoints: 3000, when: {} }) };
    const said = (code: string, goods: number, over: Partial<typeof circumstances> = {}) => {
      const lines = goods > 0 ? [line('a', 1, goods)] : [];
      const priced = price({ lines, by, codes: [code], circumstances: { ...circumstances, ...over } });
      const [found] = priced.codes;
      return codeProblem(found!, {
        offers: offersOf(by),
        offer: offersOf(by).find(({ id }) => id === found!.offerId),
        isBuyerKnown: true,
        isEmpty: goods === 0,
        money: String,
      });
    };
    const alone = { ten: by.ten };

    expect(said('TWENTY', 2000)?.code).to.equal('coupon-unknown');
    expect(said('FIVE', 2000)?.code).to.equal('coupon-unknown');
    expect(said('TEN', 2000, { at: Date.parse('2026-12-25T00:00:00Z') })?.code).to.equal('coupon-over');
    expect(said('TEN', 1999)).to.deep.equal({
      code: 'coupon-too-little',
      facts: { code: 'TEN', missing: '1', from: '2000' },
    });
    expect(said('TEN', 0)?.code).to.equal('coupon-empty');
    expect(said('TEN', 2000)).to.deep.equal({ code: 'coupon-outdone', facts: { code: 'TEN', by: 'Ten' } });
    const used = { ten: { total: 5, byShopper: 0 } };
    const limited = price({
      by: { ten: offer({ ...alone.ten, limits: { total: 5 } }) },
      codes: ['TEN'],
      circumstances: { ...circumstances, used },
    });
    expect(limited.codes[0]?.refusal).to.deep.equal({ code: 'used-up' });
  });

  it('explains every amount: the steps of each line add up to it, and all of them to the total', () => {
    const effect = fc.record({
      key: fc.constantFrom('a', 'b', 'c'),
      label: fc.constant('x'),
      per: fc.constantFrom('unit' as const, 'once' as const),
      amountMinor: fc.integer({ min: -5000, max: 20_000 }),
    });
    const anyLine = fc
      .record({
        id: fc.uuid(),
        quantity: fc.integer({ min: 1, max: 99 }),
        unit: fc.integer({ min: 0, max: 500_000 }),
        effects: fc.array(effect, { maxLength: 4 }),
      })
      .map(({ id, quantity, unit, effects }) => line(id, quantity, unit, { effects }));
    const tax = fc.record({ basisPoints: fc.integer({ min: 0, max: 3000 }), included: fc.boolean() });
    const anyOffer = fc.oneof(
      fc.integer({ min: 1, max: 10_000 }).map((basisPoints): Offer => ({ ...TEN, basisPoints }) as Offer),
      fc.integer({ min: 1, max: 900_000 }).map((amountMinor): Offer => ({ ...FIVE, amountMinor }) as Offer),
    );
    fc.assert(
      fc.property(
        fc.array(anyLine, { maxLength: 12 }),
        tax,
        fc.option(fc.integer({ min: 0, max: 5000 }).map(minor)),
        anyOffer,
        fc.constantFrom([], ['TEN'], ['FIVE'], ['NONE', 'TEN']),
        (lines, rule, deliveryMinor, made, codes) => {
          const priced = price({ lines, tax: rule, deliveryMinor, by: { free: FREE, made }, codes });
          const sum = (steps: readonly { code: string; amountMinor: number }[]) =>
            steps.filter((step) => step.code !== 'tax-included').reduce((total, step) => total + step.amountMinor, 0);
          const taxes = priced.steps.filter((step) => step.code.startsWith('tax'));

          expect(priced.lines.every((item) => sum(item.steps) === item.totalMinor && item.totalMinor >= 0)).to.equal(
            true,
          );
          expect(sum([...priced.lines.flatMap((item) => item.steps), ...priced.steps])).to.equal(priced.totalMinor);
          expect(taxes.reduce((total, step) => total + step.amountMinor, 0)).to.equal(priced.taxMinor);
          expect(priced.subtotalMinor - priced.discountMinor + (priced.deliveryMinor ?? 0)).to.equal(
            priced.totalMinor - (rule.included ? 0 : priced.taxMinor),
          );
        },
      ),
    );
  });
});

describe('offers as they are held', () => {
  it('get better with more, or are refused with a sentence', () => {
    const breaks = (...steps: object[]) => offerSchema.safeParse({ kind: 'quantityBreaks', breaks: steps });

    expect(breaks({ from: 5, basisPoints: 500 }, { from: 10, basisPoints: 1200 }).success).to.equal(true);
    expect(breaks({ from: 5, basisPoints: 500 }, { from: 10, basisPoints: 400 }).error?.message).to.include(
      'get better',
    );
    expect(breaks({ from: 5, unitMinor: 500 }, { from: 2, unitMinor: 400 }).success).to.equal(false);
    expect(breaks({ from: 5, unitMinor: 500 }, { from: 5, unitMinor: 400 }).success).to.equal(false);
  });

  it('touch what they are about, without a code, be it in one of several roles', () => {
    const goods = { product: 'a', variant: 'A', categories: ['kites'], tags: [] };
    const [kites, lines] = [{ only: { categories: ['kites'] } }, { only: { categories: ['lines'] } }];
    const is = (given: object) => touches({ ...offer(given), id: 'x' }, goods);
    const buyGet = { kind: 'buyGet', buyQuantity: 1, getQuantity: 1, basisPoints: 5000 };

    expect(is({ kind: 'priceIs', selection: kites, unitMinor: 5 })).to.equal(true);
    expect(is({ kind: 'priceIs', selection: lines, unitMinor: 5 })).to.equal(false);
    expect(is({ kind: 'priceIs', selection: kites, unitMinor: 5, when: { code: 'X' } })).to.equal(false);
    expect(is({ ...buyGet, buy: lines, get: kites })).to.equal(true);
    expect(is({ ...buyGet, buy: lines, get: lines })).to.equal(false);
    expect(is({ kind: 'bundle', items: [{ selection: kites, quantity: 1 }], priceMinor: 5 })).to.equal(true);
    expect(is({ kind: 'deliveryOff', basisPoints: 10_000 })).to.equal(false);
  });

  it('tell when one begins or ends next', () => {
    const made = offersOf({
      a: offer({ ...FREE, when: { from: '2026-11-27T00:00:00Z', until: '2026-11-28T00:00:00Z' } }),
      b: offer({ ...FREE, when: { from: '2026-11-20T00:00:00Z', until: '2026-11-26T00:00:00Z' } }),
      c: offer({ ...FREE, on: false, when: { until: '2026-11-25T13:00:00Z' } }),
    });
    expect(nextChange(made, AT)).to.equal(Date.parse('2026-11-26T00:00:00Z'));
    expect(nextChange(made, Date.parse('2026-11-28T00:00:00Z'))).to.equal(null);
  });
});

describe('receipts that were kept', () => {
  it('are read as they were written, of this version and of the one before', () => {
    const steps = price({ by: { ten: TEN, free: FREE }, codes: ['TEN'] }).lines[0]!.steps;

    expect(readSteps(JSON.parse(JSON.stringify(storeSteps(steps))))).to.deep.equal(steps);
    expect(
      readSteps([
        { code: 'coupon', amountMinor: -100, offerId: 'ten', coupon: 'TEN' },
        { code: 'free-delivery', amountMinor: -490, offerId: 'f', thresholdMinor: 6000 },
      ]).map(({ code, amountMinor }) => [code, amountMinor]),
    ).to.deep.equal([
      ['offer', -100],
      ['offer', -490],
    ]);
    // Demo shops were seeded with today's steps as a bare list.
    expect(readSteps(JSON.parse(JSON.stringify(steps)))).to.deep.equal(steps);
    expect(() => readSteps([{ code: 'else', amountMinor: 1 }])).to.throw();
  });
});
