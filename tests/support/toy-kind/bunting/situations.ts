import type { Situation } from '~/core/lane';

export const buntingSituations: readonly Situation[] = [{ key: 'phone', label: 'Phone', width: 390 }];
