import { expect } from 'chai';
import fc from 'fast-check';
import { changeCart, demandOf, EMPTY_CART, type Cart, type CartChange, type VariantRules } from '~/core/cart';
import type { Answers } from '~/core/options';
import { fail, ok } from '~/core/problems';

/** Answers `extra` brings a Plan along (variant 2); answer `bad` is refused. */
const judge: VariantRules['judge'] = (answers) => {
  if (answers['bad']) return fail('option:bad', 'option-missing', { label: 'Bad' });
  return ok({ answers, addOns: answers['extra'] ? [4] : [] });
};
const rules = new Map<number, VariantRules>([
  [1, { name: 'Delta', product: 'delta', better: 'winder', stock: 3, judge }],
  [2, { name: 'Plan', product: 'plan', better: null, stock: null, judge }],
  [3, { name: 'Moth', product: 'moth', better: null, stock: 0, judge }],
  [4, { name: 'Winder', product: 'winder', better: 'plan', stock: 2, judge }],
  [5, { name: 'Large winder', product: 'winder', better: 'plan', stock: 2, judge }],
]);
const rulesOf = (id: number) => rules.get(id);
const add = (variantId: number, quantity: number, answers = {}, newLineId = `l${variantId}`): CartChange => ({
  kind: 'add',
  variantId,
  quantity,
  answers,
  newLineId,
});
const made = (cart: Cart, change: CartChange): Cart => {
  const changed = changeCart(cart, change, rulesOf);
  if (!changed.ok) throw new Error(changed.problems[0]!.code);
  return changed.value;
};
const cartOf = (...lines: Cart['lines'][number][]): Cart => ({ ...EMPTY_CART, lines });
const line = (id: string, variantId: number, quantity: number, answers = {}) => ({ id, variantId, quantity, answers });

describe('changeCart', () => {
  const one = cartOf(line('l1', 1, 2));

  it('raises the line of what is there already', () => {
    expect(changeCart(one, add(1, 1), rulesOf)).to.deep.equal({ ok: true, value: cartOf(line('l1', 1, 3)) });
  });

  it('remembers in whose place a better one stands, whatever variant it is, and forgets it with the product', () => {
    const reshape = (cart: Cart, variantId: number) => {
      const changed = changeCart(cart, { kind: 'reshape', lineId: 'l1', variantId, answers: {} }, rulesOf);
      return changed.ok ? changed.value : EMPTY_CART;
    };
    const swapped = reshape(one, 4);
    const larger = reshape(swapped, 5);
    const places = [swapped, larger, reshape(larger, 2), reshape(swapped, 1), reshape(one, 2)].map(
      ({ lines }) => lines[0]!.insteadOf,
    );

    expect(places).to.deep.equal(['delta', 'delta', 'winder', undefined, undefined]);
  });

  it('keeps a better one apart from the same that was simply added, and puts it back where it stood', () => {
    const instead = { ...line('l1', 2, 1), insteadOf: 'delta' };
    const beside = made(cartOf(instead), add(2, 1, {}, 'l9'));
    const back = made(made(beside, { kind: 'remove', lineId: 'l1' }), { kind: 'put-back', lineId: 'l1' });

    expect(beside.lines).to.deep.equal([instead, line('l9', 2, 1)]);
    expect(back.lines).to.deep.equal(beside.lines);
  });

  it('keeps a line of its own for other answers', () => {
    const changed = changeCart(one, add(1, 1, { name: 'Ada' }, 'l9'), rulesOf);

    expect(changed.ok && changed.value.lines.map(({ id }) => id)).to.deep.equal(['l1', 'l9']);
  });

  it('refuses more than there is, and says how many there are', () => {
    expect(changeCart(one, add(1, 2), rulesOf)).to.deep.equal({
      ok: false,
      problems: [{ path: 'quantity', code: 'not-enough-stock', facts: { name: 'Delta', stock: 3 } }],
    });
  });

  it('counts stock over all lines of a variant', () => {
    const refused = changeCart(one, add(1, 2, { name: 'Ada' }, 'l9'), rulesOf);

    expect(refused.ok || refused.problems[0]?.code).to.equal('not-enough-stock');
  });

  it('counts the add-ons that come along, too', () => {
    const cart = cartOf(line('l1', 4, 1));

    expect(changeCart(cart, add(2, 1, { extra: 'yes' }), rulesOf).ok).to.equal(true);
    const refused = changeCart(cart, add(2, 2, { extra: 'yes' }), rulesOf);
    expect(refused.ok || refused.problems[0]?.facts).to.deep.equal({ name: 'Winder', stock: 2 });
    expect(demandOf(cartOf(line('a', 2, 3, { extra: 'yes' })).lines, rulesOf)).to.deep.equal(
      new Map([
        [2, 3],
        [4, 3],
      ]),
    );
  });

  it('says sold out when there is none', () => {
    const refused = changeCart(EMPTY_CART, add(3, 1), rulesOf);

    expect(refused.ok || refused.problems[0]?.code).to.equal('sold-out');
  });

  it('does not count what has no stock, but keeps the limit for one line', () => {
    expect(changeCart(EMPTY_CART, add(2, 99), rulesOf).ok).to.equal(true);
    expect(changeCart(EMPTY_CART, add(2, 100), rulesOf).ok).to.equal(false);
  });

  it('holds no more than 60 lines', () => {
    const full = cartOf(...Array.from({ length: 60 }, (_, i) => line(`x${i}`, 2, 1, { n: String(i) })));

    const refused = changeCart(full, add(2, 1, { n: 'new' }), rulesOf);

    expect(refused.ok || refused.problems[0]?.code).to.equal('too-many-lines');
  });

  it('removes a line that is set to none, and puts it back where it was', () => {
    const two = cartOf(line('l1', 1, 2), line('l2', 2, 1));
    const gone = made(two, { kind: 'set', lineId: 'l1', quantity: 0 });
    const back = made(gone, { kind: 'put-back', lineId: 'l1' });

    expect(gone.lines).to.deep.equal([line('l2', 2, 1)]);
    expect(back).to.deep.equal(two);
    // Once.
    expect(changeCart(back, { kind: 'put-back', lineId: 'l1' }, rulesOf).ok).to.equal(false);
  });

  it('puts back what is still to be had, with what was added since', () => {
    const gone = made(one, { kind: 'remove', lineId: 'l1' });

    const beside = made(made(gone, add(1, 1, {}, 'l9')), { kind: 'put-back', lineId: 'l1' });
    const tooMany = changeCart(made(gone, add(1, 2, {}, 'l9')), { kind: 'put-back', lineId: 'l1' }, rulesOf);

    expect(beside.lines).to.deep.equal([line('l9', 1, 3)]);
    expect(tooMany.ok || tooMany.problems[0]?.code).to.equal('not-enough-stock');
  });

  it('lets a shopper lower a line even when stock has fallen below it', () => {
    const many = cartOf(line('l1', 1, 9));

    expect(changeCart(many, { kind: 'set', lineId: 'l1', quantity: 5 }, rulesOf).ok).to.equal(true);
  });

  it('changes what a line holds and keeps the line', () => {
    const two = cartOf(line('l1', 1, 2), line('l2', 2, 1));

    const changed = changeCart(two, { kind: 'reshape', lineId: 'l2', variantId: 4, answers: { name: 'Ada' } }, rulesOf);

    expect(changed).to.deep.equal({ ok: true, value: cartOf(line('l1', 1, 2), line('l2', 4, 1, { name: 'Ada' })) });
  });

  it('refuses answers that do not hold, and a variant without enough stock, leaving the line as it was', () => {
    const bad = changeCart(one, { kind: 'reshape', lineId: 'l1', variantId: 1, answers: { bad: 'x' } }, rulesOf);
    const soldOut = changeCart(one, { kind: 'reshape', lineId: 'l1', variantId: 3, answers: {} }, rulesOf);

    expect(bad.ok || bad.problems[0]?.path).to.equal('option:bad');
    expect(soldOut.ok || soldOut.problems[0]?.code).to.equal('sold-out');
  });

  it('refuses a line that is gone and a variant that is unknown', () => {
    expect(changeCart(EMPTY_CART, { kind: 'remove', lineId: 'x' }, rulesOf).ok).to.equal(false);
    expect(changeCart(EMPTY_CART, add(77, 1), rulesOf).ok).to.equal(false);
  });

  it('never holds a negative, fractional or too large quantity, in whatever order it is changed', () => {
    const id = fc.constantFrom('l1', 'l2', 'x');
    const answers = fc.constantFrom<Answers>({}, { extra: 'yes' }, { name: 'Ada' }, { bad: 'x' });
    const variantId = fc.integer({ min: 1, max: 4 });
    const change: fc.Arbitrary<CartChange> = fc.oneof(
      fc.record({
        kind: fc.constant('add' as const),
        variantId,
        quantity: fc.integer({ min: 1, max: 120 }),
        answers,
        newLineId: id,
      }),
      fc.record({ kind: fc.constant('set' as const), lineId: id, quantity: fc.integer({ min: 0, max: 120 }) }),
      fc.record({ kind: fc.constant('remove' as const), lineId: id }),
      fc.record({ kind: fc.constant('put-back' as const), lineId: id }),
      fc.record({ kind: fc.constant('reshape' as const), lineId: id, variantId, answers }),
      fc.record({
        kind: fc.constant('coupon' as const),
        code: fc.constantFrom('TEN', 'ten', 'FIVE'),
        isBeside: fc.boolean(),
      }),
      fc.record({ kind: fc.constant('coupon-off' as const), code: fc.constantFrom('TEN', 'FIVE') }),
    );
    fc.assert(
      fc.property(fc.array(change, { maxLength: 40 }), (changes) => {
        let cart: Cart = EMPTY_CART;
        for (const item of changes) {
          const next = changeCart(cart, item, rulesOf);
          if (next.ok) cart = next.value;
        }
        const demand = demandOf(cart.lines, rulesOf);
        return (
          cart.lines.every(({ quantity }) => Number.isInteger(quantity) && quantity >= 1 && quantity <= 99) &&
          [...demand].every(([variant, wanted]) => wanted <= (rulesOf(variant)!.stock ?? Infinity)) &&
          new Set(cart.codes.map((code) => code.toLowerCase())).size === cart.codes.length
        );
      }),
    );
  });
});
