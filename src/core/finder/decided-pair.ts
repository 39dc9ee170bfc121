/** A pair that an owner took or refused, with what was known of it then. */
export interface DecidedPair {
  readonly a: string;
  readonly b: string;
  readonly state: 'accepted' | 'refused';
  readonly both: number;
  readonly baskets: number;
  readonly lift: number;
}
