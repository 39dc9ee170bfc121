import type { CheckoutForm } from '~/core/orders';

/** A request to place an order. */
export interface OrderRequest {
  readonly cartToken: string;
  /** The version of the cart the shopper saw; another is refused. */
  readonly cartVersion: number;
  readonly form: CheckoutForm;
  /** The same key is the same order, however often it is sent. */
  readonly key: string;
  readonly visitId: string | null;
  /** ISO 639-1. */
  readonly language: string;
  /** The total shown to the shopper; another price is refused, unless it is lower because of who buys. */
  readonly seenTotalMinor: number | null;
  /** The gifts shown to the shopper (`CartView.comesAlong`); if one has run out, they are told before paying. Null: not known. */
  readonly seenGifts: string | null;
  /** IP address of the buyer. */
  readonly from: string;
}
