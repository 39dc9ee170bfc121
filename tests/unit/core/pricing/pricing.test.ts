import { expect } from 'chai';
import { pricingInputSchema } from '~/core/pricing';
import { cartInput, line, only, price } from '../../../support/pricing';
import { FIGURED, WORKED } from './figured';

describe('the price of a cart', () => {
  for (const { name, lines, offers, input, after, total, delivery, tax, refused } of [...WORKED, ...FIGURED])
    it(`is as figured: ${name}`, () => {
      const priced = price(lines, offers, input);

      expect(priced.lines).to.deep.equal(after);
      expect(priced.totalMinor).to.equal(total);
      if (delivery !== undefined) expect(priced.deliveryMinor).to.equal(delivery);
      if (tax !== undefined) expect(priced.taxMinor).to.equal(tax);
      const codes = Object.fromEntries(Object.entries(priced.refused).map(([id, { code }]) => [id, code]));
      expect(codes).to.deep.equal(refused ?? {});
    });

  it('stands on enough examples', () => {
    expect(WORKED.length).to.equal(19);
    expect(FIGURED.length).to.be.at.least(40);
  });

  it('says what is missing, by what an offer is outdone, and what became of codes', () => {
    const offers = [
      { kind: 'deliveryOff', flatMinor: 0, when: { minGoodsMinor: 6000 } },
      { kind: 'percentOff', target: 'lines', basisPoints: 500, when: { code: 'small' }, combine: { group: 'g' } },
      { kind: 'percentOff', target: 'lines', basisPoints: 900, combine: { group: 'g' } },
    ];
    const priced = price([line(5500)], offers, { codes: ['Small', 'nothing'] });

    expect(priced.refused['o0']).to.deep.equal({ code: 'needs-more', missingMinor: 500 });
    expect(priced.refused['o1']).to.deep.equal({ code: 'outdone', by: ['o2'] });
    expect(priced.codes).to.deep.equal([
      { typed: 'Small', offerId: 'o1', refusal: { code: 'outdone', by: ['o2'] } },
      { typed: 'nothing', offerId: null, refusal: null },
    ]);
    expect(priced.taken).to.deep.equal({ o2: 495 });
  });

  it('adds gifts at nothing, outside the sums, while their conditions hold', () => {
    const gift = { kind: 'gift', variant: 'mug', quantity: 1, when: { minGoodsMinor: 1000 } };

    expect(price([line(1000)], [gift])).to.deep.include({
      gifts: [{ offerId: 'o0', variant: 'mug', quantity: 1 }],
      totalMinor: 1490,
      refused: {},
    });
    expect(price([line(999)], [gift]).gifts).to.deep.equal([]);
  });

  it('says so where the goods are dearer for the sake of delivery', () => {
    const offers = [
      { kind: 'percentOff', target: 'lines', basisPoints: 2000, combine: { group: 'g' } },
      { kind: 'deliveryOff', flatMinor: 0, combine: { group: 'g' } },
    ];

    expect(price([line(1000)], offers).receipt.isGoodsDearer).to.equal(true);
    expect(price([line(9000)], offers).receipt.isGoodsDearer).to.equal(false);
  });

  it('finds the best of sets though one of them makes a dearer unit free for another', () => {
    // Alone the second takes the cheap unit; after the first has used it up, the dear one.
    const offers = [
      { kind: 'buyGet', buy: only('b'), get: only('a'), buyQuantity: 1, getQuantity: 1, basisPoints: 1000, rank: 0 },
      {
        kind: 'buyGet',
        buy: only('c'),
        get: only('a', 'd'),
        buyQuantity: 1,
        getQuantity: 1,
        basisPoints: 10_000,
        rank: 1,
      },
    ];
    const priced = price([line(100), line(500, 1, 'b'), line(500, 1, 'c'), line(900, 1, 'd')], offers);

    expect(priced.lines).to.deep.equal([90, 500, 500, 0]);
  });

  it('looks at the 16 that take most when more are able, and says which it did not', () => {
    const offers = Array.from({ length: 18 }, (_, i) => ({
      kind: 'amountOff',
      target: 'lines',
      amountMinor: 10 + i,
      id: `x${String(i).padStart(2, '0')}`,
    }));
    const priced = price([line(100_000)], offers);

    expect(priced.refused).to.deep.equal({ x00: { code: 'not-searched' }, x01: { code: 'not-searched' } });
    expect(priced.lines).to.deep.equal([
      100_000 - offers.slice(2).reduce((sum, { amountMinor }) => sum + amountMinor, 0),
    ]);
  });

  it('takes null for absent, everywhere', () => {
    const offer = { kind: 'percentOff', target: 'lines', basisPoints: 1000, name: null, on: null, rank: null };
    const nulls = {
      ...offer,
      when: null,
      combine: { group: null, alone: null },
      limits: null,
      selection: { only: null },
    };

    expect(price([line(1000)], [nulls], { codes: null, used: null, today: null }).lines).to.deep.equal([900]);
  });

  it('is refused where the cart makes no sense, with the place', () => {
    const wrong = (over: object) => {
      const good = cartInput([line(100)], []);
      const read = pricingInputSchema.safeParse({ ...good, ...over });
      return read.success ? null : read.error.issues[0]!.path.join('.');
    };
    expect(wrong({ at: 'now' })).to.equal('at');
    expect(wrong({ birthday: '13-01' })).to.equal('birthday');
    expect(wrong({ lines: [{ ...cartInput([line(1)], []).lines[0], quantity: 0 }] })).to.equal('lines.0.quantity');
    expect(wrong({ lines: [{ ...cartInput([line(1)], []).lines[0], onceOptionsMinor: -1 }] })).to.equal(
      'lines.0.onceOptionsMinor',
    );
    expect(wrong({})).to.equal(null);
  });
});
