import { expect } from 'chai';
import { lowestShownBefore, offerMoments } from '~/core/pricing';
import { cartInput } from '../../../support/pricing';

const DAY = 86_400_000;
const NOW = Date.parse('2026-11-30T12:00:00Z');

/** A price shown from so many days ago on: before offers, shown, and by which offers. */
const shown = (daysAgo: number, listMinor: number, priceMinor = listMinor, by = '') => ({
  at: NOW - daysAgo * DAY,
  listMinor,
  priceMinor,
  by,
});
const lowest = (...history: ReturnType<typeof shown>[]) => lowestShownBefore(history, 'Europe/Berlin');

describe('the lowest price shown in the 30 days before', () => {
  it('is that before the catalogue lowered it, however long ago that was', () => {
    expect(lowest(shown(90, 1000), shown(5, 800))).to.equal(1000);
    expect(lowest(shown(200, 1000), shown(60, 900), shown(50, 1000), shown(40, 700))).to.equal(900);
    expect(lowest(shown(200, 600), shown(90, 1000), shown(5, 800))).to.equal(1000);
  });

  it('counts back from the day an offer began: one that began 25 days ago is not its own lowest price', () => {
    expect(lowest(shown(90, 1000), shown(50, 950), shown(40, 1000), shown(25, 1000, 800, 'a'))).to.equal(950);
  });

  it('counts an offer before as what it made of the price', () => {
    expect(lowest(shown(90, 1000), shown(20, 1000, 800, 'a'), shown(10, 1000), shown(2, 1000, 700, 'b'))).to.equal(800);
    // One right after the other.
    expect(lowest(shown(90, 1000), shown(20, 1000, 800, 'a'), shown(2, 1000, 700, 'b'))).to.equal(800);
  });

  it('counts a price that changed within those days, and none while the same offer goes on', () => {
    expect(lowest(shown(90, 1000), shown(20, 850), shown(12, 1000), shown(3, 1000, 900, 'a'))).to.equal(850);
    expect(lowest(shown(90, 1000), shown(10, 1000, 800, 'a'), shown(4, 1200, 960, 'a'))).to.equal(1000);
  });

  it('counts the whole of the first day, as the shop’s zone has it', () => {
    // 30 days before the day it began the price was 600 until noon.
    expect(lowest(shown(200, 600), shown(35, 1000), shown(5, 800))).to.equal(600);
    expect(lowest(shown(200, 600), shown(36, 1000), shown(5, 800))).to.equal(1000);
  });

  it('is not known where nothing was shown before it began', () => {
    expect(lowest()).to.equal(null);
    expect(lowest(shown(90, 800))).to.equal(null);
    expect(lowest(shown(5, 1000, 800, 'a'))).to.equal(null);
  });
});

describe('the moments at which offers change prices', () => {
  it('are their beginnings and ends, each once, of those that are on', () => {
    const off = (when: object, over: object = {}) => ({
      kind: 'percentOff',
      target: 'lines',
      basisPoints: 1000,
      when,
      ...over,
    });
    const { offers } = cartInput(
      [],
      [
        off({ from: '2026-12-01T00:00:00Z', until: '2026-12-05T00:00:00Z' }),
        off({ from: '2026-12-05T00:00:00Z' }),
        off({ from: '2026-12-03T00:00:00Z' }, { on: false }),
      ],
    );
    const day = (text: string) => Date.parse(`${text}T00:00:00Z`);

    expect(offerMoments(offers, day('2026-11-01'), Infinity)).to.deep.equal([day('2026-12-01'), day('2026-12-05')]);
    // What was looked at already is not looked at again; the last moment counts.
    expect(offerMoments(offers, day('2026-12-01'), day('2026-12-05'))).to.deep.equal([day('2026-12-05')]);
  });
});
