import { assertNever } from '~/core/problems';
import type { LineSelection } from '../engine/pricing.schema';
import type { Off, Told, ToldEffect } from './told';

/** Sentences and parts of sentences that offers are told with; each shop has its own words for them. */
export type ToldWord =
  | 'toldFreeSet'
  | 'toldSetOff'
  | 'toldGetsFree'
  | 'toldGetsOff'
  | 'toldFreeWith'
  | 'toldOffWith'
  | 'toldBundle'
  | 'toldCapped'
  | 'toldOrder'
  | 'toldOrderOf'
  | 'toldTogetherOff'
  | 'toldTogetherEach'
  | 'toldOff'
  | 'toldPrice'
  | 'toldWhile'
  | 'toldGift'
  | 'toldFrom'
  | 'toldFromOf'
  | 'toldItems'
  | 'toldItemsOf'
  | 'toldNew'
  | 'toldReturning'
  | 'toldBirthday'
  | 'toldCountry'
  | 'toldTimes'
  | 'selectedItems'
  | 'anyItems';

/** How a shop tells its offers. */
export interface ToldReader {
  readonly say: (word: ToldWord, facts?: Readonly<Record<string, string | number>>) => string;
  readonly money: (amountMinor: number) => string;
  /** BCP 47, of numbers and lists. */
  readonly locale: string;
  readonly countryName: (code: string) => string;
  /** What goods are called: the names of what a selection lists; null where they are too many to name. */
  readonly nameOf: (selection: LineSelection) => string | null;
  /** The name of a variant; null where it is not sold. */
  readonly variantName: (sku: string) => string | null;
}

/** One line beside a price; null where what it speaks of is not sold. */
export function wordTold({ effect, when, perShopper, isWhileAlone }: Told, reader: ToldReader): string | null {
  const { say, money, countryName } = reader;
  const what = wordEffect(effect, reader);
  if (what === null) return null;
  const { minGoodsMinor, minQuantity, counts } = when;
  const counted = counts === null ? null : (reader.nameOf(counts) ?? say('selectedItems'));
  const list = new Intl.ListFormat(reader.locale, { type: 'disjunction' });
  const countries = when.countries.map(countryName);
  const conditions = [
    isWhileAlone && say('toldWhile'),
    minGoodsMinor !== null &&
      (counted === null
        ? say('toldFrom', { amount: money(minGoodsMinor) })
        : say('toldFromOf', { amount: money(minGoodsMinor), what: counted })),
    minQuantity !== null &&
      (counted === null
        ? say('toldItems', { count: minQuantity })
        : say('toldItemsOf', { count: minQuantity, what: counted })),
    when.shopper === 'new' && say('toldNew'),
    when.shopper === 'returning' && say('toldReturning'),
    when.birthdayDays !== null && say('toldBirthday'),
    countries.length > 0 && say('toldCountry', { country: list.format(countries) }),
    perShopper !== null && say('toldTimes', { count: perShopper }),
  ].filter((condition) => condition !== false);
  return [what, ...conditions].join(', ');
}

function wordEffect(effect: ToldEffect, reader: ToldReader): string | null {
  const { say, money, locale } = reader;
  const percent = (basisPoints: number) =>
    new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 2 }).format(basisPoints / 10_000);
  const off = (of: Off) => ('basisPoints' in of ? percent(of.basisPoints) : money(of.amountMinor));
  const name = (selection: LineSelection) =>
    selection === null ? say('anyItems') : (reader.nameOf(selection) ?? say('selectedItems'));
  switch (effect.code) {
    case 'same-set': {
      const { buy, get, basisPoints } = effect;
      return basisPoints === 10_000
        ? say('toldFreeSet', { all: buy + get, paid: buy })
        : say('toldSetOff', { buy, get, percent: percent(basisPoints) });
    }
    case 'gets':
    case 'comes-with': {
      const { buy, get, basisPoints } = effect;
      const facts = { buy, get, what: name(effect.what), percent: percent(basisPoints) };
      const isFree = basisPoints === 10_000;
      if (effect.code === 'gets') return say(isFree ? 'toldGetsFree' : 'toldGetsOff', facts);
      return say(isFree ? 'toldFreeWith' : 'toldOffWith', facts);
    }
    case 'bundle': {
      const items = effect.items.map(({ selection, quantity }) =>
        quantity === 1 ? name(selection) : `${quantity} × ${name(selection)}`,
      );
      const what = new Intl.ListFormat(locale, { type: 'conjunction' }).format(items);
      return say('toldBundle', { what, amount: money(effect.priceMinor) });
    }
    case 'capped':
      return say('toldCapped', { off: off(effect.off), amount: money(effect.maxMinor) });
    case 'order':
      return effect.what === null
        ? say('toldOrder', { off: off(effect.off) })
        : say('toldOrderOf', { off: off(effect.off), what: name(effect.what) });
    case 'together': {
      const items = say('toldItems', { count: effect.from });
      if (effect.what === null)
        return 'unitMinor' in effect.each
          ? `${say('toldPrice', { amount: money(effect.each.unitMinor) })}, ${items}`
          : `${say('toldOff', { off: off(effect.each) })}, ${items}`;
      const facts = { count: effect.from, what: name(effect.what) };
      return 'unitMinor' in effect.each
        ? say('toldTogetherEach', { ...facts, amount: money(effect.each.unitMinor) })
        : say('toldTogetherOff', { ...facts, off: off(effect.each) });
    }
    case 'off':
      return say('toldOff', { off: off(effect.off) });
    case 'price':
      return say('toldPrice', { amount: money(effect.amountMinor) });
    case 'gift': {
      const gift = reader.variantName(effect.variant);
      return gift === null
        ? null
        : say('toldGift', { what: effect.quantity === 1 ? gift : `${effect.quantity} × ${gift}` });
    }
    default:
      return assertNever(effect);
  }
}
