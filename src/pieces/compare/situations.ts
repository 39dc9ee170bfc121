import type { Situation } from '~/core/lane';

export const compareSituations: readonly Situation[] = [
  { key: 'everyday', label: 'Everyday', width: 1280, product: 'plain' },
  { key: 'phone', label: 'Phone', width: 390, product: 'plain' },
  { key: 'sold-out', label: 'Sold out', width: 1280, product: 'sold-out' },
  { key: 'variants', label: 'Many variants', width: 768, product: 'many-variants' },
  { key: 'no-picture', label: 'No picture', width: 768, product: 'no-picture' },
  { key: 'right-to-left', label: 'Right to left', width: 768, product: 'plain', rightToLeft: true },
];
