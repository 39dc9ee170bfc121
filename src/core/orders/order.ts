import type { Minor } from '~/core/money';
import type { PriceStep } from '~/core/pricing';
import type { AnswerText } from '~/core/options';

export interface Address {
  readonly line1: string;
  readonly line2: string;
  readonly postcode: string;
  readonly city: string;
  readonly country: string;
}

export interface OrderLine {
  readonly variantId: number | null;
  readonly sku: string;
  readonly name: string;
  readonly choices: string;
  readonly quantity: number;
  readonly unitMinor: Minor;
  readonly totalMinor: Minor;
  readonly costMinor: number | null;
  /** The tax rate of its product, in hundredths of a percent; null: the order's. */
  readonly taxBasisPoints: number | null;
  readonly steps: readonly PriceStep[];
  readonly answers: readonly AnswerText[];
  /** Variants that came along, one for each unit. */
  readonly addOns: readonly number[];
}

/** Key of the answer that says where an event is: the product's, not the buyer's. */
export const PLACE_KEY = 'place:';

/** What lines take off the shelves: their variants, and the add-ons that come along. */
export function takenBy(
  lines: readonly Pick<OrderLine, 'variantId' | 'addOns' | 'quantity'>[],
): { variantId: number; quantity: number }[] {
  return lines.flatMap(({ variantId, addOns, quantity }) =>
    [variantId, ...addOns].flatMap((id) => (id === null ? [] : [{ variantId: id, quantity }])),
  );
}

/** `reserved`: stock taken, payment under way. `failed`: stock given back. */
export type OrderStatus = 'reserved' | 'paid' | 'failed';

/** An order as it was made: what was bought, what it cost and why, and the lane revision it was made under. */
export interface Order {
  readonly id: number;
  readonly token: string;
  readonly idempotencyKey: string;
  readonly requestHash: string;
  readonly status: OrderStatus;
  readonly email: string;
  readonly name: string;
  readonly address: Address;
  readonly delivery: string;
  /** As the carrier called it then, and how long it takes. */
  readonly deliveryName: string;
  readonly deliveryDays: string;
  /** The language it was made in: its mail and its page speak it. */
  readonly language: string;
  readonly currency: string;
  readonly subtotalMinor: Minor;
  readonly discountMinor: Minor;
  readonly deliveryMinor: Minor;
  readonly taxMinor: Minor;
  /** Whether the prices of its lines hold the tax. */
  readonly taxIncluded: boolean;
  /** The shop's own rate then, which delivery has as well; null for orders from before it was kept. */
  readonly taxBasisPoints: number | null;
  readonly totalMinor: Minor;
  /** What was shown before it was paid, where less was charged: an offer asked who buys. */
  readonly shownTotalMinor: Minor | null;
  readonly steps: readonly PriceStep[];
  readonly laneRevision: number;
  readonly visitId: string | null;
  /** The provider's reference; of a failed order, why it failed. */
  readonly paymentReference: string | null;
  readonly placedAt: number;
  readonly day: string;
  /** The codes that counted, if any, with commas between them. */
  readonly coupon: string | null;
  readonly note: string;
  /** The cart it was made from, and which state of it; null for orders from before that was kept. */
  readonly cartToken: string | null;
  readonly cartVersion: number | null;
  readonly lines: readonly OrderLine[];
}

/** What became of an order after it was paid; milliseconds since 1970, null: not yet. */
export interface OrderKeeping {
  readonly packedAt: number | null;
  readonly sentAt: number | null;
  readonly cancelledAt: number | null;
  /** Number or address at the carrier; may be empty. */
  readonly tracking: string;
}
