import type { Situation } from '~/core/lane';

export const cartOpenerSituations: readonly Situation[] = [
  { key: 'full', label: 'Full cart', width: 1280, cart: 'full' },
  { key: 'one', label: 'One thing', width: 1280, cart: 'one' },
  { key: 'empty', label: 'Empty', width: 1280, cart: 'empty' },
  { key: 'phone', label: 'Phone', width: 390, cart: 'full' },
  { key: 'right-to-left', label: 'Right to left', width: 390, cart: 'full', rightToLeft: true },
];
