import { expect } from 'chai';
import fc from 'fast-check';
import {
  priceCart,
  pricingInputSchema,
  shownOffers,
  toldOffers,
  type PricedOffer,
  type PricingInput,
} from '~/core/pricing';
import { cartInput, grouped, line, only } from '../../../support/pricing';
import { anyOffer, anyLine } from '../../../support/any-offers';

const perItem = (more: object = {}) => ({ combine: { group: 'discounts', per: 'item', ...more } });
const percent = (basisPoints: number, more: object = {}) => ({
  kind: 'percentOff',
  target: 'lines',
  basisPoints,
  ...more,
});
const AT = Date.parse('2026-11-26T12:00:00Z');

/** What is shown for each line of a cart, as if it were all there is in it, and the least that delivery is told to cost. */
function shownFor(input: PricingInput, offers: readonly PricedOffer[], severalCodes = true) {
  const shown = shownOffers(offers, { at: Date.parse(input.at), severalCodes });
  const withDelivery = shownOffers(offers, { at: Date.parse(input.at), severalCodes, delivery: true });
  const alone = (own: PricingInput['lines'][number], by: readonly PricedOffer[]) =>
    priceCart({ ...input, lines: [own], offers: [...by], codes: [], source: null, birthday: null, shopper: 'new' });
  const delivery = input.lines.map((own) => alone(own, withDelivery).deliveryMinor ?? 0);
  return {
    lines: input.lines.map((own) => alone(own, shown).lines[0]!),
    deliveryMinor: Math.min(input.deliveryMinor ?? 0, ...delivery),
  };
}

const sum = (amounts: readonly number[]) => amounts.reduce((all, one) => all + one, 0);

describe('a price that is shown before there is a cart', () => {
  it('is never passed by a cart, delivery included: 2,000 carts of random offers', function () {
    this.timeout(240_000);
    let lowered = 0;
    fc.assert(
      fc.property(
        fc.array(anyLine(), { minLength: 1, maxLength: 4 }),
        fc.array(anyOffer(), { maxLength: 7 }),
        fc.constantFrom(null, 0, 490),
        fc.record({
          shopper: fc.constantFrom('new', 'returning'),
          country: fc.constantFrom(null, 'DE', 'AT'),
          source: fc.constantFrom(null, 'letter'),
          codes: fc.constantFrom([], ['spring']),
        }),
        (lines, offers, deliveryMinor, buyer) => {
          const input = cartInput(lines, offers, { deliveryMinor, ...buyer });
          const cart = priceCart(input);
          const shown = shownFor(input, input.offers);
          const full = sum(cart.receipt.lines.map(({ fullMinor }) => fullMinor));
          if (sum(shown.lines) < full) lowered += 1;
          return sum(cart.lines) + (cart.deliveryMinor ?? 0) <= sum(shown.lines) + shown.deliveryMinor;
        },
      ),
      { numRuns: 2000, seed: 19 },
    );
    // What is shown is lower than without offers often enough to be of use.
    expect(lowered).to.be.above(300);
  });

  it('says what the offers of its own product take', () => {
    const { offers } = cartInput([line(1)], [percent(1000, { selection: only('a'), ...perItem() })]);
    const shown = shownFor(cartInput([line(5000), line(2000, 1, 'b')], []), offers);

    expect(shown.lines).to.deep.equal([4500, 2000]);
  });

  const left: readonly (readonly [string, object[]])[] = [
    ['a set', [{ kind: 'buyGet', buyQuantity: 1, getQuantity: 1, basisPoints: 5000 }]],
    ['a cap', [percent(1000, { maxMinor: 5000 })]],
    ['off the order', [percent(1000, { target: 'order' })]],
    ['a code', [percent(1000, { when: { code: 'spring' } })]],
    ['one that stands alone', [percent(1000, { combine: { alone: true } })]],
    ['for those who return', [percent(1000, { when: { shopper: 'returning' } })]],
    ['for a first order', [percent(1000, { when: { shopper: 'new' } })]],
    ['for a country', [percent(1000, { when: { countries: ['DE'] } })]],
    ['once a shopper', [percent(1000, { limits: { perShopper: 1 } })]],
    [
      'counted over several products',
      [{ kind: 'quantityBreaks', count: 'selection', breaks: [{ from: 1, basisPoints: 900 }] }],
    ],
    [
      'per order, beside another that is on',
      [percent(1000, grouped()), percent(2000, { selection: only('b'), ...grouped() })],
    ],
    [
      'per item, beside one per order',
      [percent(1000, perItem()), percent(2000, { selection: only('b'), ...grouped() })],
    ],
    [
      'among more than are searched',
      Array.from({ length: 17 }, (_, i) => percent(1000 + i, { selection: only(i === 0 ? 'a' : 'b') })),
    ],
  ];
  for (const [name, offers] of left)
    it(`leaves out what other goods or another buyer may not get: ${name}`, () => {
      const shown = shownFor(cartInput([line(5000)], []), cartInput([line(1)], offers).offers);

      expect(shown.lines).to.deep.equal([5000]);
    });

  it('counts one of its group, per order, when no other of it is on', () => {
    const offers = [percent(1000, grouped()), percent(2000, { on: false, selection: only('b'), ...grouped() })];
    const shown = shownFor(cartInput([line(5000)], []), cartInput([line(1)], offers).offers);

    expect(shown.lines).to.deep.equal([4500]);
  });

  it('does not count codes of which one cart takes one as if all could stand together', () => {
    const codes = Array.from({ length: 20 }, (_, i) => percent(500, { when: { code: `c${i}` } }));
    const { offers } = cartInput([line(1)], [percent(1000), ...codes]);

    expect(shownOffers(offers, { at: AT, severalCodes: false }).map(({ id }) => id)).to.deep.equal(['o0']);
    expect(shownOffers(offers, { at: AT, severalCodes: true })).to.deep.equal([]);
  });

  it('is one list for one array of offers', () => {
    const { offers } = pricingInputSchema.parse(cartInput([line(1)], [percent(1000)]));

    expect(shownOffers(offers, { at: AT, severalCodes: false })).to.equal(
      shownOffers(offers, { at: AT + 1, severalCodes: false }),
    );
  });
});

describe('what is told of an offer beside a price', () => {
  it('is what it asks for, but not when it began or when it ends', () => {
    const dates = { from: '2026-11-20T00:00:00Z', until: '2026-12-20T00:00:00Z' };
    const { lines, offers } = cartInput([line(1000)], [percent(1000, { when: { ...dates, minQuantity: 3 } })]);
    const [told] = toldOffers({ line: lines[0]!, isOnePrice: true }, offers, [], AT);
    expect(told!.when).to.include({ minQuantity: 3, from: null, until: null });
  });
});
