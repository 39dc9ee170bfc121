import type { Picture } from '~/core/catalogue';
import type { Minor } from '~/core/money';
import type { PriceStep } from '~/core/pricing';
import type { Answers, AnswerText } from '~/core/options';

/** The better one of a line, with what taking it changes and costs. */
export interface BetterView {
  readonly slug: string;
  readonly name: string;
  readonly choices: string;
  readonly variantId: number;
  readonly answers: Answers;
  readonly changes: readonly string[];
  /** What the whole cart costs more with it, as it would be charged. */
  readonly moreMinor: Minor;
}

/** A cart line as shoppers see it. `problem` says why it could not be ordered as it stands. */
export interface LineView {
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
  /** How it comes where it does not leave at once by parcel, in words; null: as usual. */
  readonly arrival: string | null;
  /** Whether there is anything to choose: other variants, or options. */
  readonly isChangeable: boolean;
  /** What can stand in its place; null: nothing. */
  readonly better: BetterView | null;
  /** In whose place it was taken, and what one costs there; null: nowhere, or for what it always costs. */
  readonly instead: { readonly of: string; readonly unitMinor: Minor } | null;
  readonly picture: Picture | null;
  readonly quantity: number;
  readonly stock: number | null;
  /** One unit with its options; what counts once for the line is in the total only. */
  readonly unitMinor: Minor;
  /** Before offers. */
  readonly fullMinor: Minor;
  /** By the offers on it, without its share of what comes off the whole order. */
  readonly lineMinor: Minor;
  readonly totalMinor: Minor;
  readonly steps: readonly PriceStep[];
  readonly problem: string | null;
}

/** What an offer puts in for nothing. */
export interface GiftView {
  readonly offerId: string;
  readonly offer: string;
  readonly name: string;
  readonly choices: string;
  readonly picture: Picture | null;
  readonly quantity: number;
  /** What it costs otherwise, all of it. */
  readonly valueMinor: Minor;
  /** That it has run out, in words; null: it comes along. */
  readonly gone: string | null;
}

export interface DeliveryOption {
  readonly key: string;
  readonly name: string;
  readonly days: string;
  /** As charged: after offers. */
  readonly amountMinor: Minor;
}

/** A code a shopper entered; `problem` says why it does not count. */
export interface CouponView {
  readonly code: string;
  readonly takenMinor: Minor;
  readonly problem: string | null;
  /** What is wrong may come right at the next step: delivery or country are not known yet. */
  readonly isWaiting: boolean;
}

/** Ways to a destination the shopper named, cheapest first; none when nobody goes there. */
export interface EstimateView {
  readonly country: string;
  readonly countryName: string;
  readonly postcode: string;
  readonly ways: readonly DeliveryOption[];
}

/** What would make the cart cheaper, as far as the owner tells of it. */
export type CartHint =
  | { readonly kind: 'code'; readonly code: string; readonly savedMinor: number }
  /** What comes off when it is known who buys, in words. */
  | { readonly kind: 'told'; readonly text: string }
  | { readonly kind: 'more'; readonly name: string; readonly missingMinor: number; readonly thresholdMinor: number };

/** The cart as shop pages, the runtime and the bench's sample carts carry it. */
export interface CartView {
  /** Grows with every change, so that an older answer is known as such. */
  readonly version: number;
  readonly lines: readonly LineView[];
  readonly gifts: readonly GiftView[];
  /** Ids of the offers whose gifts come along, with spaces between them: sent with an order, so that one that runs out is told. */
  readonly comesAlong: string;
  readonly count: number;
  readonly subtotalMinor: Minor;
  readonly discountMinor: Minor;
  /** What makes it up, a row an offer; an empty label: it has no name. */
  readonly discounts: readonly { readonly offerId: string; readonly label: string; readonly amountMinor: Minor }[];
  /** null until a destination is known, or when nothing is sent. */
  readonly deliveryMinor: Minor | null;
  readonly taxMinor: Minor;
  readonly taxIncluded: boolean;
  readonly taxBasisPoints: number;
  readonly totalMinor: Minor;
  readonly freeDelivery: { readonly thresholdMinor: Minor; readonly missingMinor: Minor } | null;
  readonly steps: readonly PriceStep[];
  /** When an offer of this cart ends (ms since 1970), the soonest, in its last two days. */
  readonly deadline: { readonly name: string; readonly at: number } | null;
  readonly hints: readonly CartHint[];
  readonly codes: readonly CouponView[];
  /** Whether one more code would be taken beside these, and not in their place. */
  readonly takesCode: boolean;
  readonly needsDelivery: boolean;
  /** Where it can be sent to (ISO 3166-1), the shop’s own country first; none when nothing is sent. */
  readonly countries: readonly string[];
  readonly estimate: EstimateView | null;
  readonly note: string;
}
