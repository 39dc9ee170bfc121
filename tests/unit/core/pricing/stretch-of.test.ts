import { expect } from 'chai';
import { offerSchema, stretchOf } from '~/core/pricing';

describe('the stretch an offer stands on', () => {
  const cases: readonly (readonly [string, object, string])[] = [
    ['a lower price shows with the product', { kind: 'percentOff', target: 'lines', basisPoints: 500 }, 'look'],
    ['so does a price of its own', { kind: 'priceIs', unitMinor: 500 }, 'look'],
    ['and a price by quantity', { kind: 'quantityBreaks', breaks: [{ from: 3, basisPoints: 500 }] }, 'look'],
    ['a code is typed in the cart', { kind: 'priceIs', unitMinor: 500, when: { code: 'A' } }, 'cart'],
    ['a sum is reached there', { kind: 'priceIs', unitMinor: 500, when: { minGoodsMinor: 9 } }, 'cart'],
    ['off the order is off the cart', { kind: 'amountOff', target: 'order', amountMinor: 100 }, 'cart'],
    ['delivery is told of there', { kind: 'deliveryOff', basisPoints: 10_000 }, 'cart'],
    ['a gift comes along', { kind: 'gift', variant: 'A', quantity: 1 }, 'cart'],
    ['who is new is known at the checkout', { kind: 'priceIs', unitMinor: 5, when: { shopper: 'new' } }, 'pay'],
    ['and who has a birthday', { kind: 'priceIs', unitMinor: 5, when: { birthdayDays: 3 } }, 'pay'],
  ];
  for (const [what, offer, stretch] of cases)
    it(what, () => expect(stretchOf(offerSchema.parse(offer))).to.equal(stretch));
});
