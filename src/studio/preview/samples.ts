import type { CartView } from '~/core/cart';
import type { CartPick } from '~/core/lane';

/** Products and carts of the shop's own that stand for the hard cases. */
export interface Samples {
  readonly products: Readonly<Record<string, string>>;
  readonly carts: Readonly<Partial<Record<CartPick, CartView>>>;
}
