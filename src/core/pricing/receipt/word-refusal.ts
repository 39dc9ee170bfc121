import type { ProblemCode } from '~/core/problems';
import type { PricedCode } from './price-goods';
import { conditionOf } from '../conditions';
import type { PricedOffer } from '../offers';

/** What a shopper is told of a code that does not count: a sentence's code, and its facts. `money` writes sums. */
export function codeProblem(
  { code, refusal }: PricedCode,
  around: {
    readonly offers: readonly PricedOffer[];
    readonly offer: PricedOffer | undefined;
    readonly isEmpty: boolean;
    /** Whether it is known who buys; until then what asks for it may still count. */
    readonly isBuyerKnown: boolean;
    readonly money: (amountMinor: number) => string;
  },
): { readonly code: ProblemCode; readonly facts: Readonly<Record<string, string | number>> } | null {
  if (refusal === null) return null;
  const { offers, offer, isEmpty, isBuyerKnown, money } = around;
  const nameOf = (id: string) => offers.find((other) => other.id === id)?.name || id;
  const by = conditionOf(refusal.code);
  if (refusal.code === 'unknown' || refusal.code === 'off' || by?.words.code === null)
    return { code: 'coupon-unknown', facts: { code } };
  if (refusal.code === 'ended') return { code: 'coupon-over', facts: { code } };
  if (isEmpty) return { code: 'coupon-empty', facts: { code } };
  if (by) {
    const { code: sentence, beforePaying = sentence } = by.words;
    return { code: isBuyerKnown ? sentence : beforePaying, facts: { code } };
  }
  switch (refusal.code) {
    case 'needs-more':
      return {
        code: 'coupon-too-little',
        facts: { code, missing: money(refusal.missingMinor), from: money(offer?.when.minGoodsMinor ?? 0) },
      };
    case 'needs-items':
      return { code: 'coupon-needs-items', facts: { code, count: refusal.missing } };
    case 'outdone':
      return { code: 'coupon-outdone', facts: { code, by: refusal.by.map(nameOf).join(', ') } };
    case 'delivery-not-chosen':
      return { code: 'coupon-delivery', facts: { code } };
    default:
      return { code: 'coupon-no-effect', facts: { code } };
  }
}

/** Whether a refusal may be taken back once it is known who buys. */
export const waitsForBuyer = (refusal: PricedCode['refusal']): boolean =>
  refusal !== null && conditionOf(refusal.code)?.knownBy === 'buyer';

/** Reasons that a later step may take away by itself: such a code stays in the cart, with the reason beside it. */
export function isWaiting({ refusal }: PricedCode, isBuyerKnown: boolean): boolean {
  if (refusal === null) return false;
  if (refusal.code === 'delivery-not-chosen' || conditionOf(refusal.code)?.knownBy === 'address') return true;
  return !isBuyerKnown && waitsForBuyer(refusal);
}
