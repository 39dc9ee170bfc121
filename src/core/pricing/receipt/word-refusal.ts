import type { ProblemCode } from '~/core/problems';
import type { PricedCode } from './price-goods';
import type { PricedOffer } from '../engine/pricing.schema';

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
  const known = refusal.code !== 'unknown' && refusal.code !== 'off' && refusal.code !== 'needs-code';
  if (!known) return { code: 'coupon-unknown', facts: { code } };
  if (refusal.code === 'ended') return { code: 'coupon-over', facts: { code } };
  if (isEmpty) return { code: 'coupon-empty', facts: { code } };
  if (!isBuyerKnown && refusal.code === 'wrong-shopper') return { code: 'coupon-at-pay', facts: { code } };
  if (!isBuyerKnown && refusal.code === 'not-birthday') return { code: 'coupon-at-pay-birthday', facts: { code } };
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
    default:
      return { code: SENTENCES[refusal.code], facts: { code } };
  }
}

const SENTENCES = {
  'not-started': 'coupon-early',
  'wrong-shopper': 'coupon-not-you',
  'not-birthday': 'coupon-birthday',
  'used-up': 'coupon-used-up',
  'wrong-country': 'coupon-country',
  'wrong-source': 'coupon-not-here',
  'delivery-not-chosen': 'coupon-delivery',
  'no-effect': 'coupon-no-effect',
  'not-searched': 'coupon-no-effect',
} as const satisfies Readonly<Record<string, ProblemCode>>;

/** Reasons that a later step may take away by itself: such a code stays in the cart, with the reason beside it. */
const WAITING: readonly string[] = ['delivery-not-chosen', 'wrong-country'];
const WAITING_FOR_BUYER: readonly string[] = ['wrong-shopper', 'not-birthday'];

export function isWaiting({ refusal }: PricedCode, isBuyerKnown: boolean): boolean {
  if (refusal === null) return false;
  return WAITING.includes(refusal.code) || (!isBuyerKnown && WAITING_FOR_BUYER.includes(refusal.code));
}
