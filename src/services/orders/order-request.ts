import type { CheckoutForm } from '~/core/orders';

/** An order as it is asked for. */
export interface OrderRequest {
  readonly cartToken: string;
  /** Which state of the cart the shopper saw; another is refused. */
  readonly cartVersion: number;
  readonly form: CheckoutForm;
  /** The same key is the same order, however often it is sent. */
  readonly key: string;
  readonly visitId: string | null;
  /** ISO 639-1. */
  readonly language: string;
  /** The total the shopper was shown; an order at another price is refused, unless who buys makes it less. */
  readonly seenTotalMinor: number | null;
  /** What the shopper was shown to come along (`CartView.comesAlong`); what has run out since is told before anything is paid. Null: not known. */
  readonly seenGifts: string | null;
  /** Address of whoever orders. */
  readonly from: string;
}
