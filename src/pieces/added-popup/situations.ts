import type { Situation } from '~/core/lane';

export const addedPopupSituations: readonly Situation[] = [
  { key: 'plain', label: 'Everyday', width: 1280, cart: 'full', added: true },
  { key: 'options', label: 'With options', width: 1280, cart: 'options', added: true },
  { key: 'one', label: 'First thing', width: 768, cart: 'one', added: true },
  { key: 'phone', label: 'Phone', width: 390, cart: 'full', added: true },
  { key: 'long-names', label: 'Long names', width: 360, cart: 'long-names', added: true },
  { key: 'right-to-left', label: 'Right to left', width: 390, cart: 'full', rightToLeft: true, added: true },
];
