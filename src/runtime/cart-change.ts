import type { Answers } from '~/core/options';

interface Chosen {
  readonly variantId?: number;
  readonly product?: string;
  /** Of a variant: what is bought from other sites is named by it. */
  readonly sku?: string;
  readonly choices?: Record<string, string>;
  readonly answers?: Answers;
}

/** What a shopper does with the cart. */
export type CartChangeRequest =
  | (Chosen & {
      readonly kind: 'add';
      readonly quantity?: number;
    })
  | { readonly kind: 'set'; readonly lineId: string; readonly quantity: number }
  | { readonly kind: 'remove'; readonly lineId: string }
  | { readonly kind: 'put-back'; readonly lineId: string }
  | (Chosen & { readonly kind: 'reshape'; readonly lineId: string })
  | { readonly kind: 'coupon' | 'coupon-off'; readonly code: string }
  | { readonly kind: 'destination'; readonly country: string; readonly postcode: string }
  | { readonly kind: 'note'; readonly note: string };

interface RefusedPlace {
  readonly path: string;
  readonly message: string;
}

/** What came of it. */
export type CartAnswer =
  /** `waiting`: there is no connection; the change is kept and sent when there is. */
  | { readonly ok: true; readonly lineId: string | null; readonly waiting: boolean }
  | { readonly ok: false; readonly message: string; readonly problems: readonly RefusedPlace[] };
