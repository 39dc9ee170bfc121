import type { Acting } from './book';
import { partOf } from './half-up';
import { offDelivery, take, takeUnitPrices } from './stages';
import { costOf, MOST_SEARCHED, type Cart, type Standing, type Standings, type TakingOffer } from './state';

/** An offer by itself. */
export interface Alone {
  readonly acting: Acting;
  readonly takenMinor: number;
  readonly goodsMinor: number;
}

/** What each of some offers takes by itself; of up to `MOST_SEARCHED` the standings after each are kept in `alone`. */
export function allAlone(cart: Cart, { start, alone }: Standings, offers: readonly Acting[]): Alone[] {
  const found: Alone[] = [];
  for (const acting of offers) {
    const after = alone[found.length] ?? alone[0]!;
    if (acting.stage === 1) takeUnitPrices(cart, start, [acting.offer], after);
    else take(cart, start, acting.offer, after);
    found.push({ acting, takenMinor: costOf(start) - costOf(after), goodsMinor: after.goodsMinor });
  }
  return found;
}

/** Hears of every amount that an offer takes. */
type Tell = (offer: TakingOffer, line: number | null, amountMinor: number) => void;

/** What offers come to together, as they act; tells what each takes of every line and of delivery. */
export function runOffers(cart: Cart, standings: Standings, offers: readonly Acting[], tell: Tell): Standing {
  let at = standings.start;
  let depth = 0;
  const prices = pricesOf(offers);
  if (prices.length > 0) {
    const after = standings.after[depth++]!;
    const by = takeUnitPrices(cart, at, prices, after);
    by.forEach((offer, line) => {
      if (offer) tell(offer, line, standings.start.lines[line]! - after.lines[line]!);
    });
    at = after;
  }
  for (const { offer, stage } of offers) {
    if (stage === 1) continue;
    const after = standings.after[depth++]!;
    if (take(cart, at, offer, after) > 0) {
      for (let line = 0; line < cart.lines.length; line += 1) {
        const amount = at.lines[line]! - after.lines[line]!;
        if (amount > 0) tell(offer, line, amount);
      }
      if (after.deliveryMinor < at.deliveryMinor) tell(offer, null, at.deliveryMinor - after.deliveryMinor);
    }
    at = after;
  }
  return at;
}

function pricesOf(offers: readonly Acting[]): TakingOffer[] {
  const prices: TakingOffer[] = [];
  for (const { offer, stage } of offers) if (stage === 1) prices.push(offer);
  return prices;
}

/** Groups as bits, so that a set of them is one number; an offer without a group has none. */
function groupBits(offers: readonly Acting[]): number[] {
  const names: string[] = [];
  return offers.map(({ offer }) => {
    const { group } = offer.combine;
    if (group === null) return 0;
    let at = names.indexOf(group);
    if (at < 0) at = names.push(group) - 1;
    return 1 << at;
  });
}

/** By rank, then by id. */
export function inTurn(offers: readonly Acting[]): readonly Acting[] {
  for (let i = 1; i < offers.length; i += 1)
    if (offers[i - 1]!.turn > offers[i]!.turn) return offers.toSorted((a, b) => a.turn - b.turn);
  return offers;
}

/** Of as many offers, whether `a` in turn is the smaller list. */
function isEarlier(a: readonly Acting[], b: readonly Acting[]): boolean {
  const [ownA, ownB] = [inTurn(a), inTurn(b)];
  for (let i = 0; i < ownA.length; i += 1) if (ownA[i]!.turn !== ownB[i]!.turn) return ownA[i]!.turn < ownB[i]!.turn;
  return false;
}

/**
 * The legal combination that costs least, found exactly: no two of a group, none that stands alone beside others, and each
 * takes something. Of two that cost the same the one with fewer offers, then with the smaller sorted list of rank and id.
 * `alone`: each offer by itself, at most `MOST_SEARCHED`, as they act. Offers are tried in that order, so that what those
 * before left is known; a branch is left when what the rest could take at most cannot bring it below the best there is.
 * Returned as they act.
 */
export function findBest(cart: Cart, standings: Standings, alone: readonly Alone[]): readonly Acting[] {
  const { start, after, ahead } = standings;
  let best: readonly Acting[] = [];
  let bestCost = costOf(start);
  const together: Acting[] = [];
  const aloneAfter: Standing[] = [];
  for (let i = 0; i < alone.length; i += 1) {
    const { acting } = alone[i]!;
    const left = standings.alone[i]!;
    const cost = costOf(left);
    if (cost < bestCost || (cost === bestCost && best.length > 0 && acting.turn < best[0]!.turn)) {
      best = [acting];
      bestCost = cost;
    }
    if (acting.offer.combine.alone) continue;
    together.push(acting);
    aloneAfter.push(left);
  }
  // One offer that can be joined by none has been priced alone.
  if (together.length < 2) return best;
  const bits = groupBits(together);
  const prices = pricesOf(together);
  const farthest = mostFrom(cart, start, together, bits);
  const chosen: Acting[] = [];

  function consider(at: Standing): void {
    const cost = costOf(at);
    if (cost > bestCost || (cost === bestCost && chosen.length > best.length)) return;
    if (cost === bestCost && chosen.length === best.length && !isEarlier(chosen, best)) return;
    best = [...chosen];
    bestCost = cost;
  }

  const isHopeless = (least: number) => least > bestCost || (least === bestCost && chosen.length > best.length);

  /** Offers of the later stages, from `i` on, on top of what stands after `depth` others; unit prices count as one. */
  function goOn(i: number, groups: number, at: Standing, depth: number): void {
    if (i === together.length) return consider(at);
    // What the rest could take of the whole cart is known; what it could of this is asked where much hangs on it.
    if (isHopeless(costOf(at) - farthest[i]!)) return;
    if (together.length - i > 3 && isHopeless(leastCost(cart, at, together, bits, i, groups))) return;
    if ((groups & bits[i]!) === 0) {
      // The first of all takes what it takes alone.
      const left = depth === 0 ? aloneAfter[i]! : after[depth]!;
      if (depth > 0) take(cart, at, together[i]!.offer, left);
      if (costOf(left) < costOf(at)) {
        chosen.push(together[i]!);
        goOn(i + 1, groups | bits[i]!, left, depth + 1);
        chosen.pop();
      }
    }
    goOn(i + 1, groups, at, depth);
  }

  /** Which unit prices; they act all at once, so each set of them is run whole. */
  function choosePrices(i: number, groups: number): void {
    if (i < prices.length) {
      // With all prices still to come nothing costs less; if that is not enough, no choice among them is.
      takeUnitPrices(cart, start, [...chosen.map(({ offer }) => offer), ...prices.slice(i)], ahead);
      if (isHopeless(leastCost(cart, ahead, together, bits, prices.length, 0))) return;
      if ((groups & bits[i]!) === 0) {
        chosen.push(together[i]!);
        choosePrices(i + 1, groups | bits[i]!);
        chosen.pop();
      }
      return choosePrices(i + 1, groups);
    }
    if (chosen.length === 0) return goOn(i, groups, start, 0);
    const by = takeUnitPrices(cart, start, pricesOf(chosen), after[0]!);
    if (chosen.every(({ offer }) => by.includes(offer))) goOn(i, groups, after[0]!, 1);
  }

  choosePrices(0, 0);
  return best;
}

/** What offers of the later stages, from each on, take at most of a cart, whatever was taken before. */
function mostFrom(cart: Cart, start: Standing, offers: readonly Acting[], bits: readonly number[]): number[] {
  const ofGroups = new Map<number, number>();
  const all = new Array<number>(offers.length).fill(0);
  let sum = 0;
  for (let i = offers.length - 1; i >= 0; i -= 1) {
    const [bit, most] = [bits[i]!, mostOf(cart, start, offers[i]!.offer)];
    const before = bit === 0 ? 0 : (ofGroups.get(bit) ?? 0);
    // Of a group the one that could take most counts.
    if (bit !== 0) ofGroups.set(bit, Math.max(most, before));
    sum += Math.max(0, most - before);
    all[i] = sum;
  }
  return all;
}

const mostInGroup = new Float64Array(MOST_SEARCHED);

/**
 * No combination of the offers from `from` on brings the cart lower. Percents off everything shrink what the next one sees:
 * they are multiplied, with the cents that rounding can add. All others are given what each could take if it stood alone
 * here, and that is taken last, where it does most.
 */
function leastCost(
  cart: Cart,
  at: Standing,
  offers: readonly Acting[],
  bits: readonly number[],
  from: number,
  groups: number,
): number {
  let goods = at.goodsMinor;
  let off = 0;
  let seen = 0;
  for (let i = from; i < offers.length; i += 1) {
    const bit = bits[i]!;
    if ((groups & bit) !== 0) continue;
    const { offer } = offers[i]!;
    if (bit === 0 && offer.kind === 'percentOff' && offer.selection === null)
      goods -= (goods * offer.basisPoints) / 10_000 + cart.lines.length / 2;
    else if (bit === 0) off += mostOf(cart, at, offer);
    else {
      // Of a group the one that could take most counts.
      const group = 31 - Math.clz32(bit);
      const own = mostOf(cart, at, offer);
      const before = (seen & bit) === 0 ? 0 : mostInGroup[group]!;
      seen |= bit;
      mostInGroup[group] = Math.max(own, before);
      off += Math.max(0, own - before);
    }
  }
  return goods - off + at.deliveryMinor;
}

/** What an offer of a later stage takes at most of what there is now, whatever others take before it. */
function mostOf(cart: Cart, at: Standing, offer: TakingOffer): number {
  switch (offer.kind) {
    case 'deliveryOff':
      return offDelivery(offer, at.deliveryMinor);
    case 'percentOff':
    case 'amountOff': {
      const fitting = cart.fitting(offer.selection);
      let sum = 0;
      let off = 0;
      for (let line = 0; line < cart.lines.length; line += 1) {
        if (fitting && !fitting[line]) continue;
        const cost = at.lines[line]!;
        sum += cost;
        if (offer.target === 'lines')
          off +=
            offer.kind === 'percentOff'
              ? partOf(cost, offer.basisPoints)
              : Math.min(cost, offer.amountMinor * cart.lines[line]!.quantity);
      }
      if (offer.target === 'order')
        off = offer.kind === 'percentOff' ? partOf(sum, offer.basisPoints) : Math.min(sum, offer.amountMinor);
      return Math.min(off, offer.maxMinor ?? off);
    }
    case 'buyGet': {
      const fitting = cart.fitting(offer.get);
      return mostOfUnits(cart, at, (line) => !fitting || fitting[line]!, offer.basisPoints);
    }
    case 'bundle': {
      const fitting = offer.items.map(({ selection }) => cart.fitting(selection));
      return mostOfUnits(cart, at, (line) => fitting.some((one) => !one || one[line]), 10_000);
    }
    default:
      return 0;
  }
}

function mostOfUnits(cart: Cart, at: Standing, fitting: (line: number) => boolean, basisPoints: number): number {
  let off = 0;
  for (let i = 0; i < cart.lines.length; i += 1)
    if (fitting(i)) off += at.units.free[i]! * partOf(at.prices.of[i]!, basisPoints);
  return off;
}
