import { expect } from 'chai';
import fc from 'fast-check';
import { priceChoice, priceLine, pricedLine } from '~/core/pricing';
import { effectSums, type OptionEffect } from '~/core/options/effects';

describe('priceChoice', () => {
  const effect = fc.record<OptionEffect>({
    key: fc.constant('k'),
    label: fc.constant('K'),
    per: fc.constantFrom('unit', 'once'),
    amountMinor: fc.integer({ min: 0, max: 10_000 }),
  });

  it('says of what is being chosen what the cart will say of the line, to the cent', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100_000 }),
        fc.integer({ min: 1, max: 99 }),
        fc.array(effect, { maxLength: 6 }),
        (priceMinor, quantity, effects) => {
          const chosen = priceChoice({ priceMinor, wasMinor: null, quantity, extra: effectSums(effects) });
          const goods = { slug: 'a', sku: 'A', categories: [], tags: [], priceMinor };
          const priced = priceLine(pricedLine(goods, quantity, { effects }));

          expect(chosen.totalMinor).to.equal(priced.totalMinor);
        },
      ),
    );
  });

  it('tells a price that was lowered for as many, and says when the total is not one unit’s price', () => {
    const extra = { unitMinor: 250, onceMinor: 2500 };

    expect(priceChoice({ priceMinor: 1000, wasMinor: 1200, quantity: 2, extra })).to.deep.equal({
      eachMinor: 1250,
      onceMinor: 2500,
      totalMinor: 5000,
      wasTotalMinor: 5400,
      hasParts: true,
    });
    const plain = { unitMinor: 0, onceMinor: 0 };
    expect(priceChoice({ priceMinor: 1000, wasMinor: null, quantity: 1, extra: plain }).hasParts).to.equal(false);
  });
});
