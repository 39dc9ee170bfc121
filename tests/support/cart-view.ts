import type { LineView, CartView } from '~/core/cart';
import { minor } from '~/core/money';

/** A line of a cart, two deltas at 5.00, but for what is given. */
export function lineView(over: Partial<LineView> = {}): LineView {
  const quantity = over.quantity ?? 2;
  const unitMinor = over.unitMinor ?? minor(500);
  const sum = minor(unitMinor * quantity);
  return {
    id: 'a',
    variantId: 1,
    slug: 'delta',
    categories: ['single-line'],
    name: 'Delta',
    choices: 'Small, Harbour',
    answerTexts: [],
    answers: {},
    arrival: null,
    isChangeable: true,
    better: null,
    instead: null,
    picture: { src: '/media/delta.svg', alt: 'Delta' },
    quantity,
    stock: 9,
    unitMinor,
    fullMinor: sum,
    totalMinor: sum,
    lineMinor: sum,
    steps: [{ code: 'list-price', amountMinor: sum, quantity, unitMinor }],
    problem: null,
    ...over,
  };
}

/** A cart of these lines, tax of 20 % included, with no destination yet, but for what is given. */
export function cartView(lines: readonly LineView[], over: Partial<CartView> = {}): CartView {
  const sum = minor(lines.reduce((total, line) => total + line.totalMinor, 0));
  const taxMinor = minor(Math.round((sum * 2000) / 12_000));
  return {
    version: 1,
    lines,
    count: lines.reduce((total, line) => total + line.quantity, 0),
    subtotalMinor: sum,
    discounts: [],
    discountMinor: minor(0),
    deliveryMinor: null,
    taxMinor,
    taxIncluded: true,
    taxBasisPoints: 2000,
    totalMinor: sum,
    freeDelivery: null,
    hints: [],
    steps: [{ code: 'tax-included', amountMinor: taxMinor, basisPoints: 2000 }],
    codes: [],
    gifts: [],
    comesAlong: '',
    deadline: null,
    takesCode: false,
    needsDelivery: true,
    countries: ['DE', 'DK', 'GB', 'NO'],
    estimate: null,
    note: '',
    ...over,
  };
}
