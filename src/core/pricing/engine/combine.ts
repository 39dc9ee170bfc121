import { costOf, type Cart, type Standing, type Standings } from '../basis/standing';
import { inTurn, type Acting } from './acting';
import { leastCost, mostFrom, type Candidate, type Undecided } from './bounds';
import { countBits, lineChooser } from './line-choice';
import { actsOf, itemGroupBits, takesBy, type Alone } from './run';
import { takeUnitPrices } from './unit-prices';

/** Of as many offers, whether `a` in turn is the smaller list. */
function isEarlier(a: readonly Acting[], b: readonly Acting[]): boolean {
  const [ownA, ownB] = [inTurn(a), inTurn(b)];
  for (let i = 0; i < ownA.length; i += 1) if (ownA[i]!.turn !== ownB[i]!.turn) return ownA[i]!.turn < ownB[i]!.turn;
  return false;
}

/** Whether two offers of one group, neither of which stands alone, may stand in one combination. */
const areJoined = (a: Acting, b: Acting): boolean =>
  a.itemGroup !== null && b.itemGroup !== null && (a.stage !== 5 || b.stage !== 5);

/** Finds out which offers may not stand together. */
function exclude(candidates: readonly Candidate[]): void {
  let groups = 0;
  for (let i = 0; i < candidates.length; i += 1) {
    const own = candidates[i]!;
    const { group } = own.acting.offer.combine;
    if (group === null) continue;
    const others = candidates.slice(0, i).filter(({ acting }) => acting.offer.combine.group === group);
    for (const other of others) {
      if (areJoined(own.acting, other.acting)) continue;
      own.excluded |= other.bit;
      other.excluded |= own.bit;
    }
    // One that may stand with another of its group opens the whole group.
    if (others.length === 0) own.only = 1 << groups++;
    else if (others.every(({ bit }) => (own.excluded & bit) !== 0)) own.only = others[0]!.only;
    else for (const other of others) other.only = 0;
  }
}

/** The best of what has been looked at. */
interface Search {
  readonly cart: Cart;
  readonly standings: Standings;
  best: readonly Acting[];
  bestCost: number;
  /** The combination that is being looked at, as its offers act. */
  readonly chosen: Acting[];
}

function consider(search: Search, at: Standing): void {
  const { chosen, best, bestCost } = search;
  const cost = costOf(at);
  if (cost > bestCost || (cost === bestCost && chosen.length > best.length)) return;
  if (cost === bestCost && chosen.length === best.length && !isEarlier(chosen, best)) return;
  search.best = [...chosen];
  search.bestCost = cost;
}

/** Whether nothing that costs so much at least, and holds so many offers, can be the best. */
const isHopeless = ({ bestCost, best }: Search, least: number, size: number): boolean =>
  least > bestCost || (least === bestCost && size > best.length);

/**
 * The legal combination that costs least, found exactly: none that exclude each other, and each takes something. Of two that
 * cost the same the one with fewer offers, then with the smaller sorted list of rank and id. `alone`: each offer by itself, at
 * most `MOST_SEARCHED`, as they act. Returned as they act.
 */
export function findBest(cart: Cart, standings: Standings, alone: readonly Alone[]): readonly Acting[] {
  const search: Search = { cart, standings, best: [], bestCost: costOf(standings.start), chosen: [] };
  const together: Acting[] = [];
  const candidates: Candidate[] = [];
  for (let i = 0; i < alone.length; i += 1) {
    const { acting, act, takenMinor } = alone[i]!;
    if (takenMinor > 0) {
      search.chosen.push(acting);
      consider(search, standings.alone[i]!);
      search.chosen.pop();
    }
    // What takes nothing of the whole cart takes nothing of what others leave of it; but a set may find other units.
    if (acting.offer.combine.alone || (takenMinor === 0 && acting.stage !== 2)) continue;
    const [bit, left] = [1 << together.length, standings.alone[i]!];
    together.push(acting);
    candidates.push({ acting, act, bit, excluded: 0, only: 0, isForced: false, alone: left });
  }
  // One offer that can be joined by none has been priced alone.
  if (together.length < 2) return search.best;
  exclude(candidates);
  const bits = itemGroupBits(together);
  const isByLine = bits !== null && together.some(({ isLineOffer, itemGroup }) => isLineOffer && itemGroup !== null);
  if (bits !== null && !isByLine)
    for (const [i, act] of actsOf(cart, together, bits, () => false).entries()) candidates[i]!.act = act;
  if (isByLine) chooseByLine(search, candidates, bits);
  else choosePrices(search, candidates);
  return search.best;
}

/** A branch of the search: what is decided, and what is not yet. */
interface Branch {
  readonly search: Search;
  readonly candidates: readonly Candidate[];
  /** What those from each on can take at most. */
  readonly farthest: readonly number[];
  /** Filled anew for each question what is left can come to. */
  readonly undecided: Undecided;
}

function branchOf(search: Search, candidates: readonly Candidate[]): Branch {
  const farthest = mostFrom(search.cart, search.standings.start, candidates);
  return { search, candidates, farthest, undecided: { candidates, from: 0, chosen: 0 } };
}

/**
 * Offers of the later stages, from `i` on, on top of what stands after those before; `chosen`: their bits. A branch is left when
 * what the rest could take at most cannot bring it below the best there is.
 */
function goOn(branch: Branch, i: number, chosen: number, at: Standing): void {
  const { search, candidates, farthest, undecided } = branch;
  const { cart, standings } = search;
  if (i === candidates.length) return consider(search, at);
  // What the rest could take of the whole cart is known; what it could of this is asked where much hangs on it.
  const size = search.chosen.length;
  if (isHopeless(search, costOf(at) - farthest[i]!, size)) return;
  if (candidates.length - i > 3) {
    undecided.from = i;
    undecided.chosen = chosen;
    if (isHopeless(search, leastCost(cart, at, undecided, standings), size)) return;
  }
  const { acting, act, bit, excluded, isForced, alone } = candidates[i]!;
  if ((chosen & excluded) === 0) {
    // The first of all takes what it takes alone, unless its group keeps it from lines.
    const isAsAlone = at === standings.start && act.group === 0;
    const left = isAsAlone ? alone : at.next!;
    if (!isAsAlone) act.facts.take!(cart, at, act, left);
    if (costOf(left) < costOf(at)) {
      search.chosen.push(acting);
      goOn(branch, i + 1, chosen | bit, left);
      search.chosen.pop();
    }
  }
  if (!isForced) goOn(branch, i + 1, chosen, at);
}

/** Which prices of units; they act all at once, so each set of them is run whole. */
function choosePrices(search: Search, candidates: readonly Candidate[]): void {
  const { cart, standings } = search;
  const { start, ahead } = standings;
  const prices = candidates.filter(({ act }) => act.stage === 1);
  const branch = branchOf(search, candidates);
  const chosen: Candidate[] = [];
  function choose(i: number, bits: number): void {
    if (i < prices.length) {
      // With all prices still to come nothing costs less; if that is not enough, no choice among them is.
      takeUnitPrices(
        cart,
        start,
        [...chosen, ...prices.slice(i)].map(({ act }) => act),
        ahead,
      );
      const least = leastCost(cart, ahead, { candidates, from: prices.length, chosen: 0 }, standings);
      if (isHopeless(search, least, chosen.length)) return;
      const price = prices[i]!;
      if ((price.excluded & bits) === 0) {
        chosen.push(price);
        choose(i + 1, bits | price.bit);
        chosen.pop();
      }
      return choose(i + 1, bits);
    }
    startFrom(branch, chosen, prices.length, bits);
  }
  choose(0, 0);
}

/** Goes on from some prices of units, the first `count` candidates having been decided on. */
function startFrom(branch: Branch, prices: readonly Candidate[], count: number, bits: number): void {
  const { search } = branch;
  const { cart, standings } = search;
  const { start } = standings;
  if (prices.length === 0) return goOn(branch, count, bits, start);
  const after = start.next!;
  const by = takeUnitPrices(
    cart,
    start,
    prices.map(({ act }) => act),
    after,
  );
  if (!prices.every(({ act }) => by.includes(act.offer))) return;
  search.chosen.push(...prices.map(({ acting }) => acting));
  goOn(branch, count, bits, after);
  search.chosen.length -= prices.length;
}

/**
 * Where lines choose among line offers: which of these stand in the combination is decided first, for it decides what every
 * line takes of them; then the others as they act.
 */
function chooseByLine(search: Search, candidates: readonly Candidate[], bits: ReadonlyMap<string, number>): void {
  const { cart, standings } = search;
  const lineOffers = candidates
    .filter(({ acting }) => acting.isLineOffer)
    .sort((a, b) => a.acting.turn - b.acting.turn);
  const actings = lineOffers.map(({ acting }) => acting);
  const others = candidates.filter(({ acting }) => !acting.isLineOffer);
  const chooser = lineChooser(cart, actings);
  const { lines } = chooser;
  const mostOfOthers = mostFrom(cart, standings.start, others)[0]!;
  const full = 2 ** lineOffers.length - 1;
  const bitsOf = (among: number) => lineOffers.reduce((all, { bit }, at) => (among & (1 << at) ? all | bit : all), 0);

  /** What all lines cost by what they choose among some line offers. */
  const sumOf = (among: number) => lines.reduce((sum, line) => sum + chooser.choose(line, among).costMinor, 0);

  /** No combination with the line offers chosen, and any of `among`, costs less. */
  function leastWith(chosen: number, among: number): number {
    let dearest = 0;
    // Each offer must be taken by a line, be it dearer there.
    for (const [at, { itemGroup }] of actings.entries()) {
      const bit = 1 << at;
      if ((chosen & bit) === 0 || itemGroup === null) continue;
      let dearer = Infinity;
      for (const line of lines)
        if ((chooser.fitting(line) & bit) !== 0)
          dearer = Math.min(dearer, chooser.choose(line, among, bit).costMinor - chooser.choose(line, among).costMinor);
      dearest = Math.max(dearest, dearer);
    }
    return sumOf(among) + dearest + standings.start.deliveryMinor - mostOfOthers;
  }

  /** The combinations that hold just these of the line offers. */
  function look(chosen: number): void {
    const taken = lines.reduce((all, line) => all | chooser.choose(line, chosen).offers, 0);
    if (taken !== chosen) return;
    const own = bitsOf(chosen);
    const open = candidates.filter(({ acting, bit, excluded }) =>
      acting.isLineOffer ? (bit & own) !== 0 : (excluded & own) === 0,
    );
    const acts = actsOf(
      cart,
      open.map(({ acting }) => acting),
      bits,
      takesBy(chooser, actings, chosen),
    );
    const decided = open.map((candidate, i) => ({
      ...candidate,
      act: acts[i]!,
      isForced: candidate.acting.isLineOffer,
    }));
    // What the lines cost by these alone is known; the rest take at most so much of the lines that are left to them.
    const rest = mostFrom(
      cart,
      standings.start,
      decided.filter(({ isForced }) => !isForced),
    )[0]!;
    if (isHopeless(search, sumOf(chosen) + standings.start.deliveryMinor - rest, countBits(chosen))) return;
    const prices = decided.filter(({ act }) => act.stage === 1);
    const branch = branchOf(search, decided);
    const priceBits = prices.reduce((all, { bit }) => all | bit, 0);
    startFrom(branch, prices, prices.length, priceBits);
  }

  function decide(at: number, chosen: number, among: number): void {
    if (isHopeless(search, leastWith(chosen, among), countBits(chosen))) return;
    if (at === lineOffers.length) return chosen === all ? undefined : look(chosen);
    const bit = 1 << at;
    if ((lineOffers[at]!.excluded & bitsOf(chosen)) === 0) decide(at + 1, chosen | bit, among);
    decide(at + 1, chosen, among & ~bit);
  }

  // Where nothing else has a say, the best is what the lines choose of all there is.
  const all = lines.reduce((union, line) => union | chooser.choose(line, full).offers, 0);
  const areLegal = lineOffers.every(({ excluded }, at) => !(all & (1 << at)) || (excluded & bitsOf(all)) === 0);
  if (areLegal) look(all);
  decide(0, 0, full);
}
