import { expect } from 'chai';
import { currencyOf } from '~/core/money';
import { bestFrom, freeFrom, sumsToTry, type PastOrder, pricedLine } from '~/core/pricing';

const TAX = { basisPoints: 2000, included: true };
const order = (goods: number, cost: number | null, deliveryMinor = 600): PastOrder => ({
  id: 1,
  lines: [
    {
      ...pricedLine({ slug: 'a', sku: 'A', categories: [], tags: [], priceMinor: goods }, 1),
      costMinor: cost,
    },
  ],
  deliveryMinor,
  deliveryMethod: 'standard',
  circumstances: { at: 0, today: '2026-01-01', shopper: 'new', country: 'DE', source: null, birthday: null, used: {} },
});

describe('free delivery from a sum', () => {
  // Before tax: 50.00 brings 30.00, 40.00 brings 20.00; sending costs 5.00.
  const orders = [order(6000, 2000), order(4800, 2000)];

  it('costs what is sent free, and brings what is put in besides', () => {
    const { steps } = freeFrom(orders, [5000, 10_000], { share: 0.5, reach: 0.1 }, TAX);
    // The first is sent free: 30 − 5. The second is 2.00 short: half put in 2.00 at 50 of 108 and are sent free.
    const rate = 5000 / 10_800;
    expect(steps[0]!.perOrderMinor).to.be.closeTo((2500 + 2000 + 0.5 * (rate * 200 - 500)) / 2, 1e-9);
    expect(steps[0]!.lowMinor).to.equal((2500 + 2000) / 2);
    expect(steps[0]!.highMinor).to.be.closeTo((2500 + 2000 + (rate * 200 - 500)) / 2, 1e-9);
    expect(steps[0]!.freeShare).to.equal(0.5);
    // From 100.00 on nobody is near.
    expect(steps[1]).to.deep.include({ perOrderMinor: 2500, lowMinor: 2500, highMinor: 2500, freeShare: 0 });
  });

  it('leaves out what is not sent, and what costs nobody knows', () => {
    const answer = freeFrom([...orders, order(900, null), order(900, 1, 0)], [5000], { share: 0, reach: 0 }, TAX);
    expect(answer).to.include({ orders: 2, leftOut: 2 });
    expect(freeFrom([], [5000], { share: 0, reach: 0 }, TAX).steps[0]!.perOrderMinor).to.equal(0);
    expect(sumsToTry(currencyOf('EUR')).slice(0, 2)).to.deep.equal([500, 1000]);
  });

  it('says when its best lies at an end of what was looked at', () => {
    const best = (sums: number[], share = 0) => {
      const { best: found, end } = bestFrom(freeFrom(orders, sums, { share, reach: 0.3 }, TAX));
      return [found?.fromMinor ?? null, end];
    };
    // While nobody fills up, the sum that nobody reaches leaves most; where it is not the last one looked at, so much is known.
    expect(best([3000, 5000, 10_000])).to.deep.equal([10_000, 'highest']);
    expect(best([3000, 10_000, 12_000])).to.deep.equal([10_000, null]);
    expect(best([10_000, 12_000])).to.deep.equal([10_000, 'lowest']);
    expect(best([10_000])).to.deep.equal([10_000, null]);
    expect(bestFrom({ steps: [] })).to.deep.equal({ best: null, end: null });
  });
});
