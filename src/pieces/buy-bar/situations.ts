import type { Situation } from '~/core/lane';

export const buyBarSituations: readonly Situation[] = [
  { key: 'phone', label: 'Phone', width: 390, product: 'plain', cart: 'one' },
  { key: 'plain', label: 'Everyday', width: 1280, product: 'plain', cart: 'one' },
  { key: 'long-name', label: 'Long name', width: 360, product: 'long-name', cart: 'one' },
  { key: 'sold-out', label: 'Sold out', width: 390, product: 'sold-out', cart: 'one' },
  { key: 'options', label: 'With options', width: 390, product: 'options', cart: 'one' },
  { key: 'variants', label: 'Many variants', width: 390, product: 'many-variants', cart: 'one' },
  { key: 'right-to-left', label: 'Right to left', width: 390, product: 'plain', cart: 'one', rightToLeft: true },
];
