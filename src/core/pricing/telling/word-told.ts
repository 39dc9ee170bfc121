import { assertNever } from '~/core/problems';
import type { LineSelection } from '../basis/selection';
import type { Off, ToldEffect, ToldReader } from '../basis/told-words';
import { tellConditions } from '../conditions';
import type { Told } from './told';

/** One line beside a price; null where what it speaks of is not sold. */
export function wordTold({ offerId, effect, when, perShopper, isWhileAlone }: Told, reader: ToldReader): string | null {
  const { say } = reader;
  const what = wordEffect(effect, reader);
  if (what === null) return null;
  const conditions = tellConditions({ id: offerId, when, limits: { total: null, perShopper } }, reader);
  return [what, ...(isWhileAlone ? [say('toldWhile')] : []), ...conditions].join(', ');
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
