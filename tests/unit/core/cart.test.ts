import { expect } from 'chai';
import fc from 'fast-check';
import { changeCart, type CartChange, type CartLine } from '~/core/cart';
import { minor } from '~/core/money';
import { missingForFreeDelivery, priceCart, type PriceInput } from '~/core/offers';

const stock = new Map([
  [1, { name: 'Delta', stock: 3 }],
  [2, { name: 'Plan', stock: null }],
  [3, { name: 'Moth', stock: 0 }],
]);
const factsOf = (id: number) => stock.get(id);
const add = (variantId: number, quantity: number): CartChange => ({
  kind: 'add',
  variantId,
  quantity,
  newLineId: `l${variantId}`,
});

describe('changeCart', () => {
  const one: CartLine[] = [{ id: 'l1', variantId: 1, quantity: 2 }];

  it('raises the line of a variant that is there already', () => {
    expect(changeCart(one, add(1, 1), factsOf)).to.deep.equal({
      ok: true,
      value: [{ id: 'l1', variantId: 1, quantity: 3 }],
    });
  });

  it('refuses more than there is, and says how many there are', () => {
    const refused = changeCart(one, add(1, 2), factsOf);

    expect(refused).to.deep.equal({
      ok: false,
      problems: [{ path: 'quantity', code: 'not-enough-stock', facts: { name: 'Delta', stock: 3 } }],
    });
  });

  it('says sold out when there is none', () => {
    const refused = changeCart([], add(3, 1), factsOf);

    expect(refused.ok || refused.problems[0]?.code).to.equal('sold-out');
  });

  it('does not count what has no stock, but keeps the limit for one line', () => {
    expect(changeCart([], add(2, 99), factsOf).ok).to.equal(true);
    expect(changeCart([], add(2, 100), factsOf).ok).to.equal(false);
  });

  it('removes a line that is set to none', () => {
    expect(changeCart(one, { kind: 'set', lineId: 'l1', quantity: 0 }, factsOf)).to.deep.equal({ ok: true, value: [] });
  });

  it('lets a shopper lower a line even when stock has fallen below it', () => {
    const many: CartLine[] = [{ id: 'l1', variantId: 1, quantity: 9 }];

    expect(changeCart(many, { kind: 'set', lineId: 'l1', quantity: 5 }, factsOf).ok).to.equal(true);
  });

  it('refuses a line that is gone and a variant that is unknown', () => {
    expect(changeCart([], { kind: 'remove', lineId: 'x' }, factsOf).ok).to.equal(false);
    expect(changeCart([], add(77, 1), factsOf).ok).to.equal(false);
  });

  it('never holds a negative, fractional or too large quantity, in whatever order it is changed', () => {
    const change = fc.oneof(
      fc.record({
        kind: fc.constant('add' as const),
        variantId: fc.integer({ min: 1, max: 3 }),
        quantity: fc.integer({ min: 1, max: 120 }),
        newLineId: fc.uuid(),
      }),
      fc.record({
        kind: fc.constant('set' as const),
        lineId: fc.constantFrom('l1', 'x'),
        quantity: fc.integer({ min: 0, max: 120 }),
      }),
      fc.record({ kind: fc.constant('remove' as const), lineId: fc.constantFrom('l1', 'x') }),
    );
    fc.assert(
      fc.property(fc.array(change, { maxLength: 30 }), (changes) => {
        let lines: readonly CartLine[] = [];
        for (const item of changes) {
          const next = changeCart(lines, item, factsOf);
          if (next.ok) lines = next.value;
        }
        return lines.every(
          (line) =>
            Number.isInteger(line.quantity) &&
            line.quantity >= 1 &&
            line.quantity <= (factsOf(line.variantId)!.stock ?? 99),
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
    offers: [{ kind: 'freeShipping', id: 'free', name: 'Free', on: true, thresholdMinor: 5000 }],
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

  it('explains every amount: the steps add up to the total', () => {
    const line = fc.record({
      id: fc.uuid(),
      quantity: fc.integer({ min: 1, max: 99 }),
      unitPriceMinor: fc.integer({ min: 0, max: 500_000 }).map(minor),
    });
    const tax = fc.record({ basisPoints: fc.integer({ min: 0, max: 3000 }), included: fc.boolean() });
    fc.assert(
      fc.property(
        fc.array(line, { maxLength: 12 }),
        tax,
        fc.option(fc.integer({ min: 0, max: 5000 }).map(minor)),
        (lines, rule, delivery) => {
          const priced = priceCart({ ...base, lines, tax: rule, deliveryMinor: delivery });
          const steps = [...priced.lines.flatMap((item) => item.steps), ...priced.steps];
          const sum = steps
            .filter((step) => step.code !== 'tax-included')
            .reduce((total, step) => total + step.amountMinor, 0);

          return sum === priced.totalMinor && Number.isInteger(priced.taxMinor) && priced.totalMinor >= 0;
        },
      ),
    );
  });
});

describe('missingForFreeDelivery', () => {
  it('is what the nearest threshold still asks for', () => {
    expect(
      missingForFreeDelivery(minor(4200), [
        { kind: 'freeShipping', id: 'f', name: 'F', on: true, thresholdMinor: 6000 },
      ]),
    ).to.equal(1800);
    expect(
      missingForFreeDelivery(minor(7000), [
        { kind: 'freeShipping', id: 'f', name: 'F', on: true, thresholdMinor: 6000 },
      ]),
    ).to.equal(0);
    expect(missingForFreeDelivery(minor(4200), [])).to.equal(null);
  });
});
