import { fullUnit } from '../basis/line';
import { countFitting, type Cart } from '../basis/standing';
import type { Acting } from './acting';

/** What a line takes of the line offers it may: a bit for each of them, and what it then costs after stages 1 and 3. */
export interface LineChoice {
  readonly offers: number;
  readonly costMinor: number;
}

/**
 * Which line offer of each group a line takes: of those in no group per item all, of each group per item none or one, so that it
 * costs least; equal: fewer, then the earlier ones.
 */
export interface LineChooser {
  /** Every line, by its place in the cart. */
  readonly lines: readonly number[];
  /** Offers that fit a line, as bits. */
  fitting(line: number): number;
  /** The choice among some offers (as bits); `must`: an offer per item that it has to take. */
  choose(line: number, among: number, must?: number): LineChoice;
}

/** `offers`: line offers, by rank and id; what is said of them as bits goes by this order. */
export function lineChooser(cart: Cart, offers: readonly Acting[]): LineChooser {
  const { lines } = cart;
  const fits = lines.map(() => 0);
  /** Of each offer of stage 1 what it makes of a unit of each line. */
  const units: (readonly number[])[] = [];
  const groups: { name: string; members: number }[] = [];
  let ungrouped = 0;
  let prices = 0;
  for (const [at, { offer, facts, stage, selection, itemGroup }] of offers.entries()) {
    const bit = 1 << at;
    const fitting = cart.fitting(selection);
    for (let line = 0; line < lines.length; line += 1) if (!fitting || fitting[line]) fits[line]! |= bit;
    const together = countFitting(cart, fitting);
    units.push(stage === 1 ? lines.map((line) => facts.unitPrice!(offer, line, together) ?? Infinity) : []);
    if (stage === 1) prices |= bit;
    const group = groups.find(({ name }) => name === itemGroup);
    if (itemGroup === null) ungrouped |= bit;
    else if (group) group.members |= bit;
    else groups.push({ name: itemGroup, members: bit });
  }

  /** What a line costs after stages 1 and 3 with some of the offers that fit it. */
  function costWith(line: number, chosen: number): number {
    const { quantity, onceOptionsMinor } = lines[line]!;
    let unit = fullUnit(lines[line]!);
    for (let left = chosen & prices; left !== 0; left &= left - 1)
      unit = Math.min(unit, units[31 - Math.clz32(left & -left)]![line]!);
    let cost = unit * quantity + onceOptionsMinor;
    for (let left = chosen & ~prices; left !== 0; left &= left - 1) {
      const { offer, facts } = offers[31 - Math.clz32(left & -left)]!;
      cost -= facts.ofLine!(offer, cost, quantity);
    }
    return cost;
  }

  function search(line: number, among: number, must: number): LineChoice {
    const own = among & fits[line]!;
    const open = groups.map(({ members }) => ((members & must) === 0 ? members & own : must));
    let best: LineChoice = { offers: 0, costMinor: Infinity };
    function visit(at: number, chosen: number): void {
      // With all that could still join it a line costs least.
      let all = chosen;
      for (let group = at; group < open.length; group += 1) all |= open[group]!;
      const least = costWith(line, all);
      if (least > best.costMinor || (least === best.costMinor && !isFewer(chosen, best.offers))) return;
      if (at === open.length) {
        best = { offers: chosen, costMinor: least };
        return;
      }
      for (let left = open[at]!; left !== 0; left &= left - 1) visit(at + 1, chosen | (left & -left));
      if (open[at] !== must || must === 0) visit(at + 1, chosen);
    }
    visit(0, own & ungrouped);
    return best;
  }

  const known = lines.map(() => new Map<number, LineChoice>());
  return {
    lines: [...lines.keys()],
    fitting: (line) => fits[line]!,
    choose(line, among, must = 0) {
      // At most 16 offers: both sets go into one number.
      const key = (among & fits[line]!) * 65_536 + must;
      let choice = known[line]!.get(key);
      if (!choice) known[line]!.set(key, (choice = search(line, among, must)));
      return choice;
    },
  };
}

/** Whether some offers are fewer than others, or as many and earlier: the first in which they differ is theirs. */
function isFewer(a: number, b: number): boolean {
  const [countA, countB] = [countBits(a), countBits(b)];
  const differs = a ^ b;
  return countA === countB ? (differs & -differs & a) !== 0 : countA < countB;
}

export function countBits(bits: number): number {
  let count = 0;
  for (let left = bits; left !== 0; left &= left - 1) count += 1;
  return count;
}
