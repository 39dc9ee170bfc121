import type { Situation } from '~/core/lane';

export const cartSurfaceSituations: readonly Situation[] = [
  { key: 'full', label: 'Full cart', width: 1280, cart: 'full' },
  { key: 'options', label: 'With options', width: 1280, cart: 'options' },
  { key: 'one', label: 'One thing', width: 1280, cart: 'one' },
  { key: 'empty', label: 'Empty', width: 1280, cart: 'empty' },
  { key: 'phone', label: 'Phone', width: 390, cart: 'full' },
  { key: 'long-names', label: 'Long names', width: 360, cart: 'long-names' },
  { key: 'sold-out', label: 'Sold-out line', width: 768, cart: 'sold-out-line' },
  { key: 'right-to-left', label: 'Right to left', width: 768, cart: 'options', rightToLeft: true },
];
