import type { Situation } from '~/core/lane';

export const productOptionsSituations: readonly Situation[] = [
  { key: 'options', label: 'All options', width: 1280, product: 'options' },
  { key: 'phone', label: 'Phone', width: 390, product: 'options' },
  { key: 'right-to-left', label: 'Right to left', width: 390, product: 'options', rightToLeft: true },
];
