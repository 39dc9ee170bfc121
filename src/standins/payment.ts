/** What a payment provider must do. The key makes a repeated request the same charge. */
export interface Payment {
  charge(request: { key: string; amountMinor: number; currency: string; cardNumber: string }): Promise<ChargeResult>;
  /** Charges the card of an earlier charge again, by its reference; nobody types a card. The key makes a repeated request the same charge. */
  chargeAgain(request: {
    key: string;
    reference: string;
    amountMinor: number;
    currency: string;
  }): Promise<ChargeResult>;
  /** Gives part of a charge back. The refund's own key makes a repeated request the same refund. */
  refund(request: { key: string; refundKey: string; amountMinor: number }): Promise<{ status: 'done' | 'refused' }>;
  /** After a charge whose outcome is unknown: when this resolves, nothing is or will be charged for the key. */
  cancel(key: string): Promise<void>;
}

export type ChargeResult = { status: 'approved'; reference: string } | { status: 'declined' } | { status: 'timed-out' };

const ONCE = 'stand-in-once';

/**
 * Stands in for a provider: cards ending in 0002 are declined, in 0003 never answer, in 0004 are approved once and declined
 * when they are charged again, all others are approved.
 * `timeoutMs` is how long the shop waits for an answer.
 */
export function standInPayment({ answerMs = 30, timeoutMs = 1500 } = {}): Payment {
  const charged = new Map<string, { readonly reference: string; readonly amountMinor: number }>();
  const refunded = new Map<string, { readonly of: string; readonly amountMinor: number }>();
  return {
    async charge({ key, cardNumber, amountMinor }) {
      if (cardNumber.endsWith('0003')) {
        await delay(timeoutMs);
        return { status: 'timed-out' };
      }
      await delay(answerMs);
      if (cardNumber.endsWith('0002')) return { status: 'declined' };
      const kind = cardNumber.endsWith('0004') ? ONCE : 'stand-in';
      const reference = charged.get(key)?.reference ?? `${kind}-${charged.size + 1}-${key.slice(0, 8)}`;
      charged.set(key, { reference, amountMinor });
      return { status: 'approved', reference };
    },
    async chargeAgain({ key, reference, amountMinor }) {
      await delay(answerMs);
      if (reference.startsWith(ONCE)) return { status: 'declined' };
      const again = charged.get(key)?.reference ?? `stand-in-${charged.size + 1}-${key.slice(0, 8)}`;
      charged.set(key, { reference: again, amountMinor });
      return { status: 'approved', reference: again };
    },
    async refund({ key, refundKey, amountMinor }) {
      await delay(answerMs);
      const others = [...refunded].filter(([other, { of }]) => of === key && other !== refundKey);
      // What it was charged before it was started anew it does not know.
      const left = others.reduce(
        (sum, [, refund]) => sum - refund.amountMinor,
        charged.get(key)?.amountMinor ?? Infinity,
      );
      if (!(amountMinor > 0) || amountMinor > left) return { status: 'refused' };
      refunded.set(refundKey, { of: key, amountMinor });
      return { status: 'done' };
    },
    async cancel(key) {
      charged.delete(key);
    },
  };
}

function delay(ms: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, ms));
}
