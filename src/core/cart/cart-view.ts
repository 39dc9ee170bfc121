import type { Picture } from '~/core/catalogue';
import type { Minor } from '~/core/money';
import type { PriceStep } from '~/core/offers';
import type { Answers, AnswerText } from '~/core/options';

/** A cart line as shoppers see it. `problem` says why it could not be ordered as it stands. */
export interface CartLineView {
  readonly id: string;
  readonly variantId: number;
  readonly slug: string;
  /** Slugs of the product's categories, parents included. */
  readonly categories: readonly string[];
  readonly name: string;
  readonly choices: string;
  /** Answers to options, in words and as they were given. */
  readonly answerTexts: readonly AnswerText[];
  readonly answers: Answers;
  /** Whether there is anything to choose: other variants, or options. */
  readonly isChangeable: boolean;
  readonly picture: Picture | null;
  readonly quantity: number;
  readonly stock: number | null;
  /** One unit with its options; what counts once for the line is in the total only. */
  readonly unitMinor: Minor;
  /** Before offers. */
  readonly fullMinor: Minor;
  readonly totalMinor: Minor;
  readonly steps: readonly PriceStep[];
  readonly problem: string | null;
}

export interface DeliveryOption {
  readonly key: string;
  readonly name: string;
  readonly days: string;
  /** As charged: after offers. */
  readonly amountMinor: Minor;
}

/** The code a shopper entered; `problem` says why it does not count. */
export interface CouponView {
  readonly code: string;
  readonly takenMinor: Minor;
  readonly problem: string | null;
}

/** Ways to a destination the shopper named, cheapest first; none when nobody goes there. */
export interface EstimateView {
  readonly country: string;
  readonly countryName: string;
  readonly postcode: string;
  readonly ways: readonly DeliveryOption[];
}

/** The cart as shop pages, the runtime and the bench's sample carts carry it. */
export interface CartView {
  /** Grows with every change, so that an older answer is known as such. */
  readonly version: number;
  readonly lines: readonly CartLineView[];
  readonly count: number;
  readonly subtotalMinor: Minor;
  readonly discountMinor: Minor;
  /** null until a destination is known, or when nothing is sent. */
  readonly deliveryMinor: Minor | null;
  readonly taxMinor: Minor;
  readonly taxIncluded: boolean;
  readonly taxBasisPoints: number;
  readonly totalMinor: Minor;
  readonly freeDelivery: { readonly thresholdMinor: Minor; readonly missingMinor: Minor } | null;
  readonly steps: readonly PriceStep[];
  readonly coupon: CouponView | null;
  readonly needsDelivery: boolean;
  readonly estimate: EstimateView | null;
  readonly note: string;
}
