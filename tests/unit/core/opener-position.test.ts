import { expect } from 'chai';
import fc from 'fast-check';
import { boxAt, keepOff, overlaps, readPlace, snapPlace, writePlace } from '~/core/opener-position';

const WINDOW = { width: 400, height: 800 };
const SIZE = { width: 60, height: 60 };

describe('snapPlace', () => {
  it('takes the nearest edge, and the corner or middle when close', () => {
    expect(snapPlace(380, 780, WINDOW)).to.deep.equal({ edge: 'bottom', along: 100 });
    expect(snapPlace(210, 20, WINDOW)).to.deep.equal({ edge: 'top', along: 50 });
    expect(snapPlace(10, 240, WINDOW)).to.deep.equal({ edge: 'start', along: 30 });
  });

  it('reads start and end the other way in right-to-left pages', () => {
    expect(snapPlace(10, 240, WINDOW, true)).to.deep.equal({ edge: 'end', along: 30 });
  });
});

describe('boxAt', () => {
  it('lies inset from its edge', () => {
    expect(boxAt({ edge: 'bottom', along: 100 }, SIZE, WINDOW, { inset: 16 })).to.include({ left: 324, top: 724 });
    expect(boxAt({ edge: 'start', along: 50 }, SIZE, WINDOW, { inset: 16 })).to.include({ left: 16, top: 370 });
    expect(boxAt({ edge: 'bottom', along: 100 }, SIZE, WINDOW, { inset: 16, isRightToLeft: true })).to.include({
      left: 16,
      top: 724,
    });
  });

  it('never leaves the window, wherever it is dropped', () => {
    const at = fc.tuple(fc.integer({ min: -50, max: 900 }), fc.integer({ min: -50, max: 900 }), fc.boolean());
    fc.assert(
      fc.property(at, ([x, y, rtl]) => {
        const place = snapPlace(x, y, WINDOW, rtl);
        const box = boxAt(readPlace(writePlace(place)), SIZE, WINDOW, { inset: 16, isRightToLeft: rtl });
        return box.left >= 16 && box.top >= 16 && box.left + 60 <= 384 && box.top + 60 <= 784;
      }),
    );
  });
});

describe('keepOff', () => {
  const bar = { left: 0, top: 736, width: 400, height: 64 };

  it('moves up over a bar at the lower edge, and no further', () => {
    const box = boxAt({ edge: 'bottom', along: 100 }, SIZE, WINDOW, { inset: 16 });

    expect(keepOff(box, [bar], WINDOW, 12)).to.include({ left: 324, top: 664 });
  });

  it('stays where nothing is in the way', () => {
    const box = boxAt({ edge: 'top', along: 0 }, SIZE, WINDOW, { inset: 16 });

    expect(keepOff(box, [bar], WINDOW, 12)).to.equal(box);
  });

  it('lies on nothing afterwards whenever there is room', () => {
    const other = fc.record({
      left: fc.integer({ min: 0, max: 300 }),
      top: fc.integer({ min: 0, max: 700 }),
      width: fc.integer({ min: 1, max: 200 }),
      height: fc.integer({ min: 1, max: 200 }),
    });
    fc.assert(
      fc.property(fc.array(other, { maxLength: 2 }), fc.integer({ min: 0, max: 100 }), (others, along) => {
        const moved = keepOff(boxAt({ edge: 'end', along }, SIZE, WINDOW, { inset: 16 }), others, WINDOW, 12);
        return !others.some((item) => overlaps(moved, item));
      }),
    );
  });
});
