import { allocate, dinero, multiply, subtract, toSnapshot, type Dinero } from 'dinero.js';
import { FPGrowth } from 'node-fpgrowth';
import { basketsOf, find } from '~/core/finder';
import {
  backtest,
  offerSchema,
  priceCart,
  priceGoods,
  type Offer,
  type PricingInput,
  pricedLine,
} from '~/core/pricing';
import { offersOf } from '~/core/pricing/engine/offers-of';
import { minor } from '~/core/money';
import { randomFrom } from '../../demo/random';
import { cartInput, grouped, line as short, only } from '../support/pricing';
import { line, ms, quantile } from './tell';

const us = (value: number) => `${value.toFixed(1)} µs`;

/** Microseconds of each of so many runs, after a quarter as many to warm up. */
function timed(run: () => unknown, rounds: number): number[] {
  for (let i = 0; i < rounds / 4; i += 1) run();
  return Array.from({ length: rounds }, () => {
    const started = performance.now();
    run();
    return (performance.now() - started) * 1000;
  });
}

/** Microseconds of one run, the median of hundreds: so short that a clock sees it only many at a time. All are warmed up alike. */
function each(run: () => unknown): number {
  const hundred = () => {
    for (let i = 0; i < 100; i += 1) run();
  };
  return quantile(timed(hundred, 200), 0.5) / 100;
}

const times = (a: number, b: number) => `${(a / b).toFixed(1)}×`;

const percent = (basisPoints: number, more: object = {}) => ({
  kind: 'percentOff',
  target: 'lines',
  basisPoints,
  ...more,
});
const threeFree = { kind: 'buyGet', buyQuantity: 2, getQuantity: 1, basisPoints: 10_000 };
const offOrder = (amountMinor: number) => ({ kind: 'amountOff', target: 'order', amountMinor });

const EUR = { code: 'EUR', base: 10, exponent: 2 } as const;

/** The same cart in dinero.js: each line multiplied out, then every offer taken off every line, one after the other. */
function inDinero({ lines, offers }: PricingInput): number {
  let goods = lines.map(({ unitMinor, quantity }) => multiply(dinero({ amount: unitMinor, currency: EUR }), quantity));
  for (const offer of offers)
    goods = goods.map((cost): Dinero<number, 'EUR'> => {
      if (offer.kind === 'percentOff') return allocate(cost, [10_000 - offer.basisPoints, offer.basisPoints])[0]!;
      if (offer.kind === 'amountOff') return subtract(cost, dinero({ amount: 1, currency: EUR }));
      return multiply(cost, { amount: 9, scale: 1 });
    });
  return goods.reduce((sum, cost) => sum + toSnapshot(cost).amount, 0);
}

function bareSum({ lines }: PricingInput, times: number): number {
  let sum = 0;
  for (let i = 0; i < times; i += 1) for (const { unitMinor, quantity } of lines) sum += unitMinor * quantity;
  return sum;
}

/** Prices with receipts, beside the same in a library and a bare sum of the same lines, and the best of several able offers. */
function benchPricing(): void {
  const lines = Array.from({ length: 6 }, (_, i) => short(1000 + 99 * i, 1 + (i % 3), `p${i}`));
  const waiting = Array.from({ length: 16 }, (_, i) => percent(500 + i, { when: { code: `CODE${i}` } }));
  const able = [
    percent(1000, grouped()),
    { ...offOrder(300), ...grouped() },
    threeFree,
    { kind: 'deliveryOff', flatMinor: 0, when: { minGoodsMinor: 3000 } },
  ];
  const cart = cartInput(lines, [...able, ...waiting]);
  let sum = 0;
  const once = each(() => (sum += bareSum(cart, 1)));
  // As often as the library multiplies: every line for every offer.
  const bare = each(() => (sum += bareSum(cart, cart.offers.length)));
  const priced = each(() => priceCart(cart));
  const library = each(() => (sum += inDinero(cart)));
  if (!(sum > 0)) throw new Error('The sum was not worked out');
  line(
    '6 lines, 20 offers, with receipt',
    us(priced),
    `a bare sum per offer ${us(bare)}: ${times(priced, bare)} (bar 15×)`,
  );
  line('  the lines summed up once', us(once), `${times(priced, once)} as long`);
  line('  the same offers off the same lines in dinero.js', us(library), `${times(library, priced)} as long (bar 30×)`);
  const one = cartInput([short(4990)], [...able.slice(0, 2), able[3]!, ...waiting]);
  line('1 line, 20 offers of which 3 are able', us(each(() => priceCart(one))), '(bar 20 µs)');
  const perItem = (offer: object) => ({ ...offer, combine: { group: 'discounts', per: 'item' } });
  const items = cartInput(lines, [
    ...[...able, percent(700, { selection: only('p1', 'p2') })].map(perItem),
    ...waiting,
  ]);
  line('6 lines, 21 offers of which 5 are able, per item', us(each(() => priceCart(items))), '');
  const best = (offers: object[]) => {
    const input = cartInput(lines, offers);
    // A quarter of them warm up first, as the server of a shop that is open has.
    return us(
      quantile(
        timed(() => priceCart(input), 4000),
        0.95,
      ),
    );
  };
  const ofKinds = (i: number) =>
    [
      percent(500 + 77 * i),
      offOrder(150 + 40 * i),
      { ...threeFree, basisPoints: 5000 + 500 * (i % 5) },
      {
        kind: 'quantityBreaks',
        breaks: [
          { from: 2, basisPoints: 400 + 30 * i },
          { from: 3, basisPoints: 900 },
        ],
      },
      { kind: 'amountOff', target: 'lines', amountMinor: 20 + i },
      {
        kind: 'bundle',
        items: ['p0', `p${1 + (i % 4)}`].map((product) => ({ selection: only(product), quantity: 1 })),
        priceMinor: 1500 + i,
      },
    ][i % 6]!;
  const twelve = Array.from({ length: 12 }, (_, i) => ({ ...ofKinds(i), ...grouped(`g${i % 4}`) }));
  line('best of 12 offers in 4 groups, 6 lines, p95', best(twelve), '(bar 2 ms)');
  line(
    'best of 12 offers in 4 groups per item, 6 lines, p95',
    best(twelve.map((offer) => ({ ...offer, combine: { ...offer.combine, per: 'item' } }))),
    '',
  );
  const sixteen = Array.from(
    { length: 16 },
    (_, i) =>
      [percent(300 + i), offOrder(300), { ...threeFree, ...grouped('sets') }, percent(900, grouped(`g${i % 3}`))][
        i % 4
      ]!,
  );
  line('best of 16 able offers of mixed kinds, p95', best(sixteen), '');
}

/** 100,000 orders with 315,000 lines or so of 500 products, bought by Zipf's law, in 26 weeks. */
function orders() {
  const random = randomFrom(11);
  const weights = Array.from({ length: 500 }, (_, i) => 1 / (i + 1));
  const all = weights.reduce((a, b) => a + b, 0);
  const upTo: number[] = [];
  for (const weight of weights) upTo.push((upTo.at(-1) ?? 0) + weight / all);
  const product = () => {
    const wanted = random.whole(0, 999_999) / 1_000_000;
    let [low, high] = [0, upTo.length - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (upTo[middle]! > wanted) high = middle;
      else low = middle + 1;
    }
    return low;
  };
  return Array.from({ length: 100_000 }, (_, basket) => ({
    basket,
    // Orders stand as they came.
    week: Math.floor((basket * 26) / 100_000),
    products: [...new Set(Array.from({ length: random.whole(1, 6) }, product))],
  }));
}

async function benchFinder(): Promise<void> {
  const sold = orders();
  const rows = sold.flatMap(({ basket, week, products }) =>
    products.map((product) => ({ basket, week, product: `p${product}` })),
  );
  const baskets = basketsOf(rows);
  const once = (run: () => unknown) => Math.min(...timed(run, 12)) / 1000;
  let seen = 0;
  const pass = once(() => {
    for (let i = 0; i < sold.length; i += 1) for (const product of sold[i]!.products) seen += product;
  });
  const least = sold.length / 1000;
  let pairs = 0;
  const own = once(() => {
    const steps = find(baskets, { least });
    let step = steps.next();
    while (!step.done) step = steps.next();
    pairs = step.value.pairs.length;
  });
  const started = performance.now();
  const mined = await new FPGrowth<number>(0.001).exec(sold.map(({ products }) => products));
  const library = performance.now() - started;
  const minedPairs = mined.filter(({ items }) => items.length === 2).length;
  if (minedPairs !== pairs) throw new Error(`The library found ${minedPairs} pairs, we ${pairs}`);
  if (!(seen > 0)) throw new Error('Nothing was passed over');
  line(
    `finder, 100,000 orders, ${rows.length} lines, ${pairs} pairs`,
    ms(own),
    `one pass ${ms(pass)}: ${times(own, pass)} (bar 10×)`,
  );
  line('  node-fpgrowth on the same orders', ms(library), `${times(library, own)} as long (bar 20×)`);
}

/** One offer over many orders, beside pricing each of them once. */
function benchBacktest(): void {
  const random = randomFrom(12);
  const offer = (more: object): Offer => offerSchema.parse({ name: 'An offer', on: true, ...more });
  const offers = { tested: offer(percent(1000)), other: offer(threeFree) };
  const past = Array.from({ length: 20_000 }, (_, id) => ({
    id,
    lines: Array.from({ length: random.whole(1, 5) }, (_, i) => {
      const [slug, quantity] = [`p${random.whole(1, 50)}`, random.whole(1, 3)];
      const goods = { slug, sku: `v${i}`, categories: [], tags: [], priceMinor: random.whole(100, 9000) };
      return { ...pricedLine(goods, quantity, { id: `l${i}` }), costMinor: 50 };
    }),
    deliveryMinor: 490,
    deliveryMethod: null,
    circumstances: {
      at: Date.UTC(2026, 10, 1),
      today: '2026-11-01',
      shopper: 'new' as const,
      country: 'DE',
      source: null,
      birthday: null,
      used: {},
    },
  }));
  const tax = { basisPoints: 2000, included: true };
  const list = offersOf(offers);
  const best = (run: () => unknown) => Math.min(...timed(run, 4)) / 1000;
  const priced = best(() => {
    for (const { lines, circumstances } of past)
      priceGoods({
        lines,
        offers: list,
        tax,
        deliveryMinor: minor(490),
        deliveryMethod: null,
        codes: [],
        circumstances,
      });
  });
  const tested = best(() => {
    for (const _ of backtest(past, offers, 'tested', tax));
  });
  line(
    'backtest of an offer over 20,000 orders',
    ms(tested),
    `pricing each once ${ms(priced)}: ${times(tested, priced)} (bar 3×)`,
  );
}

benchPricing();
benchBacktest();
await benchFinder();
