import { partOf } from './half-up';
import {
  beginning,
  STAGES,
  take,
  takeUnitPrices,
  type Cart,
  type OfferStep,
  type State,
  type TakingOffer,
} from './stages';

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

const costOf = ({ lines, deliveryMinor }: State) => lines.reduce((sum, line) => sum + line, 0) + (deliveryMinor ?? 0);

const stageOf = (offer: TakingOffer) => STAGES[offer.kind](offer);

/** How offers act: stage by stage, in each in turn. */
export const asTheyAct = (a: TakingOffer, b: TakingOffer): number => stageOf(a) - stageOf(b) || inTurn(a, b);

/** What a set of offers comes to; `offers` in any order. */
export function runOffers(cart: Cart, deliveryMinor: number | null, offers: readonly TakingOffer[]): Combination {
  const acting = offers.length > 1 ? [...offers].sort(asTheyAct) : offers;
  const later = acting.findIndex((offer) => stageOf(offer) > 1);
  const prices = later < 0 ? acting : acting.slice(0, later);
  let state = beginning(cart, deliveryMinor);
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
  return steps.reduce((sum, step) => sum + (step.offerId === offerId ? step.amountMinor : 0), 0);
}

const NO_STEPS: readonly OfferStep[] = [];
const NO_GROUPS: ReadonlySet<string> = new Set();

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

/**
 * The legal combination that costs least, found exactly: no two of a group, none that stands alone beside others, and each
 * takes something. `alone`: each offer by itself, at most `MOST_SEARCHED`. Offers are tried in the order they act, so that what those before left
 * is known; a branch is left when what the rest could take at most cannot bring it below the best there is.
 */
export function findBest(cart: Cart, deliveryMinor: number | null, alone: readonly Combination[]): Combination {
  let best = runOffers(cart, deliveryMinor, []);
  const consider = (found: Combination) => {
    if (isBetter(found, best)) best = found;
  };
  for (const one of alone) if (one.steps.length > 0) consider(one);
  const offers = alone.map((one) => one.offers[0]!);
  const together = offers.filter(({ combine }) => !combine.alone).sort(asTheyAct);
  const prices = together.filter((offer) => stageOf(offer) === 1);
  const later = together.slice(prices.length);
  const start = beginning(cart, deliveryMinor);
  const groupsOf = (chosen: readonly TakingOffer[]) => new Set(chosen.flatMap(({ combine }) => combine.group ?? []));

  /** Offers of the later stages, from `i` on, on top of what stands. */
  function goOn(
    i: number,
    chosen: readonly TakingOffer[],
    groups: ReadonlySet<string>,
    state: State,
    steps: readonly OfferStep[],
  ): void {
    if (leastCost(cart, state, later, i, groups) > best.costMinor) return;
    if (i === later.length) {
      const costMinor = costOf(state);
      if (costMinor <= best.costMinor) consider({ offers: [...chosen].sort(inTurn), costMinor, state, steps });
      return;
    }
    const offer = later[i]!;
    const { group } = offer.combine;
    if (group === null || !groups.has(group)) {
      const taken = take(cart, state, offer);
      if (taken.steps.length > 0)
        goOn(i + 1, [...chosen, offer], group === null ? groups : new Set([...groups, group]), taken.state, [
          ...steps,
          ...taken.steps,
        ]);
    }
    goOn(i + 1, chosen, groups, state, steps);
  }

  /** Which unit prices; they act all at once, so each set of them is run whole. */
  function choosePrices(i: number, chosen: readonly TakingOffer[]): void {
    if (i < prices.length) {
      // With all prices still to come nothing costs less; if that is not enough, no choice among them is.
      const lowest = takeUnitPrices(cart, start, [...chosen, ...prices.slice(i)].sort(inTurn)).state;
      if (leastCost(cart, lowest, later, 0, NO_GROUPS) > best.costMinor) return;
      const offer = prices[i]!;
      if (offer.combine.group === null || !groupsOf(chosen).has(offer.combine.group))
        choosePrices(i + 1, [...chosen, offer]);
      return choosePrices(i + 1, chosen);
    }
    const { state, steps } = takeUnitPrices(cart, start, chosen);
    if (chosen.every(({ id }) => takenBy(id, steps) > 0)) goOn(0, chosen, groupsOf(chosen), state, steps);
  }
  // One offer that can be joined by none has been priced alone.
  if (together.length > 1) choosePrices(0, []);
  return best;
}

/**
 * No combination of the offers from `i` on brings the cart lower. Percents off everything shrink what the next one sees: they
 * are multiplied, with the cents that rounding can add. All others are given what each could take if it stood alone here, and
 * that is taken last, where it does most.
 */
function leastCost(
  cart: Cart,
  state: State,
  later: readonly TakingOffer[],
  i: number,
  groups: ReadonlySet<string>,
): number {
  let goods = state.lines.reduce((sum, line) => sum + line, 0);
  let off = 0;
  const best = new Map<string, number>();
  for (let at = i; at < later.length; at += 1) {
    const offer = later[at]!;
    const { group } = offer.combine;
    if (group !== null && groups.has(group)) continue;
    if (group === null && offer.kind === 'percentOff' && offer.selection === null)
      goods -= (goods * offer.basisPoints) / 10_000 + cart.lines.length / 2;
    else if (group === null) off += mostOf(cart, state, offer);
    else best.set(group, Math.max(best.get(group) ?? 0, mostOf(cart, state, offer)));
  }
  for (const most of best.values()) off += most;
  return goods - off + (state.deliveryMinor ?? 0);
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
      for (const [line, cost] of state.lines.entries()) {
        if (!fitting[line]) continue;
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
  if (state.units) {
    for (const unit of state.units) if (!unit.isUsed && fitting(unit.line)) off += partOf(unit.minor, basisPoints);
    return off;
  }
  for (const [i, line] of cart.lines.entries())
    if (fitting(i)) off += line.quantity * partOf(state.unitPrices[i]!, basisPoints);
  return off;
}
