import type { Situation } from '~/core/lane';

export const thanksPageSituations: readonly Situation[] = [
  { key: 'everyday', label: 'Your last order', width: 1280 },
  { key: 'phone', label: 'Phone', width: 390 },
  { key: 'narrow', label: 'Narrow phone', width: 320 },
  { key: 'right-to-left', label: 'Arabic', width: 390, rightToLeft: true },
];
