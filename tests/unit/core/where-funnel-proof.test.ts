import { expect } from 'chai';
import fc from 'fast-check';
import {
  countFunnel,
  depthOf,
  EVENT_KINDS,
  sizeLosses,
  STRETCHES,
  worthOfOnePoint,
  type DepthCount,
  type EventKind,
} from '~/core/funnel';
import { contrastRatio, nearestPassing } from '~/core/proof';
import { addDays, dayIn } from '~/core/time';
import { deviceOf, isSeen, type Visit, type Where } from '~/core/where';

describe('isSeen', () => {
  const everywhere: Where = {
    devices: ['phone', 'desktop'],
    pages: ['listing', 'product'],
    categories: { mode: 'all' },
    products: { mode: 'all' },
    spot: null,
    order: 0,
  };
  const visit: Visit = { device: 'phone', page: 'listing', categories: ['power'], product: null };

  it('keeps to devices and pages', () => {
    expect(isSeen(everywhere, visit)).to.equal(true);
    expect(isSeen(everywhere, { ...visit, device: 'tablet' })).to.equal(false);
    expect(isSeen(everywhere, { ...visit, page: 'cart' })).to.equal(false);
  });

  it('keeps to categories and products, named or excepted', () => {
    expect(isSeen({ ...everywhere, categories: { mode: 'only', slugs: ['indoor'] } }, visit)).to.equal(false);
    expect(isSeen({ ...everywhere, categories: { mode: 'except', slugs: ['power'] } }, visit)).to.equal(false);
    const swift: Where = { ...everywhere, products: { mode: 'only', slugs: ['swift'] } };
    expect(isSeen(swift, { ...visit, page: 'product', product: 'heron' })).to.equal(false);
    expect(isSeen(swift, { ...visit, page: 'product', product: 'swift' })).to.equal(true);
    expect(isSeen(swift, visit)).to.equal(true);
  });

  it('tells devices by their width', () => {
    expect([360, 639, 640, 1023, 1024].map(deviceOf)).to.deep.equal(['phone', 'phone', 'tablet', 'tablet', 'desktop']);
  });
});

describe('countFunnel', () => {
  it('counts a visit on every stretch up to its furthest', () => {
    const funnel = countFunnel([
      { depth: 1, sessions: 60, revenueMinor: 0 },
      { depth: 3, sessions: 30, revenueMinor: 0 },
      { depth: 6, sessions: 10, revenueMinor: 50_000 },
    ]);

    expect(funnel.stretches.map((stretch) => stretch.sessions)).to.deep.equal([100, 40, 40, 10, 10, 10]);
    expect(funnel.stretches.map((stretch) => stretch.left)).to.deep.equal([60, 0, 30, 0, 0, 10]);
    expect(funnel.stretches[0]!.goOn).to.equal(0.4);
    expect(funnel.orders).to.equal(10);
  });

  it('is empty, not broken, without visits', () => {
    const funnel = countFunnel([]);

    expect(
      funnel.stretches.every((stretch) => stretch.sessions === 0 && stretch.share === 0 && stretch.goOn === null),
    ).to.equal(true);
  });

  it('equals a plain walk over random logs, in whatever order the events come', () => {
    const log = fc.array(fc.array(fc.constantFrom(...EVENT_KINDS), { minLength: 1, maxLength: 12 }), { maxLength: 60 });
    fc.assert(
      fc.property(log, (visits) => {
        const depths = visits.map((events) => events.reduce((depth, kind) => Math.max(depth, depthOf(kind)), 0));
        const counts: DepthCount[] = depths.map((depth) => ({ depth, sessions: 1, revenueMinor: 0 }));
        const funnel = countFunnel(counts);

        return STRETCHES.every(
          (_, i) => funnel.stretches[i]!.sessions === visits.filter((events) => reached(events, i + 1)).length,
        );
      }),
    );
  });
});

/** The slow reference: did anything happen on this stretch or further on? */
function reached(events: readonly EventKind[], depth: number): boolean {
  return events.some((kind) => depthOf(kind) >= depth);
}

describe('sizeLosses', () => {
  const funnel = (look: number, add: number, revenueMinor: number) =>
    countFunnel([
      { depth: 1, sessions: 1000 - look, revenueMinor: 0 },
      { depth: 2, sessions: look - add, revenueMinor: 0 },
      { depth: 6, sessions: add, revenueMinor },
    ]);

  it('sizes the gap to the best device in money a month', () => {
    const losses = sizeLosses(
      new Map([
        ['phone', funnel(500, 50, 500_000)],
        ['desktop', funnel(500, 100, 900_000)],
      ]),
      30,
    );

    // 500 × (0.2 − 0.1) = 50 more would add; each such phone visit spends 500 000 / 50 = 10 000
    expect(losses).to.have.length(1);
    expect(losses[0]).to.include({
      device: 'phone',
      from: 'look',
      bestDevice: 'desktop',
      extraSessions: 50,
      monthlyMinor: 500_000,
    });
  });

  it('does not compare a stretch that few visits reached', () => {
    const small = countFunnel([
      { depth: 1, sessions: 150, revenueMinor: 0 },
      { depth: 2, sessions: 1, revenueMinor: 0 },
    ]);

    expect(
      sizeLosses(
        new Map([
          ['phone', funnel(500, 50, 500_000)],
          ['tablet', small],
        ]),
        30,
      ),
    ).to.deep.equal([]);
  });

  it('prices one point of going on by what those further on spend', () => {
    expect(worthOfOnePoint(funnel(500, 50, 500_000), 60)).to.deep.equal([5000, 25_000, 2500, 2500, 2500, null]);
  });
});

describe('contrast', () => {
  it('is that of WCAG', () => {
    expect(contrastRatio('#000000', '#ffffff')).to.be.closeTo(21, 1e-9);
    expect(contrastRatio('#777777', '#ffffff')).to.be.closeTo(4.478, 0.001);
    expect(contrastRatio('nonsense', '#ffffff')).to.equal(null);
  });

  it('offers a colour that passes, near the one wished for', () => {
    const fixed = nearestPassing('#f0b429', '#ffffff', 4.5)!;

    expect(contrastRatio(fixed, '#ffffff')).to.be.at.least(4.5);
    expect(contrastRatio(fixed, '#ffffff')).to.be.below(5.2);
  });

  it('offers nothing where nothing can pass', () => {
    expect(nearestPassing('#888888', '#777777', 15)).to.equal(null);
  });

  it('passes for random pairs, or says it cannot', () => {
    const colour = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
    fc.assert(
      fc.property(colour, colour, (text, ground) => {
        const fixed = nearestPassing(text, ground, 4.5);

        return fixed !== null && contrastRatio(fixed, ground)! >= 4.5;
      }),
      { numRuns: 60 },
    );
  });
});

describe('days', () => {
  it('belong to the shop’s zone, not the server’s', () => {
    const justAfterMidnightInBerlin = Date.parse('2026-03-01T23:30:00Z');

    expect(dayIn('Europe/Berlin', justAfterMidnightInBerlin)).to.equal('2026-03-02');
    expect(dayIn('America/New_York', justAfterMidnightInBerlin)).to.equal('2026-03-01');
    expect(addDays('2026-03-01', -1)).to.equal('2026-02-28');
  });
});
