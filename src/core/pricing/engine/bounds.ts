import type { Cart, Standing, Standings } from '../basis/standing';
import type { Act, Acting } from './acting';

/** An offer as the search goes through it. */
export interface Candidate {
  readonly acting: Acting;
  act: Act;
  readonly bit: number;
  /** Bits of those it may not stand with. */
  excluded: number;
  /** A bit for its group, if no two of that group ever stand together; 0: none. */
  only: number;
  /** Decided on before: it stands in every combination of this branch. */
  readonly isForced: boolean;
  /** What it leaves of the whole cart. */
  readonly alone: Standing;
}

/** What offers of the later stages, from each on, take at most of a cart, whatever was taken before. */
export function mostFrom(cart: Cart, start: Standing, offers: readonly Candidate[]): number[] {
  const ofGroups = new Map<number, number>();
  const all = new Array<number>(offers.length + 1).fill(0);
  for (let i = offers.length - 1; i >= 0; i -= 1) {
    const { act, only } = offers[i]!;
    const most = mostOf(cart, start, act);
    const before = only === 0 ? 0 : (ofGroups.get(only) ?? 0);
    // Of a group the one that could take most counts.
    if (only !== 0) ofGroups.set(only, Math.max(most, before));
    all[i] = all[i + 1]! + Math.max(0, most - before);
  }
  return all;
}

/** Offers that are not decided on yet. The search asks very often, and fills one anew instead of making others. */
export interface Undecided {
  readonly candidates: readonly Candidate[];
  /** The first of them. */
  from: number;
  /** Bits of those that stand already. */
  chosen: number;
}

/**
 * No combination of the offers from `from` on brings the cart lower. Percents off everything shrink what the next one sees:
 * they are multiplied, with the cents that rounding can add. All others are given what each could take if it stood alone
 * here, and that is taken last, where it does most.
 */
export function leastCost(
  cart: Cart,
  at: Standing,
  { candidates: offers, from, chosen }: Undecided,
  { mostInGroup }: Standings,
): number {
  let goods = at.goodsMinor;
  let off = 0;
  let seen = 0;
  for (let i = from; i < offers.length; i += 1) {
    const { acting, act, only, excluded } = offers[i]!;
    if ((chosen & excluded) !== 0) continue;
    if (only === 0 && acting.share > 0 && act.fitting === null)
      goods -= (goods * acting.share) / 10_000 + cart.lines.length / 2;
    else if (only === 0) off += mostOf(cart, at, act);
    else {
      // Of a group the one that could take most counts.
      const group = 31 - Math.clz32(only);
      const own = mostOf(cart, at, act);
      const before = (seen & only) === 0 ? 0 : mostInGroup[group]!;
      seen |= only;
      mostInGroup[group] = Math.max(own, before);
      off += Math.max(0, own - before);
    }
  }
  return goods - off + at.deliveryMinor;
}

/** What an offer takes at most of what there is now, whatever others take before it. Prices of units act before: nothing. */
const mostOf = (cart: Cart, at: Standing, act: Act): number => (act.stage === 1 ? 0 : act.facts.most!(cart, at, act));
