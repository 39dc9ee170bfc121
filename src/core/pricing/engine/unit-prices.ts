import { fullUnit } from '../basis/line';
import { countFitting, follow, type Cart, type Standing } from '../basis/standing';
import type { PricedOffer } from '../offers';
import type { Act } from './acting';

/**
 * Stage 1, all at once: the lowest unit price counts, of equal ones the first offer's. `acts` by rank and id. Returns of
 * each line which offer made its price; null: none.
 */
export function takeUnitPrices(cart: Cart, from: Standing, acts: readonly Act[], to: Standing): (PricedOffer | null)[] {
  const { lines } = cart;
  follow(from, to);
  to.prices = to.own.prices;
  to.prices.dearestFirst = to.prices.cheapestFirst = null;
  const { of } = to.prices;
  const by = lines.map((line, i): PricedOffer | null => {
    of[i] = fullUnit(line);
    return null;
  });
  for (const { offer, facts, stage, fitting } of acts) {
    if (stage !== 1) continue;
    // What counts together counts whether or not a line takes this offer.
    const isTogether = facts.countsTogether?.(offer) ?? false;
    const together = isTogether ? countFitting(cart, cart.fitting(facts.selection!(offer))) : 0;
    for (let i = 0; i < lines.length; i += 1) {
      if (fitting && !fitting[i]) continue;
      const unit = facts.unitPrice!(offer, lines[i]!, together);
      if (unit !== null && unit < of[i]!) {
        of[i] = unit;
        by[i] = offer;
      }
    }
  }
  for (let i = 0; i < lines.length; i += 1) {
    const off = by[i] === null ? 0 : (fullUnit(lines[i]!) - of[i]!) * lines[i]!.quantity;
    to.lines[i] = from.lines[i]! - off;
    to.goodsMinor -= off;
  }
  return by;
}
