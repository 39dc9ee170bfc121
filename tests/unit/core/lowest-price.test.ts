import { expect } from 'chai';
import { lowestBefore } from '~/core/catalogue/lowest-price';

describe('the lowest price of the 30 days before', () => {
  const DAY = 86_400_000;
  const now = 100 * DAY;
  const change = (daysAgo: number, priceMinor: number) => ({ at: now - daysAgo * DAY, priceMinor });

  it('is that before the price was lowered, however long ago that was', () => {
    expect(lowestBefore([change(90, 1000), change(5, 800)], true, now)).to.equal(1000);
    expect(lowestBefore([change(200, 1000), change(60, 900), change(50, 1000), change(40, 700)], true, now)).to.equal(
      900,
    );
    expect(lowestBefore([change(200, 600), change(90, 1000), change(5, 800)], true, now)).to.equal(1000);
  });

  it('counts what was asked on the first of the days', () => {
    expect(lowestBefore([change(200, 600), change(30, 1000), change(5, 800)], true, now)).to.equal(600);
  });

  it('ends today where an offer lowers a price that stands as it was', () => {
    expect(lowestBefore([change(90, 1000), change(20, 950), change(10, 1000)], false, now)).to.equal(950);
    expect(lowestBefore([change(90, 1000)], false, now)).to.equal(1000);
  });

  it('is not known of what has no past', () => {
    expect(lowestBefore([], true, now)).to.equal(null);
    expect(lowestBefore([change(5, 800)], true, now)).to.equal(null);
  });
});
