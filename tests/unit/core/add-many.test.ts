import { expect } from 'chai';
import fc from 'fast-check';
import { addMany, changeCart, EMPTY_CART, MOST_PER_LINE, type VariantRules } from '~/core/cart';

const rules = new Map<number, VariantRules>(
  [null, 0, 1, 3, 50].map((stock, i) => [
    i + 1,
    {
      name: `V${i + 1}`,
      product: `p${i + 1}`,
      better: null,
      stock,
      judge: () => ({ ok: true, value: { answers: {}, addOns: [] } }),
    },
  ]),
);
const rulesOf = (id: number) => rules.get(id);
const items = fc.array(
  fc.record({ variantId: fc.integer({ min: 1, max: 6 }), quantity: fc.integer({ min: 1, max: 60 }) }),
  {
    maxLength: 12,
  },
);
const ids = () => {
  let n = 0;
  return () => `line-${(n += 1)}`;
};

describe('adding many at once', () => {
  it('puts in what can be had, one after the other, and refuses the rest with reasons', () => {
    fc.assert(
      fc.property(items, (wanted) => {
        const done = addMany(EMPTY_CART, wanted, rulesOf, { whole: false, newId: ids() });
        expect(done.added.length + done.refused.length).to.equal(wanted.length);
        for (const line of done.cart.lines) {
          expect(line.quantity).to.be.at.most(rulesOf(line.variantId)!.stock ?? MOST_PER_LINE);
          const put = done.added.filter(({ variantId }) => variantId === line.variantId);
          expect(line.quantity).to.equal(put.reduce((sum, { quantity }) => sum + quantity, 0));
        }
        for (const { variantId, problems } of done.refused) {
          expect(problems).to.have.length.above(0);
          if (variantId === 6) expect(problems[0]!.code).to.equal('not-found');
          if (variantId === 2) expect(problems[0]!.code).to.equal('sold-out');
        }
        // The same as one by one.
        const newId = ids();
        const single = wanted.reduce((cart, item) => {
          const changed = changeCart(cart, { kind: 'add', ...item, answers: {}, newLineId: newId() }, rulesOf);
          return changed.ok ? changed.value : cart;
        }, EMPTY_CART);
        expect(done.cart).to.deep.equal(single);
      }),
    );
  });

  it('puts in nothing, where all are wanted and one is refused', () => {
    fc.assert(
      fc.property(items, (wanted) => {
        const loose = addMany(EMPTY_CART, wanted, rulesOf, { whole: false, newId: ids() });
        const whole = addMany(EMPTY_CART, wanted, rulesOf, { whole: true, newId: ids() });
        if (loose.refused.length === 0) expect(whole).to.deep.equal(loose);
        else expect([whole.cart, whole.added, whole.refused]).to.deep.equal([EMPTY_CART, [], loose.refused]);
      }),
    );
  });
});
