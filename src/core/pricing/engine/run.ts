import { costOf, type Cart, type Standing, type Standings } from '../basis/standing';
import type { PricedOffer } from '../offers';
import { inTurn, type Act, type Acting } from './acting';
import { lineChooser, type LineChooser } from './line-choice';
import { takeUnitPrices } from './unit-prices';

/** An offer by itself. */
export interface Alone {
  readonly acting: Acting;
  readonly act: Act;
  readonly takenMinor: number;
  readonly goodsMinor: number;
}

/** An offer that no other of its group keeps from any line. */
function freeAct(cart: Cart, { offer, facts, stage, selection }: Acting): Act {
  return { offer, facts, stage, fitting: cart.fitting(selection), group: 0 };
}

/** What each of some offers takes by itself; of up to `MOST_SEARCHED` the standings after each are kept in `alone`. */
export function allAlone(cart: Cart, { start, alone }: Standings, offers: readonly Acting[]): Alone[] {
  const found: Alone[] = [];
  for (const acting of offers) {
    const after = alone[found.length] ?? alone[0]!;
    const act = freeAct(cart, acting);
    if (acting.stage === 1) takeUnitPrices(cart, start, [act], after);
    else act.facts.take!(cart, start, act, after);
    found.push({ acting, act, takenMinor: costOf(start) - costOf(after), goodsMinor: after.goodsMinor });
  }
  return found;
}

/** Groups per item in which something can keep an item from something else, each with a bit of its own; null: there is none. */
export function itemGroupBits(offers: readonly Acting[]): ReadonlyMap<string, number> | null {
  let bits: Map<string, number> | null = null;
  for (const acting of offers) {
    const { itemGroup, stage } = acting;
    // Delivery is no item.
    if (itemGroup === null || stage === 5 || bits?.has(itemGroup)) continue;
    const isMember = (other: Acting) => other !== acting && other.itemGroup === itemGroup && other.stage !== 5;
    // By itself an offer keeps nothing from itself; a line offer still asks each line whether it is of use there.
    if (!acting.isLineOffer && !offers.some(isMember)) continue;
    bits ??= new Map();
    bits.set(itemGroup, 1 << bits.size);
  }
  return bits;
}

/**
 * Offers as they act together. Each line takes one line offer of each group per item at most (`chosenOf`: which it takes of which
 * group), and the capped ones and those on the order pass by such a line.
 */
export function actsOf(
  cart: Cart,
  offers: readonly Acting[],
  bits: ReadonlyMap<string, number>,
  takes: (acting: Acting, line: number) => boolean,
): Act[] {
  const lines = [...cart.lines.keys()];
  const lineOffers = offers.filter(({ isLineOffer }) => isLineOffer);
  return offers.map((acting): Act => {
    const free = freeAct(cart, acting);
    const { itemGroup, stage, isLineOffer } = acting;
    const group = (itemGroup !== null && bits.get(itemGroup)) || 0;
    if (group === 0 || stage === 5) return free;
    if (stage === 2) return { ...free, group };
    if (isLineOffer) return { ...free, group, fitting: lines.map((line) => takes(acting, line)) };
    const own = lineOffers.filter((other) => other.itemGroup === itemGroup);
    if (own.length === 0) return { ...free, group };
    const isOpen = (line: number) => !own.some((other) => takes(other, line));
    return { ...free, group, fitting: lines.map((line) => (free.fitting?.[line] ?? true) && isOpen(line)) };
  });
}

/** Whether an offer is what a line takes, of the line offers of one combination (as bits of the chooser's). */
export function takesBy(
  chooser: LineChooser,
  lineOffers: readonly Acting[],
  among: number,
): (acting: Acting, line: number) => boolean {
  const taken = chooser.lines.map((line) => chooser.choose(line, among).offers);
  return (acting, line) => (taken[line]! & (1 << lineOffers.indexOf(acting))) !== 0;
}

/** Hears of every amount that an offer takes. */
type Tell = (offer: PricedOffer, line: number | null, amountMinor: number) => void;

/** What offers come to together, as they act; tells what each takes of every line and of delivery. */
export function runOffers(cart: Cart, standings: Standings, offers: readonly Acting[], tell: Tell): Standing {
  let at = standings.start;
  const acts = actsTogether(cart, offers);
  if (acts[0]?.stage === 1) {
    const prices = acts.filter(({ stage }) => stage === 1);
    const after = at.next!;
    const by = takeUnitPrices(cart, at, prices, after);
    by.forEach((offer, line) => {
      if (offer) tell(offer, line, standings.start.lines[line]! - after.lines[line]!);
    });
    at = after;
  }
  for (const act of acts) {
    if (act.stage === 1) continue;
    const after = at.next!;
    if (act.facts.take!(cart, at, act, after) > 0) {
      for (let line = 0; line < cart.lines.length; line += 1) {
        const amount = at.lines[line]! - after.lines[line]!;
        if (amount > 0) tell(act.offer, line, amount);
      }
      if (after.deliveryMinor < at.deliveryMinor) tell(act.offer, null, at.deliveryMinor - after.deliveryMinor);
    }
    at = after;
  }
  return at;
}

/** Offers as they act, nobody asked before which lines take which of them. */
function actsTogether(cart: Cart, offers: readonly Acting[]): Act[] {
  const bits = itemGroupBits(offers);
  if (bits === null) return offers.map((acting) => freeAct(cart, acting));
  const lineOffers = inTurn(offers.filter(({ isLineOffer }) => isLineOffer));
  const chooser = lineChooser(cart, lineOffers);
  return actsOf(cart, offers, bits, takesBy(chooser, lineOffers, 2 ** lineOffers.length - 1));
}
