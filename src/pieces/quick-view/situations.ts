import type { Situation } from '~/core/lane';

export const quickViewSituations: readonly Situation[] = [
  { key: 'plain', label: 'Everyday', width: 1280, product: 'plain' },
  { key: 'phone', label: 'Phone', width: 390, product: 'plain' },
  { key: 'long-name', label: 'Long name', width: 390, product: 'long-name' },
  { key: 'sold-out', label: 'Sold out', width: 768, product: 'sold-out' },
  { key: 'variants', label: 'Many variants', width: 390, product: 'many-variants' },
  { key: 'options', label: 'With options', width: 1280, product: 'options' },
  { key: 'no-picture', label: 'No picture', width: 768, product: 'no-picture' },
  { key: 'no-text', label: 'No text', width: 768, product: 'no-text' },
  { key: 'right-to-left', label: 'Right to left', width: 768, product: 'plain', rightToLeft: true },
];
