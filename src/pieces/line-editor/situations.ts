import type { Situation } from '~/core/lane';

export const lineEditorSituations: readonly Situation[] = [
  { key: 'options', label: 'Options', width: 1280, cart: 'options' },
  { key: 'variants', label: 'Many variants', width: 768, cart: 'long-names' },
  { key: 'phone', label: 'Phone', width: 390, cart: 'options' },
  { key: 'right-to-left', label: 'Right to left', width: 390, cart: 'options', rightToLeft: true },
];
