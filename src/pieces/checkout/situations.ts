import type { Situation } from '~/core/lane';

export const checkoutSituations: readonly Situation[] = [
  { key: 'full', label: 'Full cart', width: 1280, cart: 'full' },
  { key: 'one', label: 'One thing', width: 1280, cart: 'one' },
  { key: 'options', label: 'With options', width: 768, cart: 'options' },
  { key: 'phone', label: 'Phone', width: 390, cart: 'full' },
  { key: 'sold-out', label: 'Sold-out line', width: 390, cart: 'sold-out-line' },
  { key: 'right-to-left', label: 'Right to left', width: 390, cart: 'options', rightToLeft: true },
];
