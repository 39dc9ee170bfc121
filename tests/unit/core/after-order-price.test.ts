import { expect } from 'chai';
import fc from 'fast-check';
import { priceAfterOrder } from '~/core/pricing';

const good = (priceMinor: number, costMinor: number | null, taxBasisPoints: number | null = null) => ({
  sku: 'A',
  slug: 'a',
  name: 'A',
  choices: '',
  categories: [],
  tags: [],
  priceMinor,
  costMinor,
  taxBasisPoints,
});
const asked = (quantity: number, percent: number) => ({ quantity, percent, offerId: 'page', name: 'After' });
const shop = (floor: number | null, included = true, basisPoints = 2500) => ({
  margins: { shop: floor, categories: {}, products: {} },
  tax: { basisPoints, included },
});

describe('the price of what is offered after an order', () => {
  it('is so many per cent less, half up, with its tax', () => {
    const cases: [price: number, quantity: number, percent: number, included: boolean, amount: number, tax: number][] =
      [
        [1000, 1, 20, true, 800, 160],
        [1000, 1, 20, false, 800, 200],
        [999, 3, 15, true, 2547, 509],
        // 0.5 of a cent is taken off as a whole one.
        [5, 1, 10, false, 4, 1],
        [1290, 2, 0, true, 2580, 516],
      ];
    for (const [price, quantity, percent, included, amount, tax] of cases) {
      const priced = priceAfterOrder(good(price, null), asked(quantity, percent), shop(null, included));
      expect([priced.amountMinor, priced.taxMinor], `${price} × ${quantity} − ${percent} %`).to.deep.equal([
        amount,
        tax,
      ]);
      expect(priced.totalMinor).to.equal(included ? amount : amount + tax);
    }
  });

  it('never falls below the floor, nor rises above the price', () => {
    // Cost 6.00, floor 25 %: 8.00 before tax, 10.00 with 25 %.
    expect(priceAfterOrder(good(1200, 600), asked(1, 50), shop(2500))).to.include({ amountMinor: 1000, isHeld: true });
    expect(priceAfterOrder(good(1200, 600), asked(1, 10), shop(2500))).to.include({ amountMinor: 1080, isHeld: false });
    // The price itself is below it: it stays what it is.
    expect(priceAfterOrder(good(900, 600), asked(1, 50), shop(2500))).to.include({ amountMinor: 900, isHeld: true });
  });

  it('is told in steps that add up, whatever it is', () => {
    fc.assert(
      fc.property(
        fc.record({
          price: fc.integer({ min: 1, max: 60_000 }),
          cost: fc.option(fc.integer({ min: 0, max: 60_000 })),
          quantity: fc.integer({ min: 1, max: 20 }),
          percent: fc.integer({ min: 0, max: 80 }),
          floor: fc.option(fc.integer({ min: 0, max: 9000 })),
          included: fc.boolean(),
          tax: fc.integer({ min: 0, max: 3000 }),
        }),
        ({ price, cost, quantity, percent, floor, included, tax }) => {
          const priced = priceAfterOrder(good(price, cost), asked(quantity, percent), shop(floor, included, tax));
          expect(priced.steps.reduce((sum, { amountMinor }) => sum + amountMinor, 0)).to.equal(priced.amountMinor);
          expect(priced.amountMinor).to.be.within(0, price * quantity);
          expect(priced.orderSteps[0]?.amountMinor ?? 0).to.equal(priced.taxMinor);
          if (cost !== null && floor !== null && priced.amountMinor < price * quantity) {
            const net = included ? (priced.amountMinor * 10_000) / (10_000 + tax) : priced.amountMinor;
            expect(net + 1e-6).to.be.at.least((cost * quantity * 10_000) / (10_000 - floor));
          }
        },
      ),
    );
  });
});
