import type { ItemReturn, Order, Refund, Refundable } from '~/core/orders';

/** An order with all that is known of it, as the API answers it. */
export interface KeptOrder {
  readonly order: Omit<Order, 'requestHash' | 'idempotencyKey' | 'cartToken'>;
  readonly number: string;
  readonly keeping: {
    readonly packedAt: number | null;
    readonly sentAt: number | null;
    readonly cancelledAt: number | null;
    readonly tracking: string;
  };
  readonly refunds: readonly (Refund & { readonly state: 'asked' | 'done' })[];
  readonly returns: readonly ItemReturn[];
  readonly left: Refundable;
  readonly mails: readonly {
    readonly id: string;
    readonly at: number;
    readonly subject: string;
    readonly text: string;
  }[];
  readonly way: readonly {
    readonly at: number;
    readonly kind: string;
    readonly page: string | null;
    readonly product: string | null;
  }[];
}
