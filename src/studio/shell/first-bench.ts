import { definitionWithRole } from '~/pieces/definitions';

/** The bench that an owner comes to who has not been to any. */
export const FIRST_BENCH = `/studio/bench/${definitionWithRole('look').kind}`;
