import type { FormRow } from '../basis/form';
import { times } from '../basis/words';

export const readMost = (most: number | null): string => (most === null ? '' : `, at most ${times(most)} a cart`);

/** How often one cart gets an offer at most. */
export const mostTimes = (most: number | null): FormRow => ({
  maybe: 'at most',
  isOn: most !== null,
  change: (on) => ({ most: on ? 1 : null }),
  parts: [
    { field: 'count', label: 'Times a cart', value: most ?? 1, change: (count) => ({ most: count }) },
    'times a cart',
  ],
});
