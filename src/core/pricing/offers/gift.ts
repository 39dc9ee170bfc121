import { count, key } from '../basis/fields';
import { offerKind } from './offer-kind';

/** The gift of an offer until its owner has chosen one. */
export const NO_GIFT = '?';

export const gift = offerKind(
  'gift',
  { variant: key, quantity: count },
  {
    label: 'Gift',
    help: 'An item is put in at nothing.',
    begins: ({ about }) => ({ variant: NO_GIFT, quantity: 1, when: { minGoodsMinor: about(50) } }),
    stage: () => null,
    selections: () => [],
    gives: ({ variant, quantity }) => ({ variant, quantity }),
    reads: ({ variant, quantity }, { nameOf }) =>
      `Give ${quantity} × ${variant === NO_GIFT ? 'a gift that is not chosen yet' : `variant “${nameOf('variant', variant)}”`} for nothing`,
    tells: ({ variant, quantity }) => ({ code: 'gift', variant, quantity }),
    form: ({ variant, quantity }) => [
      [
        'Give',
        { field: 'count', label: 'How many', value: quantity, change: (many) => ({ quantity: many }) },
        'of this for nothing',
      ],
      // A new one gives nothing yet.
      [{ field: 'variant', sku: variant === NO_GIFT ? '' : variant, change: (sku) => ({ variant: sku }) }],
    ],
  },
);
