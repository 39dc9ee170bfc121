import { z } from 'zod';
import { basisPoints, count, maybe } from '../basis/fields';
import { buysWhatItGives, fits, selectionSchema, type LineSelection } from '../basis/selection';
import { countOf, linesByPrice, mostOfUnits, reduce, takeSets } from '../basis/sets';
import type { Cart, Standing } from '../basis/standing';
import { items, percent, readSelection } from '../basis/words';
import { mostTimes, readMost } from './most-times';
import { offerKind } from './offer-kind';

interface BuyGet {
  buy: LineSelection;
  get: LineSelection;
  buyQuantity: number;
  getQuantity: number;
  basisPoints: number;
  choose: 'cheapest' | 'dearest';
  most: number | null;
}

/** Of what is bought itself: groups of the dearest first, in each the units after those bought are reduced. */
function takeGroups(cart: Cart, at: Standing, { buy, buyQuantity, getQuantity, basisPoints, most }: BuyGet): void {
  const { free } = at.units;
  const lines = linesByPrice(cart, at, buy, false);
  const count = countOf(lines, free);
  const size = buyQuantity + getQuantity;
  const whole = Math.floor(count / size);
  const groups = Math.min(whole + (count - whole * size > buyQuantity ? 1 : 0), most ?? Infinity);
  const used = Math.min(groups * size, count);
  /** How many of the first `units` are reduced. */
  const reducedOf = (units: number) => {
    const full = Math.floor(units / size);
    return full * getQuantity + Math.max(0, units - full * size - buyQuantity);
  };
  let from = 0;
  for (const line of lines) {
    const until = Math.min(from + free[line]!, used);
    if (until <= from) return;
    const reduced = reducedOf(until) - reducedOf(from);
    const bought = until - from - reduced;
    reduce(at, line, reduced, basisPoints);
    free[line]! -= bought;
    from = until;
  }
}

function takeBuyGet(
  cart: Cart,
  at: Standing,
  { buy, get, buyQuantity, getQuantity, basisPoints, choose, most }: BuyGet,
): void {
  const { free } = at.units;
  const gets = linesByPrice(cart, at, get, choose === 'cheapest');
  const buys = linesByPrice(cart, at, buy, true);
  const [toGet, toBuy] = [countOf(gets, free), countOf(buys, free)];
  const fitsBuy = cart.fitting(buy);
  /** How many of the first `count` to get could have been bought. */
  const both = (count: number) => {
    let [left, sum] = [count, 0];
    for (const line of gets) {
      const here = Math.min(left, free[line]!);
      if (!fitsBuy || fitsBuy[line]) sum += here;
      left -= here;
    }
    return sum;
  };
  const reducedAt = (times: number) => Math.min(times * getQuantity, toGet);
  const isEnough = (times: number) => toBuy - both(reducedAt(times)) >= times * buyQuantity;
  // More times need more and leave less: the largest that is enough is found by halving.
  let times = 0;
  let beyond = Math.min(Math.ceil(toGet / getQuantity), Math.floor(toBuy / buyQuantity), most ?? Infinity) + 1;
  while (beyond - times > 1) {
    const middle = Math.floor((times + beyond) / 2);
    if (isEnough(middle)) times = middle;
    else beyond = middle;
  }
  let left = reducedAt(times);
  for (const line of gets) {
    const here = Math.min(left, free[line]!);
    reduce(at, line, here, basisPoints);
    left -= here;
  }
  left = times * buyQuantity;
  for (const line of buys) {
    const here = Math.min(left, free[line]!);
    free[line]! -= here;
    left -= here;
  }
}

export const buyGet = offerKind(
  'buyGet',
  {
    buy: selectionSchema,
    get: selectionSchema,
    buyQuantity: count,
    getQuantity: count,
    basisPoints,
    choose: z.enum(['cheapest', 'dearest']).default('cheapest'),
    most: maybe(count),
  },
  {
    label: 'Buy some, get some',
    help: 'Whoever buys some gets others free or cheaper.',
    begins: () => ({ buyQuantity: 2, getQuantity: 1, basisPoints: 10_000 }),
    stage: () => 2,
    selections: ({ buy, get }) => [buy, get],
    take: takeSets((cart, at, offer: BuyGet) =>
      buysWhatItGives(offer) ? takeGroups(cart, at, offer) : takeBuyGet(cart, at, offer),
    ),
    most: (cart, at, { offer }) => mostOfUnits(cart, at, cart.fitting(offer.get), offer.basisPoints),
    reads(offer, reader) {
      const within = (selection: LineSelection) => readSelection(selection, reader);
      const what = offer.basisPoints === 10_000 ? 'free' : `at ${percent(offer.basisPoints)} off`;
      const isSame = within(offer.buy) === within(offer.get);
      const which = isSame ? '' : `, the ${offer.choose} first`;
      return `For ${items(offer.buyQuantity)} bought in ${within(offer.buy)}, give ${items(offer.getQuantity)} in ${isSame ? 'the same' : within(offer.get)} ${what}${which}${readMost(offer.most)}`;
    },
    tells(offer, { line }) {
      const told = { buy: offer.buyQuantity, get: offer.getQuantity, basisPoints: offer.basisPoints };
      const [isBought, isGot] = [fits(line, offer.buy), fits(line, offer.get)];
      if (isBought && isGot) return { code: 'same-set', ...told };
      return isBought ? { code: 'gets', ...told, what: offer.get } : { code: 'comes-with', ...told, what: offer.buy };
    },
    form: (offer) => [
      [
        'For',
        { field: 'count', label: 'Bought', value: offer.buyQuantity, change: (buyQuantity) => ({ buyQuantity }) },
        'bought in',
        { field: 'goods', label: 'Bought in', value: offer.buy, change: (buy) => ({ buy }) },
      ],
      [
        'give',
        { field: 'count', label: 'Given', value: offer.getQuantity, change: (getQuantity) => ({ getQuantity }) },
        'in',
        { field: 'goods', label: 'Given in', value: offer.get, change: (get) => ({ get }) },
        'at',
        {
          field: 'percent',
          label: 'Percent off',
          basisPoints: offer.basisPoints,
          change: (share) => ({ basisPoints: share }),
        },
        'off, the',
        {
          field: 'choice',
          label: 'Which first',
          value: offer.choose,
          options: { cheapest: 'cheapest', dearest: 'dearest' },
          change: (choose) => ({ choose }),
        },
        'first',
      ],
      mostTimes(offer.most),
    ],
  },
);
