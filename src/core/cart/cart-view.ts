import type { Picture } from '~/core/catalogue';
import type { Minor } from '~/core/money';
import type { PriceStep } from '~/core/offers';

/** A cart line as shoppers see it. `problem` says why it could not be ordered as it stands. */
export interface CartLineView {
  readonly id: string;
  readonly variantId: number;
  readonly slug: string;
  readonly name: string;
  readonly choices: string;
  readonly picture: Picture | null;
  readonly quantity: number;
  readonly stock: number | null;
  readonly unitMinor: Minor;
  readonly totalMinor: Minor;
  readonly problem: string | null;
}

/** The cart as shop pages, the runtime and the bench's sample carts carry it. */
export interface CartView {
  readonly lines: readonly CartLineView[];
  readonly count: number;
  readonly subtotalMinor: Minor;
  readonly discountMinor: Minor;
  readonly deliveryMinor: Minor | null;
  readonly taxMinor: Minor;
  readonly taxIncluded: boolean;
  readonly totalMinor: Minor;
  readonly missingForFreeDeliveryMinor: Minor | null;
  readonly steps: readonly PriceStep[];
}
