import type { Situation } from '~/core/lane';

export const listingSituations: readonly Situation[] = [
  { key: 'everyday', label: 'Everyday', width: 1280 },
  { key: 'phone', label: 'Phone', width: 390 },
  { key: 'narrow', label: 'Narrow phone', width: 320 },
  { key: 'tablet', label: 'Tablet', width: 768 },
  { key: 'right-to-left', label: 'Arabic', width: 390, rightToLeft: true },
];
