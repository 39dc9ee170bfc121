import { alone, grouped, line, only, type ShortLine } from '../../../support/pricing';

/** A cart, its offers, and what it comes to, figured by hand from docs/pricing.md. Minor units. */
export interface Figured {
  readonly name: string;
  readonly lines: readonly ShortLine[];
  readonly offers: readonly object[];
  readonly input?: object;
  readonly after: readonly number[];
  readonly total: number;
  readonly delivery?: number | null;
  readonly tax?: number;
  /** The codes of refusals, by offer. */
  readonly refused?: Readonly<Record<string, string>>;
}

const percent = (basisPoints: number, more: object = {}) => ({
  kind: 'percentOff',
  target: 'lines',
  basisPoints,
  ...more,
});
const amount = (amountMinor: number, more: object = {}) => ({
  kind: 'amountOff',
  target: 'lines',
  amountMinor,
  ...more,
});
const perItem = { combine: { group: 'discounts', per: 'item' } };
const ofOrder = { target: 'order' };
const buyGet = (buyQuantity: number, getQuantity: number, more: object = {}) => ({
  ...{ kind: 'buyGet', buyQuantity, getQuantity, basisPoints: 10_000 },
  ...more,
});
const freeDelivery = (more: object = {}) => ({ kind: 'deliveryOff', flatMinor: 0, ...more });
const breaks = [
  { from: 5, basisPoints: 500 },
  { from: 10, basisPoints: 1200 },
];

/** The worked examples of docs/pricing.md. */
export const WORKED: readonly Figured[] = [
  { name: '10 % off lines', lines: [line(333), line(333)], offers: [percent(1000)], after: [300, 300], total: 1090 },
  {
    ...{ name: '10.00 off the order', lines: [line(1000), line(1000), line(1000)] },
    ...{ offers: [amount(1000, ofOrder)], after: [666, 667, 667], total: 2490 },
  },
  {
    ...{ name: 'buy 2 get 1 free, all', lines: [line(900, 2), line(500, 2, 'b')] },
    ...{ offers: [buyGet(2, 1)], after: [1800, 500], total: 2790 },
  },
  {
    ...{ name: 'buy 1 of anything get 1 of the second', lines: [line(5000), line(1000, 1, 'b')] },
    ...{ offers: [buyGet(1, 1, { get: only('b') })], after: [5000, 0], total: 5490 },
  },
  {
    ...{ name: 'buy 2 of a or b get 2 of b at half price', lines: [line(2000, 2), line(500, 3, 'b')] },
    offers: [buyGet(2, 2, { buy: only('a', 'b'), get: only('b'), basisPoints: 5000 })],
    ...{ after: [4000, 1000], total: 5490 },
  },
  {
    ...{ name: 'a bundle of three', lines: [line(6400), line(990, 1, 'b'), line(790, 1, 'c')] },
    offers: [
      { kind: 'bundle', items: ['a', 'b', 'c'].map((p) => ({ selection: only(p), quantity: 1 })), priceMinor: 7500 },
    ],
    ...{ after: [5868, 908, 724], total: 7990 },
  },
  {
    ...{ name: 'breaks by quantity', lines: [line(390, 12)], offers: [{ kind: 'quantityBreaks', breaks }] },
    ...{ after: [4116], total: 4606 },
  },
  {
    ...{ name: 'one free and 4.00 off each that is paid', lines: [line(1000, 3)] },
    ...{ offers: [buyGet(1, 1), amount(400)], after: [1200], total: 1690 },
  },
  {
    ...{ name: 'two of a group', lines: [line(5000)], offers: [percent(1500, grouped()), amount(800, grouped())] },
    ...{ after: [4200], total: 4690, refused: { o0: 'outdone' } },
  },
  {
    ...{ name: 'lines, then the order', lines: [line(5000)], offers: [percent(1000), amount(500, ofOrder)] },
    ...{ after: [4000], total: 4490 },
  },
  {
    ...{ name: 'one that stands alone', lines: [line(5000)] },
    offers: [percent(3000, alone), percent(2000), freeDelivery()],
    ...{ after: [3500], total: 3990, refused: { o1: 'outdone', o2: 'outdone' } },
  },
  {
    ...{ name: 'thresholds are measured before any offer', lines: [line(4990)] },
    offers: [freeDelivery({ when: { minGoodsMinor: 5000 } }), percent(1000)],
    ...{ after: [4491], total: 4981, refused: { o0: 'needs-more' } },
  },
  {
    ...{ name: 'at most so much', lines: [line(20_000), line(10_000)], offers: [percent(2000, { maxMinor: 3000 })] },
    ...{ after: [18_000, 9000], total: 27_490 },
  },
  {
    ...{ name: 'per item: each product has its own', lines: [line(5000), line(2000, 1, 'b')] },
    offers: [percent(1000, { selection: only('a'), ...perItem }), percent(2000, { selection: only('b'), ...perItem })],
    ...{ after: [4500, 1600], total: 6590 },
  },
  {
    ...{ name: 'per item: the better one for each', lines: [line(5000), line(2000, 1, 'b')] },
    offers: [percent(1000, { selection: only('a'), ...perItem }), amount(400, perItem)],
    ...{ after: [4500, 1600], total: 6590 },
  },
  {
    ...{ name: 'per item: off the order outdoes off a line', lines: [line(5000), line(2000, 1, 'b')] },
    offers: [percent(1000, { selection: only('a'), ...perItem }), percent(1500, { ...ofOrder, ...perItem })],
    ...{ after: [4250, 1700], total: 6440, refused: { o0: 'outdone' } },
  },
  {
    ...{ name: 'per item: a line of which a set lowered a unit', lines: [line(5000, 3), line(2000, 1, 'b')] },
    offers: [buyGet(2, 1, { buy: only('a'), get: only('a'), ...perItem }), percent(1000, perItem)],
    ...{ after: [10_000, 1800], total: 12_290 },
  },
  {
    ...{ name: 'per item: a cap passes by what a later one lowers', lines: [line(5000), line(2000, 1, 'b')] },
    offers: [
      percent(4000, { selection: only('a'), maxMinor: 3000, rank: 0, ...perItem }),
      percent(1000, { rank: 1, ...perItem }),
    ],
    ...{ after: [3000, 2000], total: 5490, refused: { o1: 'outdone' } },
  },
  {
    ...{ name: 'per item: beside a price of no group', lines: [line(5000, 5)] },
    offers: [
      { kind: 'priceIs', selection: only('a'), unitMinor: 3500 },
      percent(1000, { selection: only('a'), ...perItem }),
      { kind: 'quantityBreaks', breaks: [{ from: 5, basisPoints: 2000 }], ...perItem },
    ],
    ...{ after: [15_750], total: 16_240, refused: { o2: 'outdone' } },
  },
];

/** More, for every rule that those leave out. */
export const FIGURED: readonly Figured[] = [
  { name: 'nothing', lines: [], offers: [percent(1000)], after: [], total: 490, refused: { o0: 'no-effect' } },
  { name: 'half a cent goes up', lines: [line(5)], offers: [percent(1000)], after: [4], total: 494 },
  {
    name: 'less than half does not',
    lines: [line(4)],
    offers: [percent(1000)],
    after: [4],
    total: 494,
    refused: { o0: 'no-effect' },
  },
  { name: 'all of it', lines: [line(999, 3)], offers: [percent(10_000)], after: [0], total: 490 },
  {
    name: 'options of a unit count',
    lines: [line(1000, 2, 'a', { options: 250 })],
    offers: [percent(1000)],
    after: [2250],
    total: 2740,
  },
  {
    name: 'options never make a unit cost less than nothing',
    lines: [line(100, 3, 'a', { options: -400 })],
    offers: [],
    after: [0],
    total: 490,
  },
  {
    name: 'once counts once',
    lines: [line(1000, 3, 'a', { once: 700 })],
    offers: [percent(1000)],
    after: [3330],
    total: 3820,
  },
  {
    name: 'a price keeps options and once',
    lines: [line(1000, 2, 'a', { options: 200, once: 300 })],
    offers: [{ kind: 'priceIs', unitMinor: 800 }],
    after: [2300],
    total: 2790,
  },
  {
    name: 'a price that is higher takes nothing',
    lines: [line(1000)],
    offers: [{ kind: 'priceIs', unitMinor: 1100 }],
    after: [1000],
    total: 1490,
    refused: { o0: 'no-effect' },
  },
  {
    ...{ name: 'the lowest price counts, the other takes nothing there', lines: [line(1000)] },
    offers: [
      { kind: 'priceIs', unitMinor: 900 },
      { kind: 'priceIs', unitMinor: 850 },
    ],
    ...{ after: [850], total: 1340, refused: { o0: 'outdone' } },
  },
  {
    ...{ name: 'two prices, each its own line', lines: [line(1000), line(2000, 1, 'b')] },
    offers: [
      { kind: 'priceIs', selection: only('a'), unitMinor: 900 },
      { kind: 'priceIs', selection: only('b'), unitMinor: 1500 },
    ],
    ...{ after: [900, 1500], total: 2890 },
  },
  {
    ...{ name: 'of equal prices the first by id takes it', lines: [line(1000)] },
    offers: [
      { kind: 'priceIs', unitMinor: 900, id: 'z' },
      { kind: 'priceIs', unitMinor: 900, id: 'b' },
    ],
    ...{ after: [900], total: 1390, refused: { z: 'outdone' } },
  },
  {
    ...{ name: 'of equal prices the lower rank takes it', lines: [line(1000)] },
    offers: [
      { kind: 'priceIs', unitMinor: 900, id: 'z', rank: -1 },
      { kind: 'priceIs', unitMinor: 900, id: 'b' },
    ],
    ...{ after: [900], total: 1390, refused: { b: 'outdone' } },
  },
  {
    name: 'a break by a fixed price',
    lines: [line(390, 6)],
    offers: [{ kind: 'quantityBreaks', breaks: [{ from: 6, unitMinor: 350 }] }],
    after: [2100],
    total: 2590,
  },
  {
    name: 'breaks of a line count that line',
    lines: [line(390, 3), line(390, 3, 'b')],
    offers: [{ kind: 'quantityBreaks', breaks }],
    after: [1170, 1170],
    total: 2830,
    refused: { o0: 'no-effect' },
  },
  // 390 − half up(19.5) = 370; 3 × 370.
  {
    name: 'breaks of a selection count it together',
    lines: [line(390, 3), line(390, 3, 'b')],
    offers: [{ kind: 'quantityBreaks', count: 'selection', breaks }],
    after: [1110, 1110],
    total: 2710,
  },
  {
    name: 'a last group that is not whole counts',
    lines: [line(1000, 5)],
    offers: [buyGet(1, 2)],
    after: [2000],
    total: 2490,
  },
  {
    name: 'no more groups than most',
    lines: [line(1000, 9)],
    offers: [buyGet(2, 1, { most: 2 })],
    after: [7000],
    total: 7490,
  },
  {
    name: 'the dearest lead their groups',
    lines: [line(100), line(300, 1, 'b'), line(200, 1, 'c')],
    offers: [buyGet(1, 1)],
    after: [100, 300, 0],
    total: 890,
  },
  {
    name: 'the dearest is reduced where it says so',
    lines: [line(1000, 2), line(300, 1, 'b'), line(500, 1, 'c')],
    offers: [buyGet(2, 1, { buy: only('a'), get: only('b', 'c'), choose: 'dearest' })],
    after: [2000, 300, 0],
    total: 2790,
  },
  {
    name: 'the cheapest is reduced otherwise',
    lines: [line(1000, 2), line(300, 1, 'b'), line(500, 1, 'c')],
    offers: [buyGet(2, 1, { buy: only('a'), get: only('b', 'c') })],
    after: [2000, 0, 500],
    total: 2990,
  },
  {
    name: 'null and {} are the same selection',
    lines: [line(900, 2), line(500, 2, 'b')],
    offers: [buyGet(2, 1, { buy: {}, get: null })],
    after: [1800, 500],
    total: 2790,
  },
  {
    name: 'only that lists nothing fits nothing',
    lines: [line(1000)],
    offers: [percent(1000, { selection: { only: {} } })],
    after: [1000],
    total: 1490,
    refused: { o0: 'no-effect' },
  },
  {
    name: 'what is excepted does not fit',
    lines: [line(1000), line(1000, 1, 'b')],
    offers: [percent(1000, { selection: { except: { products: ['b'] } } })],
    after: [900, 1000],
    total: 2390,
  },
  {
    name: 'anything listed makes it fit',
    lines: [line(1000, 1, 'a', { tags: ['sea'] }), line(1000, 1, 'b', { categories: ['lines'] }), line(1000, 1, 'c')],
    offers: [percent(1000, { selection: { only: { tags: ['sea'], categories: ['lines'] } } })],
    after: [900, 900, 1000],
    total: 3290,
  },
  {
    name: 'once-options are no part of a set',
    lines: [line(1000, 2, 'a', { once: 500 })],
    offers: [buyGet(1, 1)],
    after: [1500],
    total: 1990,
  },
  {
    ...{ name: 'a unit is used once over all sets', lines: [line(1000, 2)] },
    offers: [buyGet(1, 1), buyGet(1, 1, { basisPoints: 5000 })],
    ...{ after: [1000], total: 1490, refused: { o1: 'outdone' } },
  },
  {
    ...{ name: 'bundles go on while they save', lines: [line(1000, 2), line(500, 3, 'b')] },
    offers: [
      {
        kind: 'bundle',
        items: [
          { selection: only('a'), quantity: 1 },
          { selection: only('b'), quantity: 1 },
        ],
        priceMinor: 1200,
      },
    ],
    // Twice 10.00 + 5.00 for 12.00: 8.00 + 4.00 each; one b is left.
    ...{ after: [1600, 1300], total: 3390 },
  },
  {
    ...{ name: 'a bundle that saves nothing is none', lines: [line(500), line(500, 1, 'b')] },
    offers: [
      {
        kind: 'bundle',
        items: [
          { selection: only('a'), quantity: 1 },
          { selection: only('b'), quantity: 1 },
        ],
        priceMinor: 1000,
      },
    ],
    ...{ after: [500, 500], total: 1490, refused: { o0: 'no-effect' } },
  },
  {
    ...{ name: 'the rarer item of a bundle chooses first', lines: [line(1000), line(800, 1, 'b')] },
    offers: [
      {
        kind: 'bundle',
        items: [
          { selection: null, quantity: 1 },
          { selection: only('a'), quantity: 1 },
        ],
        priceMinor: 900,
      },
    ],
    ...{ after: [500, 400], total: 1390 },
  },
  {
    name: 'an amount off each never passes the line',
    lines: [line(300, 2)],
    offers: [amount(500)],
    after: [0],
    total: 490,
  },
  {
    name: 'an amount at most so much is shared',
    lines: [line(1000, 2), line(1000, 1, 'b')],
    offers: [amount(300, { maxMinor: 500 })],
    after: [1667, 833],
    total: 2990,
  },
  {
    name: 'percent of the order is rounded once',
    lines: [line(333), line(333)],
    offers: [percent(1000, ofOrder)],
    after: [299, 300],
    total: 1089,
  },
  {
    name: 'of the order no more than there is',
    lines: [line(300), line(200, 1, 'b')],
    offers: [amount(900, ofOrder)],
    after: [0, 0],
    total: 490,
  },
  {
    name: 'ranks act in turn',
    lines: [line(1000)],
    offers: [percent(1000, { rank: 2 }), amount(500, { rank: 1 })],
    after: [450],
    total: 940,
  },
  {
    name: 'ids act in turn where ranks are equal',
    lines: [line(1000)],
    offers: [percent(1000, { id: 'a' }), amount(500, { id: 'b' })],
    after: [400],
    total: 890,
  },
  {
    name: 'delivery less an amount',
    lines: [line(1000)],
    offers: [{ kind: 'deliveryOff', amountMinor: 200 }],
    after: [1000],
    delivery: 290,
    total: 1290,
  },
  {
    name: 'delivery less a part, half up',
    lines: [line(1000)],
    offers: [{ kind: 'deliveryOff', basisPoints: 2500 }],
    after: [1000],
    delivery: 367,
    total: 1367,
  },
  {
    name: 'a flat delivery that is dearer takes nothing',
    lines: [line(1000)],
    offers: [freeDelivery({ flatMinor: 600 })],
    after: [1000],
    delivery: 490,
    total: 1490,
    refused: { o0: 'no-effect' },
  },
  {
    name: 'another way of delivery takes nothing',
    lines: [line(1000)],
    offers: [freeDelivery({ methods: ['standard'] })],
    input: { deliveryMethod: 'express' },
    after: [1000],
    total: 1490,
    refused: { o0: 'no-effect' },
  },
  {
    name: 'the way it names',
    lines: [line(1000)],
    offers: [freeDelivery({ methods: ['standard'] })],
    input: { deliveryMethod: 'standard' },
    after: [1000],
    delivery: 0,
    total: 1000,
  },
  {
    name: 'delivery that is not chosen',
    lines: [line(1000)],
    offers: [freeDelivery()],
    input: { deliveryMinor: null },
    after: [1000],
    delivery: null,
    total: 1000,
    refused: { o0: 'delivery-not-chosen' },
  },
  // 10.00 + 4.90 at 20 % on top: 2.98.
  {
    name: 'tax on top',
    lines: [line(1000)],
    offers: [],
    input: { tax: { basisPoints: 2000, included: false } },
    after: [1000],
    tax: 298,
    total: 1788,
  },
  // 10.00 at 7 %: 0.654 → 0.65; 10.00 + 4.90 at 20 %: 2.483 → 2.48.
  {
    name: 'tax once a rate, delivery at the shop’s',
    lines: [line(1000, 1, 'a', { tax: 700 }), line(1000, 1, 'b')],
    offers: [],
    after: [1000, 1000],
    tax: 313,
    total: 2490,
  },
  {
    name: 'an offer that is off',
    lines: [line(1000)],
    offers: [percent(1000, { on: false })],
    after: [1000],
    total: 1490,
    refused: { o0: 'off' },
  },
  {
    name: 'a code that was not typed',
    lines: [line(1000)],
    offers: [percent(1000, { when: { code: 'WIND' } })],
    input: { codes: ['wi'] },
    after: [1000],
    total: 1490,
    refused: { o0: 'needs-code' },
  },
  {
    name: 'a code as shoppers type it',
    lines: [line(1000)],
    offers: [percent(1000, { when: { code: 'WIND' } })],
    input: { codes: [' wind '] },
    after: [900],
    total: 1390,
  },
  {
    name: 'from counts',
    lines: [line(1000)],
    offers: [percent(1000, { when: { from: '2026-11-26T12:00:00Z' } })],
    after: [900],
    total: 1390,
  },
  {
    name: 'until does not',
    lines: [line(1000)],
    offers: [percent(1000, { when: { until: '2026-11-26T12:00:00Z' } })],
    after: [1000],
    total: 1490,
    refused: { o0: 'ended' },
  },
  {
    name: 'it begins later',
    lines: [line(1000)],
    offers: [percent(1000, { when: { from: '2026-11-26T13:00:01+01:00' } })],
    after: [1000],
    total: 1490,
    refused: { o0: 'not-started' },
  },
  {
    name: 'for those who return',
    lines: [line(1000)],
    offers: [percent(1000, { when: { shopper: 'returning' } })],
    after: [1000],
    total: 1490,
    refused: { o0: 'wrong-shopper' },
  },
  {
    name: 'a birthday across New Year',
    lines: [line(1000)],
    offers: [percent(1000, { when: { birthdayDays: 3 } })],
    input: { today: '2026-12-30', birthday: '01-02' },
    after: [900],
    total: 1390,
  },
  {
    name: 'a birthday too far away',
    lines: [line(1000)],
    offers: [percent(1000, { when: { birthdayDays: 2 } })],
    input: { today: '2026-12-30', birthday: '01-02' },
    after: [1000],
    total: 1490,
    refused: { o0: 'not-birthday' },
  },
  {
    name: '29 February is 1 March',
    lines: [line(1000)],
    offers: [percent(1000, { when: { birthdayDays: 0 } })],
    input: { today: '2027-03-01', birthday: '02-29' },
    after: [900],
    total: 1390,
  },
  {
    name: 'used up in all',
    lines: [line(1000)],
    offers: [percent(1000, { limits: { total: 5 } })],
    input: { used: { o0: { total: 5, byShopper: 0 } } },
    after: [1000],
    total: 1490,
    refused: { o0: 'used-up' },
  },
  {
    name: 'used up by this shopper',
    lines: [line(1000)],
    offers: [percent(1000, { limits: { perShopper: 1 } })],
    input: { used: { o0: { total: 1, byShopper: 1 } } },
    after: [1000],
    total: 1490,
    refused: { o0: 'used-up' },
  },
  {
    name: 'a country that is not known yet',
    lines: [line(1000)],
    offers: [percent(1000, { when: { countries: ['DE'] } })],
    after: [1000],
    total: 1490,
    refused: { o0: 'wrong-country' },
  },
  {
    name: 'from elsewhere',
    lines: [line(1000)],
    offers: [percent(1000, { when: { sources: ['mail'] } })],
    input: { source: 'map' },
    after: [1000],
    total: 1490,
    refused: { o0: 'wrong-source' },
  },
  {
    name: 'too few items of a kind',
    lines: [line(1000, 2), line(100, 9, 'b')],
    offers: [percent(1000, { when: { minQuantity: 3, counts: only('a') } })],
    after: [2000, 900],
    total: 3390,
    refused: { o0: 'needs-items' },
  },
  {
    name: 'offers of two groups stack',
    lines: [line(1000)],
    offers: [percent(1000, grouped('x')), amount(100, grouped('y'))],
    after: [800],
    total: 1290,
  },
  // 20 % of 10.00 = 2.00 goods; 15 % off and free delivery = 1.50 + 4.90.
  {
    name: 'goods dearer, all in all cheaper',
    lines: [line(1000)],
    offers: [percent(2000, grouped()), freeDelivery(grouped()), percent(500)],
    after: [950],
    delivery: 0,
    total: 950,
    refused: { o0: 'outdone' },
  },
  {
    ...{ name: 'two offers on delivery of one group never stand together', lines: [line(1000)] },
    offers: [
      { kind: 'deliveryOff', amountMinor: 200, ...perItem },
      { kind: 'deliveryOff', basisPoints: 5000, ...perItem },
    ],
    ...{ after: [1000], total: 1245, delivery: 245, refused: { o0: 'outdone' } },
  },
  {
    ...{ name: 'one per order keeps those per item of its group out', lines: [line(5000), line(2000, 1, 'b')] },
    offers: [
      percent(1000, { selection: only('a'), ...perItem }),
      percent(1000, { selection: only('b'), ...perItem }),
      percent(3000, { selection: only('a'), combine: { group: 'discounts', per: 'order' } }),
    ],
    ...{ after: [3500, 2000], total: 5990, refused: { o0: 'outdone', o1: 'outdone' } },
  },
  {
    ...{ name: 'a set counts whether null or only null is written', lines: [line(1000), line(500, 1, 'b')] },
    offers: [buyGet(1, 1, { buy: null, get: { only: null } })],
    ...{ after: [1000, 0], total: 1490 },
  },
];
