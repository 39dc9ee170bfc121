import { expect } from 'chai';
import fc from 'fast-check';
import { changeCart, demandOf, EMPTY_CART, type Cart, type CartChange, type VariantRules } from '~/core/cart';
import { minor } from '~/core/money';
import { freeDelivery, judgeCoupon, priceCart, type PriceInput } from '~/core/offers';
import type { Offer } from '~/core/offers/offer.schema';
import type { Answers } from '~/core/options';
import { fail, ok } from '~/core/problems';

/** Answers `extra` brings a Plan along (variant 2); answer `bad` is refused. */
const judge: VariantRules['judge'] = (answers) => {
  if (answers['bad']) return fail('option:bad', 'option-missing', { label: 'Bad' });
  return ok({ answers, addOns: answers['extra'] ? [4] : [] });
};
const rules = new Map<number, VariantRules>([
  [1, { name: 'Delta', stock: 3, judge }],
  [2, { name: 'Plan', stock: null, judge }],
  [3, { name: 'Moth', stock: 0, judge }],
  [4, { name: 'Winder', stock: 2, judge }],
]);
const rulesOf = (id: number) => rules.get(id);
const add = (variantId: number, quantity: number, answers = {}, newLineId = `l${variantId}`): CartChange => ({
  kind: 'add',
  variantId,
  quantity,
  answers,
  newLineId,
});
const cartOf = (...lines: Cart['lines'][number][]): Cart => ({ ...EMPTY_CART, lines });
const line = (id: string, variantId: number, quantity: number, answers = {}) => ({ id, variantId, quantity, answers });

describe('changeCart', () => {
  const one = cartOf(line('l1', 1, 2));

  it('raises the line of what is there already', () => {
    expect(changeCart(one, add(1, 1), rulesOf)).to.deep.equal({ ok: true, value: cartOf(line('l1', 1, 3)) });
  });

  it('keeps a line of its own for other answers', () => {
    const changed = changeCart(one, add(1, 1, { name: 'Ada' }, 'l9'), rulesOf);

    expect(changed.ok && changed.value.lines.map(({ id }) => id)).to.deep.equal(['l1', 'l9']);
  });

  it('refuses more than there is, and says how many there are', () => {
    expect(changeCart(one, add(1, 2), rulesOf)).to.deep.equal({
      ok: false,
      problems: [{ path: 'quantity', code: 'not-enough-stock', facts: { name: 'Delta', stock: 3 } }],
    });
  });

  it('counts stock over all lines of a variant', () => {
    const refused = changeCart(one, add(1, 2, { name: 'Ada' }, 'l9'), rulesOf);

    expect(refused.ok || refused.problems[0]?.code).to.equal('not-enough-stock');
  });

  it('counts the add-ons that come along, too', () => {
    const cart = cartOf(line('l1', 4, 1));

    expect(changeCart(cart, add(2, 1, { extra: 'yes' }), rulesOf).ok).to.equal(true);
    const refused = changeCart(cart, add(2, 2, { extra: 'yes' }), rulesOf);
    expect(refused.ok || refused.problems[0]?.facts).to.deep.equal({ name: 'Winder', stock: 2 });
    expect(demandOf(cartOf(line('a', 2, 3, { extra: 'yes' })).lines, rulesOf)).to.deep.equal(
      new Map([
        [2, 3],
        [4, 3],
      ]),
    );
  });

  it('says sold out when there is none', () => {
    const refused = changeCart(EMPTY_CART, add(3, 1), rulesOf);

    expect(refused.ok || refused.problems[0]?.code).to.equal('sold-out');
  });

  it('does not count what has no stock, but keeps the limit for one line', () => {
    expect(changeCart(EMPTY_CART, add(2, 99), rulesOf).ok).to.equal(true);
    expect(changeCart(EMPTY_CART, add(2, 100), rulesOf).ok).to.equal(false);
  });

  it('holds no more than 60 lines', () => {
    const full = cartOf(...Array.from({ length: 60 }, (_, i) => line(`x${i}`, 2, 1, { n: String(i) })));

    const refused = changeCart(full, add(2, 1, { n: 'new' }), rulesOf);

    expect(refused.ok || refused.problems[0]?.code).to.equal('too-many-lines');
  });

  it('removes a line that is set to none, and puts it back where it was', () => {
    const two = cartOf(line('l1', 1, 2), line('l2', 2, 1));
    const gone = changeCart(two, { kind: 'set', lineId: 'l1', quantity: 0 }, rulesOf);
    expect(gone.ok && gone.value.lines).to.deep.equal([line('l2', 2, 1)]);

    const back = changeCart(gone.ok ? gone.value : two, { ...add(1, 2), at: 0 } as CartChange, rulesOf);

    expect(back).to.deep.equal({ ok: true, value: two });
  });

  it('lets a shopper lower a line even when stock has fallen below it', () => {
    const many = cartOf(line('l1', 1, 9));

    expect(changeCart(many, { kind: 'set', lineId: 'l1', quantity: 5 }, rulesOf).ok).to.equal(true);
  });

  it('changes what a line holds and keeps the line', () => {
    const two = cartOf(line('l1', 1, 2), line('l2', 2, 1));

    const changed = changeCart(two, { kind: 'reshape', lineId: 'l2', variantId: 4, answers: { name: 'Ada' } }, rulesOf);

    expect(changed).to.deep.equal({ ok: true, value: cartOf(line('l1', 1, 2), line('l2', 4, 1, { name: 'Ada' })) });
  });

  it('refuses answers that do not hold, and a variant without enough stock, leaving the line as it was', () => {
    const bad = changeCart(one, { kind: 'reshape', lineId: 'l1', variantId: 1, answers: { bad: 'x' } }, rulesOf);
    const soldOut = changeCart(one, { kind: 'reshape', lineId: 'l1', variantId: 3, answers: {} }, rulesOf);

    expect(bad.ok || bad.problems[0]?.path).to.equal('option:bad');
    expect(soldOut.ok || soldOut.problems[0]?.code).to.equal('sold-out');
  });

  it('refuses a line that is gone and a variant that is unknown', () => {
    expect(changeCart(EMPTY_CART, { kind: 'remove', lineId: 'x' }, rulesOf).ok).to.equal(false);
    expect(changeCart(EMPTY_CART, add(77, 1), rulesOf).ok).to.equal(false);
  });

  it('never holds a negative, fractional or too large quantity, in whatever order it is changed', () => {
    const id = fc.constantFrom('l1', 'l2', 'x');
    const answers = fc.constantFrom<Answers>({}, { extra: 'yes' }, { name: 'Ada' }, { bad: 'x' });
    const variantId = fc.integer({ min: 1, max: 4 });
    const change: fc.Arbitrary<CartChange> = fc.oneof(
      fc.record({
        kind: fc.constant('add' as const),
        variantId,
        quantity: fc.integer({ min: 1, max: 120 }),
        answers,
        newLineId: id,
      }),
      fc.record({ kind: fc.constant('set' as const), lineId: id, quantity: fc.integer({ min: 0, max: 120 }) }),
      fc.record({ kind: fc.constant('remove' as const), lineId: id }),
      fc.record({ kind: fc.constant('reshape' as const), lineId: id, variantId, answers }),
      fc.record({ kind: fc.constant('coupon' as const), code: fc.option(fc.constantFrom('TEN', 'FIVE')) }),
    );
    fc.assert(
      fc.property(fc.array(change, { maxLength: 40 }), (changes) => {
        let cart: Cart = EMPTY_CART;
        for (const item of changes) {
          const next = changeCart(cart, item, rulesOf);
          if (next.ok) cart = next.value;
        }
        const demand = demandOf(cart.lines, rulesOf);
        return (
          cart.lines.every(({ quantity }) => Number.isInteger(quantity) && quantity >= 1 && quantity <= 99) &&
          [...demand].every(([variant, wanted]) => wanted <= (rulesOf(variant)!.stock ?? Infinity))
        );
      }),
    );
  });
});

describe('priceCart', () => {
  const base: PriceInput = {
    lines: [
      { id: 'a', quantity: 2, unitPriceMinor: minor(1999) },
      { id: 'b', quantity: 1, unitPriceMinor: minor(500) },
    ],
    offers: [{ kind: 'freeShipping', id: 'free', name: 'Free', on: true, thresholdMinor: 5000, methods: [] }],
    tax: { basisPoints: 2000, included: true },
    deliveryMinor: minor(490),
  };

  it('adds lines and delivery, and takes the tax out of the whole', () => {
    const priced = priceCart(base);

    expect(priced.subtotalMinor).to.equal(4498);
    expect(priced.totalMinor).to.equal(4988);
    expect(priced.taxMinor).to.equal(831); // 4988 × 20 / 120 = 831.33
  });

  it('puts the tax on top where prices are without', () => {
    const priced = priceCart({ ...base, tax: { basisPoints: 1000, included: false }, deliveryMinor: null });

    expect(priced.taxMinor).to.equal(450);
    expect(priced.totalMinor).to.equal(4948);
    expect(priced.deliveryMinor).to.equal(null);
  });

  it('delivers free from the threshold on, and says which offer did it', () => {
    const priced = priceCart({ ...base, lines: [{ id: 'a', quantity: 1, unitPriceMinor: minor(5000) }] });

    expect(priced.deliveryMinor).to.equal(0);
    expect(priced.steps).to.deep.include({
      code: 'free-delivery',
      amountMinor: -490,
      offerId: 'free',
      thresholdMinor: 5000,
    });
  });

  it('charges delivery one cent below the threshold, and when the offer is off', () => {
    expect(
      priceCart({ ...base, lines: [{ id: 'a', quantity: 1, unitPriceMinor: minor(4999) }] }).deliveryMinor,
    ).to.equal(490);
    const off = base.offers.map((offer) => ({ ...offer, on: false }));
    expect(
      priceCart({ ...base, offers: off, lines: [{ id: 'a', quantity: 9, unitPriceMinor: minor(4999) }] }).deliveryMinor,
    ).to.equal(490);
  });

  const ten: Offer = {
    kind: 'couponPercent',
    id: 'ten',
    name: 'Ten',
    on: true,
    code: 'TEN',
    fromMinor: 2000,
    lastDay: '2026-12-24',
    basisPoints: 1000,
  };
  const five: Offer = {
    kind: 'couponAmount',
    id: 'five',
    name: 'Five',
    on: true,
    code: 'FIVE',
    fromMinor: 0,
    lastDay: null,
    amountMinor: 500,
  };
  const today = '2026-11-25';

  it('prices options for each unit and once, and never a line below nothing', () => {
    const priced = priceCart({
      ...base,
      lines: [
        {
          id: 'a',
          quantity: 2,
          unitPriceMinor: minor(1000),
          effects: [
            { key: 'name', label: 'Name', per: 'unit', amountMinor: 300 },
            { key: 'print', label: 'Print', per: 'once', amountMinor: 2500 },
          ],
        },
        {
          id: 'b',
          quantity: 1,
          unitPriceMinor: minor(100),
          effects: [{ key: 'less', label: 'Less', per: 'unit', amountMinor: -400 }],
        },
      ],
      deliveryMinor: null,
    });

    expect(priced.lines.map((item) => item.totalMinor)).to.deep.equal([5100, 0]); // 2 × (10 + 3) + 25
    expect(priced.lines[1]!.steps.map((step) => step.code)).to.deep.equal(['list-price', 'option', 'floor']);
  });

  it('takes a percentage off each line, and says which code did it', () => {
    const priced = priceCart({ ...base, offers: [ten], coupon: 'ten', today });

    expect(priced.lines.map((item) => item.totalMinor)).to.deep.equal([3598, 450]); // 3998 − 400, 500 − 50
    expect(priced.discountMinor).to.equal(450);
    expect(priced.subtotalMinor).to.equal(4498);
    expect(priced.lines[0]!.steps.at(-1)).to.deep.equal({
      code: 'coupon',
      amountMinor: -400,
      offerId: 'ten',
      coupon: 'TEN',
    });
  });

  it('shares an amount out so that the cents add up, and takes no more than there is', () => {
    const priced = priceCart({ ...base, offers: [five], coupon: 'FIVE', today });
    const small = priceCart({
      ...base,
      lines: [{ id: 'a', quantity: 1, unitPriceMinor: minor(300) }],
      offers: [five],
      coupon: 'FIVE',
      today,
      deliveryMinor: null,
    });

    expect(priced.lines.map((item) => item.totalMinor)).to.deep.equal([3554, 444]); // 500 × 3998/4498 = 444.4, 55.6
    expect(small.totalMinor).to.equal(0);
    expect(small.coupon?.takenMinor).to.equal(300);
  });

  it('judges free delivery by what is paid for the goods', () => {
    const offers: Offer[] = [{ ...five, amountMinor: 1 }, ...base.offers];
    const lines = [{ id: 'a', quantity: 1, unitPriceMinor: minor(5000) }];

    expect(priceCart({ ...base, lines, offers }).deliveryMinor).to.equal(0);
    expect(priceCart({ ...base, lines, offers, coupon: 'FIVE', today }).deliveryMinor).to.equal(490);
  });

  it('says why a code does not count', () => {
    const refusal = (code: string, goods: number, day = today) => {
      const judged = judgeCoupon(code, [ten, { ...five, on: false }], minor(goods), day);
      return judged.ok ? 'ok' : judged.refusal;
    };

    expect(refusal(' ten ', 2000)).to.equal('ok');
    expect(refusal('TWENTY', 2000)).to.deep.equal({ code: 'coupon-unknown' });
    expect(refusal('FIVE', 2000)).to.deep.equal({ code: 'coupon-unknown' });
    expect(refusal('TEN', 2000, '2026-12-25')).to.deep.equal({ code: 'coupon-over' });
    expect(refusal('TEN', 1999)).to.deep.equal({ code: 'coupon-too-little', missingMinor: 1 });
    expect(refusal('TEN', 0)).to.deep.equal({ code: 'coupon-empty' });
  });

  it('explains every amount: the steps of each line add up to it, and all of them to the total', () => {
    const effect = fc.record({
      key: fc.constantFrom('a', 'b', 'c'),
      label: fc.constant('x'),
      per: fc.constantFrom('unit' as const, 'once' as const),
      amountMinor: fc.integer({ min: -5000, max: 20_000 }),
    });
    const line = fc.record({
      id: fc.uuid(),
      quantity: fc.integer({ min: 1, max: 99 }),
      unitPriceMinor: fc.integer({ min: 0, max: 500_000 }).map(minor),
      effects: fc.array(effect, { maxLength: 4 }),
    });
    const tax = fc.record({ basisPoints: fc.integer({ min: 0, max: 3000 }), included: fc.boolean() });
    const percent = fc.integer({ min: 1, max: 10_000 }).map((basisPoints): Offer => ({ ...ten, basisPoints }));
    const amount = fc.integer({ min: 1, max: 900_000 }).map((amountMinor): Offer => ({ ...five, amountMinor }));
    fc.assert(
      fc.property(
        fc.array(line, { maxLength: 12 }),
        tax,
        fc.option(fc.integer({ min: 0, max: 5000 }).map(minor)),
        fc.oneof(percent, amount),
        fc.constantFrom(null, 'TEN', 'FIVE', 'NONE'),
        (lines, rule, deliveryMinor, offer, coupon) => {
          const offers = [...base.offers, offer];
          const priced = priceCart({ ...base, lines, tax: rule, deliveryMinor, offers, coupon, today });
          const sum = (steps: readonly { code: string; amountMinor: number }[]) =>
            steps.filter((step) => step.code !== 'tax-included').reduce((total, step) => total + step.amountMinor, 0);
          const all = [...priced.lines.flatMap((item) => item.steps), ...priced.steps];

          return (
            priced.lines.every((item) => sum(item.steps) === item.totalMinor && item.totalMinor >= 0) &&
            sum(all) === priced.totalMinor &&
            priced.subtotalMinor - priced.discountMinor + (priced.deliveryMinor ?? 0) ===
              priced.totalMinor - (rule.included ? 0 : priced.taxMinor) &&
            [priced.taxMinor, priced.discountMinor, priced.totalMinor].every((n) => Number.isInteger(n) && n >= 0)
          );
        },
      ),
    );
  });
});

describe('freeDelivery', () => {
  const offer = (thresholdMinor: number): Offer => ({
    kind: 'freeShipping',
    methods: [],
    id: 'f',
    name: 'F',
    on: true,
    thresholdMinor,
  });

  it('is what the nearest threshold still asks for', () => {
    expect(freeDelivery(minor(4200), [offer(9000), offer(6000)])).to.deep.equal({
      thresholdMinor: 6000,
      missingMinor: 1800,
    });
    expect(freeDelivery(minor(7000), [offer(6000)])?.missingMinor).to.equal(0);
    expect(freeDelivery(minor(4200), [])).to.equal(null);
  });
});
