import { partOf } from './half-up';
import { STAGES, take, takeUnitPrices } from './stages';
import type { Cart, OfferStep, State, TakingOffer } from './state';

/** Offers searched in any mix; of more, those that take most alone. */
export const MOST_SEARCHED = 16;

/** A combination of offers and what it comes to. */
export interface Combination {
  readonly offers: readonly TakingOffer[];
  /** Goods and delivery, before tax on top; delivery not chosen counts as nothing. */
  readonly costMinor: number;
  readonly state: State;
  readonly steps: readonly OfferStep[];
}

/** By rank, then by id as text: how offers act in turn. */
export const inTurn = (a: TakingOffer, b: TakingOffer): number =>
  a.rank - b.rank || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

function costOf({ lines, deliveryMinor }: State): number {
  let cost = deliveryMinor ?? 0;
  for (const line of lines) cost += line;
  return cost;
}

const stageOf = (offer: TakingOffer) => STAGES[offer.kind](offer);

/** How offers act: stage by stage, in each in turn. */
export const asTheyAct = (a: TakingOffer, b: TakingOffer): number => stageOf(a) - stageOf(b) || inTurn(a, b);

/** What a set of offers comes to, from the beginning of a cart; `offers` in any order. */
export function runOffers(cart: Cart, start: State, offers: readonly TakingOffer[]): Combination {
  const acting = offers.length > 1 ? [...offers].sort(asTheyAct) : offers;
  const later = acting.findIndex((offer) => stageOf(offer) > 1);
  const prices = later < 0 ? acting : acting.slice(0, later);
  let state = start;
  let steps: readonly OfferStep[] = NO_STEPS;
  if (prices.length > 0) ({ state, steps } = takeUnitPrices(cart, state, prices));
  for (let i = prices.length; i < acting.length; i += 1) {
    const taken = take(cart, state, acting[i]!);
    state = taken.state;
    steps = steps.length > 0 ? [...steps, ...taken.steps] : taken.steps;
  }
  return { offers: offers.length > 1 ? [...offers].sort(inTurn) : offers, costMinor: costOf(state), state, steps };
}

/** What an offer takes in a combination. */
export function takenBy(offerId: string, steps: readonly OfferStep[]): number {
  let sum = 0;
  for (const step of steps) if (step.offerId === offerId) sum += step.amountMinor;
  return sum;
}

const NO_STEPS: readonly OfferStep[] = [];

/** Of two that cost the same the one with fewer offers, then with the smaller sorted list of rank and id. */
function isBetter(a: Combination, b: Combination): boolean {
  if (a.costMinor !== b.costMinor) return a.costMinor < b.costMinor;
  if (a.offers.length !== b.offers.length) return a.offers.length < b.offers.length;
  for (const [i, offer] of a.offers.entries()) {
    const order = inTurn(offer, b.offers[i]!);
    if (order !== 0) return order < 0;
  }
  return false;
}

/** Groups as bits, so that a set of them is one number; an offer without a group has none. */
function groupBits(offers: readonly TakingOffer[]): number[] {
  const names: string[] = [];
  return offers.map(({ combine: { group } }) => {
    if (group === null) return 0;
    if (!names.includes(group)) names.push(group);
    return 1 << names.indexOf(group);
  });
}

/**
 * The legal combination that costs least, found exactly: no two of a group, none that stands alone beside others, and each
 * takes something. `alone`: each offer by itself, at most `MOST_SEARCHED`. Offers are tried in the order they act, so that what those before left
 * is known; a branch is left when what the rest could take at most cannot bring it below the best there is.
 */
export function findBest(cart: Cart, start: State, alone: readonly Combination[]): Combination {
  let best: Combination = { offers: [], costMinor: costOf(start), state: start, steps: NO_STEPS };
  for (const one of alone) if (one.steps.length > 0 && isBetter(one, best)) best = one;
  const joining = alone
    .filter(({ offers }) => !offers[0]!.combine.alone)
    .sort((a, b) => asTheyAct(a.offers[0]!, b.offers[0]!));
  const together = joining.map(({ offers }) => offers[0]!);
  // One offer that can be joined by none has been priced alone.
  if (together.length < 2) return best;
  const bits = groupBits(together);
  const prices = together.filter((offer) => stageOf(offer) === 1);
  /** What was chosen so far, and the steps of each. */
  const chosen: TakingOffer[] = [];
  const taken: (readonly OfferStep[])[] = [];
  const most = new Float64Array(MOST_SEARCHED);

  function consider(state: State): void {
    const costMinor = costOf(state);
    if (costMinor > best.costMinor || (costMinor === best.costMinor && chosen.length > best.offers.length)) return;
    const found = { offers: chosen.toSorted(inTurn), costMinor, state, steps: taken.flat() };
    if (isBetter(found, best)) best = found;
  }

  /** Whether nothing better than the best there is can come of this. */
  const isHopeless = (state: State, from: number, groups: number) => {
    const least = leastCost(state, from, groups);
    return least > best.costMinor || (least === best.costMinor && chosen.length > best.offers.length);
  };

  /** Offers of the later stages, from `i` on, on top of what stands. */
  function goOn(i: number, groups: number, state: State): void {
    if (i === together.length) return consider(state);
    if (isHopeless(state, i, groups)) return;
    const offer = together[i]!;
    if ((groups & bits[i]!) === 0) {
      // The first of all takes what it takes alone.
      const found = chosen.length === 0 ? joining[i]! : take(cart, state, offer);
      if (found.steps.length > 0) {
        chosen.push(offer);
        taken.push(found.steps);
        goOn(i + 1, groups | bits[i]!, found.state);
        chosen.pop();
        taken.pop();
      }
    }
    goOn(i + 1, groups, state);
  }

  /** Which unit prices; they act all at once, so each set of them is run whole. */
  function choosePrices(i: number, groups: number): void {
    if (i < prices.length) {
      // With all prices still to come nothing costs less; if that is not enough, no choice among them is.
      const lowest = takeUnitPrices(cart, start, [...chosen, ...prices.slice(i)].sort(inTurn)).state;
      if (isHopeless(lowest, prices.length, 0)) return;
      if ((groups & bits[i]!) === 0) {
        chosen.push(prices[i]!);
        choosePrices(i + 1, groups | bits[i]!);
        chosen.pop();
      }
      return choosePrices(i + 1, groups);
    }
    if (chosen.length === 0) return goOn(i, groups, start);
    const { state, steps } = takeUnitPrices(cart, start, chosen);
    if (!chosen.every(({ id }) => takenBy(id, steps) > 0)) return;
    taken.push(steps);
    goOn(i, groups, state);
    taken.pop();
  }

  /**
   * No combination of the offers from `from` on brings the cart lower. Percents off everything shrink what the next one sees:
   * they are multiplied, with the cents that rounding can add. All others are given what each could take if it stood alone
   * here, and that is taken last, where it does most.
   */
  function leastCost(state: State, from: number, groups: number): number {
    let goods = 0;
    for (const line of state.lines) goods += line;
    let off = 0;
    let seen = 0;
    for (let i = from; i < together.length; i += 1) {
      const bit = bits[i]!;
      if ((groups & bit) !== 0) continue;
      const offer = together[i]!;
      if (bit === 0 && offer.kind === 'percentOff' && offer.selection === null)
        goods -= (goods * offer.basisPoints) / 10_000 + cart.lines.length / 2;
      else if (bit === 0) off += mostOf(cart, state, offer);
      else {
        // Of a group the one that could take most counts.
        const at = 31 - Math.clz32(bit);
        const own = mostOf(cart, state, offer);
        const before = (seen & bit) === 0 ? 0 : most[at]!;
        seen |= bit;
        most[at] = Math.max(own, before);
        off += Math.max(0, own - before);
      }
    }
    return goods - off + (state.deliveryMinor ?? 0);
  }

  choosePrices(0, 0);
  return best;
}

/** What an offer of a later stage takes at most of what there is now, whatever others take before it. */
function mostOf(cart: Cart, state: State, offer: TakingOffer): number {
  switch (offer.kind) {
    case 'deliveryOff': {
      const rest = state.deliveryMinor ?? 0;
      if (offer.flatMinor !== undefined) return Math.max(0, rest - offer.flatMinor);
      return Math.min(rest, offer.amountMinor ?? partOf(rest, offer.basisPoints ?? 0));
    }
    case 'percentOff':
    case 'amountOff': {
      const fitting = cart.fitting(offer.selection);
      let sum = 0;
      let off = 0;
      for (let line = 0; line < state.lines.length; line += 1) {
        if (!fitting[line]) continue;
        const cost = state.lines[line]!;
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
    case 'buyGet':
      return mostOfUnits(cart, state, (line) => cart.fitting(offer.get)[line]!, offer.basisPoints);
    case 'bundle':
      return mostOfUnits(
        cart,
        state,
        (line) => offer.items.some(({ selection }) => cart.fitting(selection)[line]),
        10_000,
      );
    default:
      return 0;
  }
}

function mostOfUnits(cart: Cart, state: State, fitting: (line: number) => boolean, basisPoints: number): number {
  let off = 0;
  for (let i = 0; i < cart.lines.length; i += 1)
    if (fitting(i))
      off += (state.units?.free[i] ?? cart.lines[i]!.quantity) * partOf(state.unitPrices[i]!, basisPoints);
  return off;
}
